import { faceKey } from '../list/checks/faceKey.ts'
import type { Entry } from '../list/entry.ts'
import { isEmptyFace, type Face } from '../list/face.ts'
import type { FitNote } from './contract.ts'

/** Two faces that belong together. */
export interface Couple {
  entryId: string
  prompt: Face
  answer: Face
}

/** Returns the couples of entries, and why some have none. Two entries that are the same to a student count once. */
export function couplesOf(entries: readonly Entry[]): { couples: Couple[]; notes: FitNote[] } {
  const couples: Couple[] = []
  const notes: FitNote[] = []
  const seen = new Set<string>()
  for (const { id, prompt, answer } of entries) {
    if (isEmptyFace(prompt) && isEmptyFace(answer)) continue
    const key = `${faceKey(prompt)}\u0001${faceKey(answer)}`
    if (isEmptyFace(prompt) || isEmptyFace(answer)) notes.push({ code: 'one-side', entryIds: [id], values: {} })
    else if (seen.has(key)) notes.push({ code: 'repeat', entryIds: [id], values: { text: answer.text.trim() } })
    else {
      seen.add(key)
      couples.push({ entryId: id, prompt, answer })
    }
  }
  return { couples, notes }
}

/**
 * Takes couples as long as every way of joining faces that belong together can be completed. Faces that are the same
 * are equally right partners; but where a face shared on one side meets one shared on the other, or two faces of the
 * table belong together by a couple that is not on it (`all` has the whole list), a right join could leave two that
 * don't belong together: a couple that brings that about is passed over.
 */
export function joinable(couples: readonly Couple[], most: number, all: readonly Couple[] = couples): Couple[] {
  const listed = partnersBySide(all)
  const taken: Couple[] = []
  const onTable = { prompts: new Map<string, Set<string>>(), answers: new Map<string, Set<string>>() }
  for (const couple of couples) {
    if (taken.length === most) break
    const prompt = faceKey(couple.prompt)
    const answer = faceKey(couple.answer)
    const answers = onTable.prompts.get(prompt) ?? new Set()
    const prompts = onTable.answers.get(answer) ?? new Set()
    const strays =
      [...(listed.prompts.get(prompt) ?? [])].some(
        (other) => other !== answer && onTable.answers.has(other) && !answers.has(other),
      ) ||
      [...(listed.answers.get(answer) ?? [])].some(
        (other) => other !== prompt && onTable.prompts.has(other) && !prompts.has(other),
      )
    const tangles =
      (answers.size > 0 && prompts.size > 0) ||
      [...answers].some((other) => (onTable.answers.get(other)?.size ?? 0) > 1) ||
      [...prompts].some((other) => (onTable.prompts.get(other)?.size ?? 0) > 1)
    if (strays || tangles) continue
    onTable.prompts.set(prompt, answers.add(answer))
    onTable.answers.set(answer, prompts.add(prompt))
    taken.push(couple)
  }
  return taken
}

/** Returns couples in an order in which many of them are joinable: those first whose faces are shared by most. */
export function mostShared(couples: readonly Couple[]): Couple[] {
  const { prompts, answers } = partnersBySide(couples)
  const shared = ({ prompt, answer }: Couple): number =>
    Math.max(prompts.get(faceKey(prompt))?.size ?? 0, answers.get(faceKey(answer))?.size ?? 0)
  return [...couples].sort((one, two) => shared(two) - shared(one))
}

function partnersBySide(couples: readonly Couple[]): {
  prompts: Map<string, Set<string>>
  answers: Map<string, Set<string>>
} {
  const prompts = new Map<string, Set<string>>()
  const answers = new Map<string, Set<string>>()
  for (const couple of couples) {
    const prompt = faceKey(couple.prompt)
    const answer = faceKey(couple.answer)
    prompts.set(prompt, (prompts.get(prompt) ?? new Set()).add(answer))
    answers.set(answer, (answers.get(answer) ?? new Set()).add(prompt))
  }
  return { prompts, answers }
}

/** Tells whether a prompt and an answer belong together in one of the couples, by what a student sees. */
export function belongTogether(couples: readonly Couple[], prompt: Face, answer: Face): boolean {
  const key = faceKey(prompt)
  const other = faceKey(answer)
  return couples.some((couple) => faceKey(couple.prompt) === key && faceKey(couple.answer) === other)
}
