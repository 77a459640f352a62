/** Draws a move about questions, without knowing the answers; some fit what is asked, some don't. */
export function anyQuestionMove(below: (bound: number) => number): object {
  return [
    { type: 'open', item: below(10) },
    { type: 'open', item: below(10) },
    { type: 'hint' },
    { type: 'reveal' },
    { type: 'judge', right: below(2) === 0 },
    { type: 'judge', right: below(2) === 0, team: below(4) },
    { type: 'pass-on' },
    { type: 'nobody' },
    { type: 'close' },
    { type: 'close' },
    { type: 'close' },
    { type: 'award', team: below(4), points: below(30) - 10 },
    { type: 'give-turn', team: below(4) },
  ][below(13)]!
}
