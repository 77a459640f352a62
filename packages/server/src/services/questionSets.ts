import { createHash, randomUUID } from 'node:crypto'
import type { Reader } from '../db/scope.ts'
import type { MadeGame } from './puzzleCache.ts'

/** Longest key of a set of questions that is kept as it is. */
const LONGEST_KEY = 200

/**
 * Returns the set of questions that a play asks, and how many of them count; most plays of one version share theirs.
 */
export async function questionSet(
  scope: Reader,
  { versionId, game, puzzle }: MadeGame,
  state: unknown,
): Promise<{ setId: string; total: number }> {
  const named = game.questionsKey?.(puzzle, state) ?? ''
  const key = named.length > LONGEST_KEY ? createHash('sha256').update(named).digest('hex') : named
  const find = (): Promise<{ setId: string; total: number }[]> =>
    scope.query('SELECT id AS "setId", total FROM question_sets WHERE game_version_id = $versionId AND key = $key', {
      versionId,
      key,
    })
  const [known] = await find()
  if (known) return known
  const questions = game.questions(puzzle, state)
  const total = questions.filter(({ counts }) => counts).length
  const setId = randomUUID()
  const [added] = await scope.query(
    `INSERT INTO question_sets (id, game_version_id, key, total) VALUES ($setId, $versionId, $key, $total)
      ON CONFLICT (game_version_id, key) DO NOTHING RETURNING id`,
    { setId, versionId, key, total },
  )
  // Another student's play has just made the same set.
  if (!added) return (await find())[0]!
  await scope.query(
    `INSERT INTO questions (set_id, place, entry_id, text, counts)
     SELECT $setId, q.place - 1, (q.row ->> 'entryId')::uuid, q.row ->> 'text', (q.row ->> 'counts')::boolean
       FROM jsonb_array_elements($questions::jsonb) WITH ORDINALITY AS q(row, place)`,
    { setId, questions: JSON.stringify(questions) },
  )
  return { setId, total }
}
