import { answerLanguageOf } from '../../list/answerLanguage.ts'
import type { EntryList } from '../../list/entry.ts'
import { primary } from '../../text/judging/languages.ts'
import { thingName } from '../../text/things.ts'
import { NO_LOOKUP, type Lookup } from '../lookup.ts'
import { ENOUGH } from './wrongChoices.ts'

/**
 * Returns what wrong choices are chosen by: the kinds of things where pictures are asked, which are of the general and of
 * the special thing alike; other things where the list has too few answers.
 */
export function lookup(list: EntryList): Lookup {
  const isEnglish = primary(answerLanguageOf(list)) === 'en'
  const names = isEnglish ? [...new Set(list.entries.map(({ answer }) => thingName(answer.text)))].filter(Boolean) : []
  const beside = names.length <= ENOUGH
  const isNeeded = beside || list.entries.some(({ prompt }) => prompt.picture !== undefined)
  return isNeeded ? { words: false, things: { names, beside } } : NO_LOOKUP
}
