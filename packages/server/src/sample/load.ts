import { randomUUID } from 'node:crypto'
import { OfferRules } from '@otter/api'
import { type WordSearchOptions, type WordSearchPuzzle } from '@otter/core/games/wordsearch'
import type { Database } from '../db/database.ts'
import { START_LOCK } from '../db/migrate.ts'
import { inScope, type Scope, type TeacherScope } from '../db/scope.ts'
import { draftGame, keepVersion } from '../services/games.ts'
import { makePuzzle, openOffer, readOffer } from '../services/offers.ts'
import { sendMove } from '../services/moves.ts'
import { joinOffer } from '../services/plays.ts'
import { PuzzleCache } from '../services/puzzleCache.ts'
import { PASSWORD_COST } from '../services/passwords.ts'
import { addTeacher, findTeacherByEmail, prepareTeacher } from '../services/teachers.ts'
import type { Workers } from '../workers/pool.ts'
import { addClasses } from './classes.ts'
import { addSampleList } from './copies.ts'
import { addLiveSession } from './liveSession.ts'
import { SAMPLE_LISTS, SAMPLE_STUDENTS } from './scenario.ts'

export const SAMPLE_EMAIL = 'ines@harlowquay.example'
const SAMPLE_PASSWORD = 'otters-hold-hands'

/**
 * Loads the sample scenario once: a teacher, her lists and classes, and what students have played. All of it or nothing;
 * servers that start at the same time wait for each other.
 */
export async function loadSample(database: Database, workers: Workers): Promise<void> {
  const prepared = await prepareTeacher(
    { name: 'Ines Okafor', email: SAMPLE_EMAIL, password: SAMPLE_PASSWORD },
    PASSWORD_COST,
  )
  await inScope({ database, puzzles: new PuzzleCache() }, { teacherId: null }, async (scope) => {
    await scope.query(`SELECT pg_advisory_xact_lock(${START_LOCK})`)
    if (await findTeacherByEmail(scope, SAMPLE_EMAIL)) return
    const teacher = await addTeacher(scope, { ...prepared, isSample: true })
    await loadLists({ ...scope, teacherId: teacher.id }, workers)
  })
}

async function loadLists(scope: TeacherScope, workers: Workers): Promise<void> {
  let last = ''
  let played = ''
  for (const sample of SAMPLE_LISTS) {
    played = last
    last = await addSampleList(scope, sample)
  }
  const options: Partial<WordSearchOptions> = { directions: 4 }
  const draft = await draftGame(scope, last, 'wordsearch', options, 'otter')
  const puzzle = (await makePuzzle(workers, scope.teacherId, draft)) as WordSearchPuzzle
  const offerId = await openOffer(scope, await keepVersion(scope, draft, puzzle), {
    name: 'Beekeepers 5',
    rules: OfferRules.parse({ type: 'link' }),
  })
  const { code } = await readOffer(scope, offerId)
  await playSample(scope, code, puzzle)
  await addLiveSession(scope, last, workers)
  await addClasses(scope, played, workers)
}

/** How long ago the sample class played, in milliseconds: this morning's first lesson, more or less. */
const SAMPLE_AGE = 2 * 3600_000

async function playSample(scope: Scope, code: string, { words }: WordSearchPuzzle): Promise<void> {
  for (const [number, { name, finds, hints, stops }] of SAMPLE_STUDENTS.entries()) {
    const joined = Date.now() - SAMPLE_AGE + number * 20_000
    const { token } = await joinOffer({ ...scope, moment: joined }, code, { name, keep: 'page' })
    let moves = 0
    const send = async (move: unknown): Promise<void> => {
      const moment = joined + ++moves * (11 + ((number * 7 + moves * 5) % 13)) * 1000
      await sendMove({ ...scope, moment }, { code, token }, { id: randomUUID(), attempt: 1, madeAt: moment, move })
    }
    // Each begins somewhere else, so that some words are found by fewer.
    const order = words.map((_, index) => (index * 3 + number * (finds < words.length ? 1 : 3)) % words.length)
    for (const item of order.slice(0, hints)) await send({ type: 'hint', item })
    for (const item of order.slice(0, finds)) {
      const { row, col, dRow, dCol, length } = words[item]!
      await send({
        type: 'mark',
        from: { row, col },
        to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) },
      })
    }
    if (stops) await send({ type: 'finish' })
  }
}
