import type { FitNote } from '@otter/core'

/** Words a note about an entry that makes no couple of prompt and answer. */
export function coupleSentence({ code, values }: FitNote): string {
  return code === 'one-side'
    ? 'Only one side is filled in; the row is left out.'
    : `“${values.text}” is there twice with the same prompt; it counts once.`
}
