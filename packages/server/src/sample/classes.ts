import { randomUUID } from 'node:crypto'
import { OfferRules, SaveClass } from '@otter/api'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import type { TeacherScope } from '../db/scope.ts'
import { createClass } from '../services/classes.ts'
import { draftGame, keepVersion } from '../services/games.ts'
import { sendMove } from '../services/moves.ts'
import { makePuzzle, openOffer, readOffer } from '../services/offers.ts'
import { joinOffer } from '../services/plays.ts'
import { saveStandards } from '../services/standards.ts'
import { addStudents } from '../services/students.ts'
import type { Workers } from '../workers/pool.ts'
import { SAMPLE_CLASSES, SAMPLE_STANDARDS } from './scenario.ts'

const DAY = 24 * 3600_000
/** Work of the class that has a term behind it: when it was due, in days from now, and how many of the class did it. */
const TERM: readonly { name: string; seed: string; due: number; doers: number; late?: number }[] = [
  { name: 'Week 3: strings', seed: 'strings', due: -21, doers: 8 },
  { name: 'Week 4: wind', seed: 'wind', due: -14, doers: 7, late: 4 },
  { name: 'Week 5: all of them', seed: 'brass', due: -7, doers: 8 },
  { name: 'Week 6: before the concert', seed: 'concert', due: 3, doers: 3 },
]

/** Adds the classes of the school, one with a term of work on a list. */
export async function addClasses(scope: TeacherScope, listId: string, workers: Workers): Promise<void> {
  for (const { students: names, hasTerm = false, ...details } of SAMPLE_CLASSES) {
    const { id } = await createClass(scope, SaveClass.parse(details))
    const students = names.map((name) => ({ id: randomUUID(), name }))
    await addStudents(scope, id, { students })
    if (hasTerm) await addTerm(scope, { classId: id, listId, students }, workers)
  }
  await saveStandards(scope, { standards: SAMPLE_STANDARDS })
}

async function addTerm(
  scope: TeacherScope,
  { classId, listId, students }: { classId: string; listId: string; students: readonly { id: string }[] },
  workers: Workers,
): Promise<void> {
  for (const [place, { name, seed, due, doers, late }] of TERM.entries()) {
    const draft = await draftGame(scope, listId, 'quiz', { second: false }, seed)
    const puzzle = (await makePuzzle(workers, scope.teacherId, draft)) as QuizPuzzle
    const offerId = await openOffer(scope, await keepVersion(scope, draft, puzzle), {
      name,
      rules: OfferRules.parse({ type: 'link', work: { who: 'names', pass: 60 } }),
    })
    const dueAt = Date.now() + due * DAY
    await scope.query(
      `UPDATE offers SET class_id = $classId, due_at = $dueAt, created_at = now() + $place * interval '1 second'
        WHERE id = $offerId`,
      { classId, dueAt: new Date(dueAt), offerId, place: place + 1 },
    )
    const { code } = await readOffer(scope, offerId)
    for (const [number, { id }] of students.slice(0, doers).entries()) {
      const isOpen = due > 0
      const began = (isOpen ? Date.now() - DAY : dueAt - DAY) + number * 600_000 + (number === late ? 2 * DAY : 0)
      // The last one who has begun what is open is in the middle of it.
      const asked = isOpen && number === doers - 1 ? 4 : puzzle.questions.length
      await play(scope, code, puzzle, { studentId: id, number, place, asked }, began)
    }
    if (place === DISTURBED.place) await disturb(scope, offerId, students[DISTURBED.student]!.id)
  }
}

/** Who lost the connection in which piece of work. */
const DISTURBED = { place: 2, student: 5 }

/** Lets a device have been away for four minutes, at the fifth question. */
async function disturb(scope: TeacherScope, offerId: string, studentId: string): Promise<void> {
  await scope.query(
    `INSERT INTO absences (play_id, kind, milliseconds, place, at) SELECT y.id, 'gone', 240000, 5, y.moved_at FROM plays y
      JOIN participants p ON p.id = y.participant_id WHERE y.offer_id = $offerId AND p.student_id = $studentId`,
    { offerId, studentId },
  )
}

/** Answers so many questions of a quiz as one student, some of them wrong, as in a class. */
async function play(
  scope: TeacherScope,
  code: string,
  { questions }: QuizPuzzle,
  { studentId, number, place, asked }: { studentId: string; number: number; place: number; asked: number },
  began: number,
): Promise<void> {
  const { token } = await joinOffer({ ...scope, moment: began }, code, { studentId, keep: 'page' })
  let moment = began
  for (const [item, { choices }] of questions.slice(0, asked).entries()) {
    const isMissed = (item * 7 + number * 5 + place * 3) % 11 < number - place
    const choice = choices.findIndex(({ right }) => right !== isMissed)
    for (const move of [{ type: 'choose', choices: [choice] }, { type: 'next' }]) {
      moment += 4000 + ((item + number) % 5) * 1500
      const sent = { id: randomUUID(), attempt: 1, madeAt: moment, move }
      await sendMove({ ...scope, moment }, { code, token }, sent)
    }
  }
}
