import type { QuestionResult, Reteach } from '@otter/api'
import { acceptedOf, Choice, type Entry } from '@otter/core'
import type { z } from 'zod'
import { questionResults } from '../db/queries/results.ts'
import type { TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { correctionsOf, takenOutOf } from './corrections.ts'
import { copyList, isListHere, readList } from './lists.ts'
import { readOffer } from './offers.ts'
import { findTeacher } from './teachers.ts'

/** Most wrong choices of an entry: more are no help. */
const MOST_CHOICES = 5

/**
 * Makes a list of what was missed in an offer: the entries that fewer than a share knew of those who answered them first, the
 * least known first, with the wrong answers that were given as wrong choices. It knows the list it comes from. Sent again,
 * it is made once. Throws a Problem where nothing was missed, or the list is gone.
 */
export async function makeReteachList(
  scope: TeacherScope,
  offerId: string,
  { id, title, below }: z.output<typeof Reteach>,
): Promise<void> {
  const { teacherId } = scope
  await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId })
  if (await isListHere(scope, id)) return
  const { listId } = await readOffer(scope, offerId)
  if (listId === null) throw new Problem(409, 'list-gone')
  const out = takenOutOf(await correctionsOf(scope, offerId))
  const missed = (await questionResults(scope, offerId))
    .filter((one) => one.counts && !out.includes(one.entryId) && answersTo(one) > 0 && shareOf(one) < below)
    .sort((one, other) => shareOf(one) - shareOf(other))
  const { entries, id: _, version: _version, ...details } = await readList(scope, listId)
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  const taken = missed.flatMap((question, place) => {
    const entry = byId.get(question.entryId)
    return entry ? [{ ...withGiven(entry, question), position: place + 1 }] : []
  })
  if (taken.length === 0) throw new Problem(409, 'nothing-missed')
  await copyList(scope, id, { details: { ...details, title }, entries: taken })
  await scope.query('UPDATE lists SET origin_title = $origin, origin_teacher = $teacher WHERE id = $id', {
    id,
    origin: details.title,
    teacher: (await findTeacher(scope, teacherId))?.name ?? '',
  })
}

/** Returns how many answered a question: what was passed over may not have been reached. */
function answersTo({ right, wrong }: QuestionResult): number {
  return right + wrong
}

function shareOf(question: QuestionResult): number {
  return question.right / answersTo(question)
}

/** Returns an entry with the wrong answers that were given among its wrong choices; none that counts as right. */
function withGiven<Listed extends Entry>(entry: Listed, { given }: QuestionResult): Listed {
  const plain = (text: string): string => text.normalize('NFC').trim().toLowerCase()
  const known = new Set([...acceptedOf(entry), ...entry.choices.map(({ text }) => text)].map(plain))
  const more = given
    .map((one) => one.given.trim())
    .filter((text) => text !== '' && !known.has(plain(text)))
    .slice(0, Math.max(0, MOST_CHOICES - entry.choices.length))
    .map((text) => Choice.parse({ text, right: false }))
  return { ...entry, choices: [...entry.choices, ...more] }
}
