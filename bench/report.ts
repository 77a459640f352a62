import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { monitorEventLoopDelay } from 'node:perf_hooks'
import pg from 'pg'
import { startTestServer, teacherWithList, WORDS, type TestServer } from '../packages/server/test/testServer.ts'
import { timesOf } from './timesOf.ts'
import { percentile95 } from './wordsearch.ts'

/** Classes of forty, each with so many pieces of work; the first one has sixty, as the report that is measured. */
const STUDENTS = 40
const WORK = 30
const MEASURED_WORK = 60
/** Of a school's record, one class has as many as are still told one by one, and one so many that sums are told. */
const LONG_WORK = 150
const LONGEST_WORK = 300
/** Pieces of work that are of one list, and entries of each. */
const WORK_OF_LIST = 3
const ENTRIES = 17

const statements = (teacherId: string, classes: number): string[] => [
  `CREATE TEMP TABLE c AS SELECT gen_random_uuid() AS id, n, CASE n WHEN 1 THEN ${MEASURED_WORK}
       WHEN 2 THEN ${classes > 9 ? LONG_WORK : WORK} WHEN 3 THEN ${classes > 9 ? LONGEST_WORK : WORK} ELSE ${WORK} END AS work
     FROM generate_series(1, ${classes}) n`,
  `INSERT INTO classes (id, name, code) SELECT id, 'Class ' || n, 'CLS' || n FROM c`,
  `INSERT INTO class_teachers (class_id, teacher_id, is_owner) SELECT id, '${teacherId}', true FROM c`,
  `CREATE TEMP TABLE st AS SELECT gen_random_uuid() AS id, c.id AS class_id, i AS n
     FROM c, generate_series(1, ${STUDENTS}) i`,
  `INSERT INTO students (id, name) SELECT id, 'Student ' || n FROM st`,
  `INSERT INTO enrollments (class_id, student_id, state) SELECT class_id, id, 'in' FROM st`,
  `CREATE TEMP TABLE gm AS SELECT gen_random_uuid() AS game_id, gen_random_uuid() AS version_id, gen_random_uuid() AS set_id,
     c.id AS class_id, i AS n FROM c, generate_series(1, c.work / ${WORK_OF_LIST}) i`,
  `INSERT INTO games (id, teacher_id, kind, key) SELECT game_id, '${teacherId}', 'quiz', game_id::text FROM gm`,
  `INSERT INTO game_versions (id, game_id, number, title, language, options, seed, fingerprint, puzzle, rules, list_version)
     SELECT version_id, game_id, 1, 'Words ' || n, 'en', '{}', '1', '', '{}', 1, 1 FROM gm`,
  `INSERT INTO question_sets (id, game_version_id, key, total) SELECT set_id, version_id, '', ${ENTRIES} FROM gm`,
  `INSERT INTO questions (set_id, place, entry_id, text, counts)
     SELECT set_id, p, gen_random_uuid(), 'word ' || n || '.' || p, true FROM gm, generate_series(0, ${ENTRIES - 1}) p`,
  `CREATE TEMP TABLE ofr AS SELECT gen_random_uuid() AS id, gm.*, k FROM gm, generate_series(1, ${WORK_OF_LIST}) k`,
  `INSERT INTO offers (id, teacher_id, code, class_id, open, rules, created_at) SELECT id, '${teacherId}', substr(md5(id::text), 1, 10),
     class_id, true, '{"type":"link"}', now() - (k * 50 + n) * interval '1 day' FROM ofr`,
  `INSERT INTO offer_games (offer_id, position, game_version_id) SELECT id, 0, version_id FROM ofr`,
  `INSERT INTO participants (id, offer_id, seat, name, student_id)
     SELECT gen_random_uuid(), ofr.id, st.n, 'Student ' || st.n, st.id FROM ofr JOIN st ON st.class_id = ofr.class_id`,
  `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, state, "right", total, points,
     milliseconds, moves, started_at, moved_at, last_seen_at, ended_at, begun)
   SELECT gen_random_uuid(), p.offer_id, p.id, o.version_id, o.set_id, 1, '{}', p.seat % 12 + 3, ${ENTRIES}, 100, 90000, 17,
     now() - (o.k * 50 + o.n) * interval '1 day', now(), now(), now(), true
   FROM participants p JOIN ofr o ON o.id = p.offer_id`,
]

/** All responses in the order in which a school gives them: those of one play lie far apart. */
const RESPONSES = `SELECT y.id, q.entry_id, 'first', 0, CASE WHEN h % 10 < 7 THEN 'right' WHEN h % 10 < 9 THEN 'wrong' ELSE 'passed' END,
    CASE WHEN h % 10 < 7 THEN 'right' WHEN h % 10 < 9 THEN 'wrong' ELSE 'passed' END, true, 'given ' || h % 5,
    '{"type":"nothing"}', 10, 4000 + h, q.place, y.participant_id, y.started_at, h % 3 = 0, h % 50 > 0
  FROM plays y JOIN questions q ON q.set_id = y.question_set_id,
    LATERAL (SELECT abs(hashtext(y.id::text || q.entry_id::text)) % 1000 AS h) a ORDER BY h, y.id`
const COLUMNS = `play_id, entry_id, round, occasion, outcome, first_outcome, counts, given, detail, points, milliseconds, place,
  participant_id, at, is_first, reached`

const MARKS = `UPDATE plays y SET marks = m.marks FROM (SELECT r.play_id, string_agg(CASE WHEN NOT r.reached THEN '.'
    ELSE left(r.outcome, 1) END, '' ORDER BY r.place) AS marks FROM responses r GROUP BY r.play_id) m WHERE m.play_id = y.id`

/** Loads a school's record by COPY. */
async function load(server: TestServer, teacherId: string, classes: number): Promise<string[]> {
  const client = new pg.Client({ connectionString: server.databaseUrl })
  await client.connect()
  for (const statement of statements(teacherId, classes)) await client.query(statement)
  const { rows } = await client.query<{ id: string }>('SELECT id FROM c ORDER BY n LIMIT 3')
  await client.end()
  const folder = mkdtempSync(join(tmpdir(), 'otter-report-'))
  const file = join(folder, 'responses.copy')
  const run = (command: string): unknown =>
    execFileSync('psql', [server.databaseUrl, '-v', 'ON_ERROR_STOP=1', '-q', '-c', command], { stdio: 'pipe' })
  try {
    run(`\\copy (${RESPONSES.replace(/\s+/gu, ' ')}) TO '${file}'`)
    run('DROP INDEX responses_first')
    run(`\\copy responses (${COLUMNS.replace(/\s+/gu, ' ')}) FROM '${file}'`)
    run(MARKS.replace(/\s+/gu, ' '))
    run('VACUUM FULL ANALYZE plays')
    run('VACUUM ANALYZE')
  } finally {
    rmSync(folder, { recursive: true })
  }
  return rows.map(({ id }) => id)
}

/** Times of a report of 40 students × 60 pieces of work, in a school's record of so many classes. */
async function measured(classes: number): Promise<void> {
  const server = await startTestServer({ quiet: true })
  const { client, listId } = await teacherWithList(server.url, WORDS)
  const { teacherId: teacher } = (await server.database.lists.findByPk(listId, { raw: true }))!
  const [classId = '', longId = '', longestId = ''] = await load(server, teacher, classes)
  const pool = new pg.Pool({ connectionString: server.databaseUrl, max: 1 })
  const { rows } = await pool.query<{ responses: number; plays: number; of: number }>(
    `SELECT (SELECT count(*)::int FROM responses) AS responses, (SELECT count(*)::int FROM plays) AS plays,
       (SELECT count(*)::int FROM offers o JOIN plays y ON y.offer_id = o.id JOIN responses r ON r.play_id = y.id
         WHERE o.class_id = $1) AS of`,
    [classId],
  )
  // The tests' own client compares each reply with its description, which takes its time.
  const address = `${server.url}/reports?class=${classId}`
  const Cookie = client.cookie()
  const reply = await (await fetch(address, { headers: { Cookie } })).json()
  if (reply.students?.length !== STUDENTS || reply.works?.length !== MEASURED_WORK)
    throw new Error(JSON.stringify(reply).slice(0, 500))
  const times = await timesOf(async () => (await fetch(address, { headers: { Cookie } })).text())
  const bare = await timesOf(() =>
    pool.query(
      `SELECT r.entry_id, r.outcome, count(*) FROM offers o JOIN plays y ON y.offer_id = o.id
         JOIN responses r ON r.play_id = y.id WHERE o.class_id = $1 AND r.withdrawn_at IS NULL GROUP BY 1, 2`,
      [classId],
    ),
  )
  const { responses, plays, of } = rows[0]!
  console.log(
    `Report of ${STUDENTS} students × ${MEASURED_WORK} pieces of work (${of} responses) among ${responses} responses of ${plays} plays: ` +
      `p50 ${[...times].sort((a, b) => a - b)[times.length >> 1]!.toFixed(1)}, p95 ${percentile95(times).toFixed(1)} ms; ` +
      `a bare aggregate of the same ${percentile95(bare).toFixed(1)} ms`,
  )
  if (classes > 9) {
    await longer(`${server.url}/reports?class=${longId}`, Cookie, 'still told one by one')
    await longer(`${server.url}/reports?class=${longestId}`, Cookie, 'told in sums')
    await workbook(`${server.url}/reports/file?class=${longId}&what=workbook`, Cookie)
  }
  await pool.end()
  await server.close()
}

/** Times of a report of more work: the first look, and those after. */
async function longer(address: string, Cookie: string, what: string): Promise<void> {
  const began = performance.now()
  await (await fetch(address, { headers: { Cookie } })).text()
  const first = performance.now() - began
  const held = monitorEventLoopDelay({ resolution: 5 })
  held.enable()
  const times = await timesOf(async () => (await fetch(address, { headers: { Cookie } })).text())
  held.disable()
  console.log(
    `  a report ${what}: first ${first.toFixed(0)} ms, then p95 ${percentile95(times).toFixed(0)} ms; ` +
      `others wait ${(held.max / 1e6).toFixed(0)} ms for it at most`,
  )
}

/** Time and memory of a workbook of a hundred thousand responses, as a client takes it. */
async function workbook(address: string, Cookie: string): Promise<void> {
  const before = process.memoryUsage()
  let most = 0
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss - before.rss)), 20)
  const began = performance.now()
  const { body } = await fetch(address, { headers: { Cookie } })
  let bytes = 0
  const reader = body!.getReader()
  for (let piece = await reader.read(); !piece.done; piece = await reader.read()) bytes += piece.value.length
  clearInterval(watch)
  console.log(
    `  a workbook of it: ${(bytes / 1e6).toFixed(1)} MB in ${((performance.now() - began) / 1000).toFixed(1)} s, ` +
      `memory of server and client grew by ${(most / 1e6).toFixed(0)} MB at most`,
  )
}

/** A report in a record of a hundred thousand responses, and in one of a million. */
export async function benchReport(): Promise<void> {
  await measured(4)
  await measured(49)
}
