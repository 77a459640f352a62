import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { startTestServer, teacherWithList, WORDS } from '../packages/server/test/testServer.ts'
import { timesOf } from './timesOf.ts'
import { percentile95 } from './wordsearch.ts'

const STUDENTS = 40
const WORK = 60

/** Time of the page of a class of 40 with 60 pieces of work, all done twice, beside a bare indexed SELECT. */
export async function benchOverview(): Promise<void> {
  const server = await startTestServer({ quiet: true })
  const { client, listId } = await teacherWithList(server.url, WORDS)
  const { body: made } = await client.call('POST', '/classes', { name: 'Bench' })
  const students = Array.from({ length: STUDENTS }, (_, index) => ({ id: randomUUID(), name: `Student ${index}` }))
  await client.call('POST', `/classes/${made.id}/students`, { students })
  const game = { kind: 'hangman', seed: '1' }
  for (let index = 0; index < WORK; index++)
    await client.call('POST', `/lists/${listId}/work`, { ...game, classIds: [made.id], requestIds: [randomUUID()] })
  await server.database.sequelize.query(
    `INSERT INTO participants (id, offer_id, seat, name, student_id)
      SELECT gen_random_uuid(), o.id, row_number() OVER (PARTITION BY o.id ORDER BY s.id), s.name, s.id
      FROM offers o CROSS JOIN students s WHERE o.class_id = '${made.id}'`,
  )
  await server.database.sequelize.query(
    `INSERT INTO question_sets (id, game_version_id, key) SELECT gen_random_uuid(), id, 'bench' FROM game_versions`,
  )
  for (let attempt = 0; attempt < 2; attempt++)
    await server.database.sequelize.query(
      `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, state, "right", total,
          started_at, moved_at, ended_at)
        SELECT gen_random_uuid(), p.offer_id, p.id, m.game_version_id, q.id, 1, '{}', p.seat % 10, 10,
          now() + interval '${attempt} hours', now(), now() + interval '${attempt + 1} hours'
        FROM participants p JOIN offer_games m ON m.offer_id = p.offer_id AND m.position = 0
          JOIN question_sets q ON q.game_version_id = m.game_version_id`,
    )
  await server.database.sequelize.query('ANALYZE')
  // The tests' own client compares each reply with its description, which takes its time.
  const address = `${server.url}/classes/${made.id}/overview`
  const Cookie = client.cookie()
  const times = await timesOf(async () => (await fetch(address, { headers: { Cookie } })).text())
  const pool = new pg.Pool({ connectionString: server.databaseUrl, max: 1 })
  const bare = await timesOf(() =>
    pool.query(
      `SELECT y.offer_id, y.participant_id, y."right", y.total, y.ended_at FROM plays y JOIN offers o ON o.id = y.offer_id
        WHERE o.class_id = $1`,
      [made.id],
    ),
  )
  console.log(
    `Page of a class, ${STUDENTS} students × ${WORK} pieces of work × 2 attempts: p95 ${percentile95(times).toFixed(1)} ms; ` +
      `a bare SELECT of the ${STUDENTS * WORK * 2} plays ${percentile95(bare).toFixed(1)} ms`,
  )
  await pool.end()
  await server.close()
}
