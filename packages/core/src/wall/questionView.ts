import type { Audience } from '../games/contract.ts'
import { revealedFace, shownFace, type ShownFace } from '../games/shownFace.ts'
import { isJudged, nextToTry, type QuestionLife, type Verdict, type WallQuestion } from './questions.ts'

/** All that a screen may know of the open question. */
export interface QuestionView {
  item: number
  prompt: ShownFace
  /** Null until it is shown; the teacher's own screen always has it. */
  answer: ShownFace | null
  revealed: boolean
  fact: string
  hasHint: boolean
  hint: string | null
  /** The team that answers now, or was the last to; null where all do, or nobody does any more. */
  answering: number | null
  /** The team that it is passed on to; null where none is left. */
  next: number | null
  everyone: boolean
  over: boolean
  again: boolean
  verdicts: { team: number; outcome: Verdict['outcome'] }[]
}

/** Returns the open question as an audience may see it; null where none is. */
export function questionView(
  play: QuestionLife,
  questions: readonly WallQuestion[],
  { audience, hints, tries }: { audience: Audience; hints: boolean; tries: number },
): QuestionView | null {
  const { open, met, teams } = play
  if (!open) return null
  const next = nextToTry(play, open)
  // The team that answers has tried, or passes by it.
  const tried = (met[open.item]?.length ?? 0) + (isJudged(play, open) ? 0 : 1)
  const isLeft = next !== open.answering && !open.everyone && !open.over && tried < tries
  const { prompt, answer, hint, fact } = questions[open.item]!
  const told = open.revealed || audience === 'teacher'
  return {
    item: open.item,
    prompt: (open.revealed ? revealedFace : shownFace)(prompt),
    answer: told ? revealedFace(answer) : null,
    revealed: open.revealed,
    fact: open.revealed ? fact : '',
    hasHint: hints && hint !== '' && !open.hinted && !open.over,
    hint: open.hinted && hint !== '' ? hint : null,
    answering: open.everyone || open.over ? null : open.answering,
    next: isLeft && teams.points.length > 1 ? next : null,
    everyone: open.everyone,
    over: open.over,
    again: open.again,
    verdicts: (met[open.item] ?? []).map(({ team, outcome }) => ({ team, outcome })),
  }
}

/** Returns what all questions of a play add up to: those that whoever was asked first got right. */
export function questionScore(
  { met, hints }: QuestionLife,
  total: number,
): { right: number; total: number; points: number; hints: number } {
  const first = met.flatMap((verdicts) => verdicts?.[0] ?? [])
  const right = first.filter(({ outcome }) => outcome === 'right')
  return { right: right.length, total, points: right.reduce((sum, { points }) => sum + points, 0), hints }
}
