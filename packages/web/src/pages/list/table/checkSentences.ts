import type { CheckNote, Mend } from '@otter/core'

/** Words what is wrong with a row. */
export function sentenceForCheck({ code, values }: CheckNote): string {
  switch (code) {
    case 'no-right-choice':
      return 'No right choice is marked. Which one is it?'
    case 'choice-is-right':
      return `The wrong choice “${values.choice}” says the same as a right one.`
    case 'same-row':
      return `The same as row ${values.row}.`
    case 'same-prompt':
      return `Same prompt as row ${values.row} · pairs and quiz would have two right answers`
    case 'same-answer':
      return `Same answer as row ${values.row} · word search, crossword and bingo show it once; elsewhere it is fine`
    case 'gives-away':
      return `The prompt gives its answer away: “${values.text}”.`
    case 'empty-row':
      return 'This row is empty.'
    case 'empty-answer':
      return 'The answer is missing.'
    case 'empty-prompt':
      return 'The prompt is missing · word search, bingo and hangman do without'
    case 'long-word':
      return `${values.letters} letters · grids take ${values.most} at most, other games take it`
    case 'mixed-scripts':
      return `“${values.text}” mixes letters of two alphabets that look alike; nobody could type it.`
    case 'stray-characters':
      return 'Stray spaces or invisible characters.'
  }
}

/** Words a mend, as the name of a button. */
export function nameOfMend({ code, values }: Mend): string {
  switch (code) {
    case 'mark-choice':
      return values.choice === '' ? `Choice ${Number(values.index) + 1}` : String(values.choice)
    case 'remove-choice':
      return 'Remove that choice'
    case 'accept-both':
      return 'Accept both answers'
    case 'remove-row':
      return 'Remove this row'
    case 'join-rows':
      return `Join with row ${values.row}`
    case 'blank-out':
      return 'Put a blank there'
    case 'tidy':
      return 'Tidy up'
    case 'one-script':
      return 'Use one alphabet'
    case 'move-to-answer':
      return 'Make the prompt the answer'
  }
}
