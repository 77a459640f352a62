import { oneScript } from '../../text/lookAlikes.ts'
import { tidyText } from '../../text/tidyText.ts'
import type { Entry } from '../entry.ts'
import { checkEach, type Check, type CheckCode, type Mend } from './check.ts'

/** Applies a change to every text of an entry. */
function mapTexts(
  entry: Entry,
  change: (text: string) => string,
): Pick<Entry, 'answer' | 'prompt' | 'accepted' | 'choices' | 'hint' | 'fact' | 'groups'> {
  return {
    answer: { ...entry.answer, text: change(entry.answer.text) },
    prompt: { ...entry.prompt, text: change(entry.prompt.text) },
    accepted: entry.accepted.map(change),
    choices: entry.choices.map((choice) => ({ ...choice, text: change(choice.text) })),
    hint: change(entry.hint),
    fact: change(entry.fact),
    groups: entry.groups.map(change),
  }
}

function textsOf({ answer, prompt, accepted, choices, hint, fact, groups }: Entry): string[] {
  return [answer.text, prompt.text, ...accepted, ...choices.map(({ text }) => text), hint, fact, ...groups]
}

/** A check that is mended by a change to each text, and finds every text which that would change. */
function checkTexts(code: CheckCode, mend: Mend['code'], change: (text: string) => string): Check {
  return checkEach(
    (entry) => {
      const changed = textsOf(entry).find((text) => text !== '' && change(text) !== text)
      return changed === undefined
        ? []
        : [
            {
              code,
              weight: 'look',
              entryIds: [entry.id],
              values: { text: changed.trim(), to: change(changed) },
              mends: [{ code: mend, values: {} }],
            },
          ]
    },
    (entry) => mapTexts(entry, change),
  )
}

/** Letters of another script that look like the others: the word can't be typed as it is. */
export const mixedScripts = checkTexts('mixed-scripts', 'one-script', oneScript)

/** Surplus spaces, and characters that no screen shows. */
export const strayCharacters = checkTexts('stray-characters', 'tidy', tidyText)
