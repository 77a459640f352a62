import { randomUUID } from 'node:crypto'
import { spawn } from 'node:child_process'
import type { AddressInfo } from 'node:net'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import express from 'express'
import pg from 'pg'
import { Client, puzzleOf, rows, startTestServer, teacherWithList, WORDS } from '../packages/server/test/testServer.ts'

const PLAYERS = 300
const PACE = 2000
const SECONDS = 30

/** Value below which such a share of the numbers lies. */
function percentile(numbers: readonly number[], share: number): string {
  const sorted = [...numbers].sort((one, other) => one - other)
  return sorted[Math.min(sorted.length - 1, Math.ceil(sorted.length * share) - 1)]!.toFixed(1)
}

function told(name: string, times: readonly number[]): void {
  console.log(
    `  ${name}: ${times.length} requests, p50 ${percentile(times, 0.5)}, p95 ${percentile(times, 0.95)}, p99 ${percentile(times, 0.99)}, slowest ${percentile(times, 1)} ms`,
  )
}

/**
 * Lets each player make a request every two seconds, each at a moment of their own; returns the time of every request.
 */
async function paced(players: number, request: (player: number, turn: number) => Promise<unknown>): Promise<number[]> {
  const times: number[] = []
  await Promise.all(
    Array.from({ length: players }, async (_, player) => {
      const began = performance.now() + (player / players) * PACE
      for (let turn = 0; turn < (SECONDS * 1000) / PACE; turn++) {
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, began + turn * PACE - performance.now())))
        const asked = performance.now()
        await request(player, turn)
        times.push(performance.now() - asked)
      }
    }),
  )
  return times
}

/**
 * A whole school that plays at once, beside a bare route with one INSERT; and a class that presses at the same instant.
 */
export async function benchLoad(): Promise<void> {
  const server = await startTestServer({ quiet: true })
  const { client, listId } = await teacherWithList(server.url, WORDS)
  const { body: link } = await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' })
  const { words } = await puzzleOf<WordSearchPuzzle>(server, link.id)
  const moveOf = (turn: number): object => {
    const { row, col, dRow, dCol, length } = words[turn % words.length]!
    return turn < words.length - 1
      ? { type: 'mark', from: { row, col }, to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) } }
      : { type: 'mark', from: { row: 0, col: 0 }, to: { row: 0, col: 1 + (turn % 3) } }
  }
  const join = async (name: string): Promise<Client> => {
    const student = new Client(server.url)
    const { status, text } = await student.call('POST', `/play/${link.code}/join`, { name })
    if (status !== 201) throw new Error(text)
    return student
  }
  const send = async (student: Client, turn: number): Promise<void> => {
    const { status, text } = await student.call('POST', `/play/${link.code}/moves`, {
      id: randomUUID(),
      attempt: 1,
      move: moveOf(turn),
    })
    if (status !== 200) throw new Error(text)
  }

  const classroom = await Promise.all(Array.from({ length: 35 }, (_, index) => join(`Student ${index}`)))
  const spinning = [0, 1].map(() => spawn(process.execPath, ['-e', 'for (;;) Math.sqrt(2)']))
  const slowest: number[] = []
  try {
    for (let round = 0; round < 3; round++) {
      slowest.push(
        ...(await Promise.all(
          classroom.map(async (student) => {
            const asked = performance.now()
            await send(student, round)
            return performance.now() - asked
          }),
        )),
      )
    }
  } finally {
    for (const child of spinning) child.kill('SIGKILL')
  }
  console.log('A class of 35 that presses at the same instant, three times, with two processes spinning beside it')
  told('moves', slowest)

  const pool = new pg.Pool({ connectionString: server.databaseUrl, max: 10 })
  await pool.query(
    'CREATE TABLE bare (id uuid PRIMARY KEY, move jsonb NOT NULL, at timestamptz NOT NULL DEFAULT now())',
  )
  const bare = express()
    .use(express.json())
    .post('/', async (request, response) => {
      await pool.query('INSERT INTO bare (id, move) VALUES ($1, $2)', [randomUUID(), JSON.stringify(request.body)])
      response.json({ kept: true })
    })
    .listen(0, '127.0.0.1')
  await new Promise((resolve) => bare.once('listening', resolve))
  const address = `http://127.0.0.1:${(bare.address() as AddressInfo).port}/`
  console.log(`${PLAYERS} players, a move of each every ${PACE / 1000} s over HTTP for ${SECONDS} s`)
  const insert = await paced(PLAYERS, async (_, turn) =>
    (
      await fetch(address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(moveOf(turn)),
      })
    ).text(),
  )
  told('a bare route with one INSERT', insert)
  const students = [...classroom]
  // A link takes 90 who join from one address in a minute: all others are let in directly.
  await rows(server, 'DELETE FROM guesses')
  while (students.length < PLAYERS) {
    students.push(
      ...(await Promise.all(
        Array.from({ length: Math.min(50, PLAYERS - students.length) }, (_, index) =>
          join(`Student ${students.length + index}`),
        ),
      )),
    )
    await rows(server, 'DELETE FROM guesses')
  }
  told('moves', await paced(PLAYERS, (player, turn) => send(students[player]!, turn)))

  await benchResults(server, client, link.id)
  bare.close()
  bare.closeAllConnections()
  await pool.end()
  await server.close()
}

/** Results of a link that has been played ten thousand times. */
async function benchResults(
  server: Awaited<ReturnType<typeof startTestServer>>,
  client: Client,
  offerId: string,
): Promise<void> {
  await rows(
    server,
    `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, state, "right", total,
      points, milliseconds, started_at, moved_at, last_seen_at, moves, ended_at)
    SELECT gen_random_uuid(), y.offer_id, y.participant_id, y.game_version_id, y.question_set_id, y.rules, '{}', 7,
      y.total, 70, 60000, y.started_at + n * interval '1 minute', now(), now() - n * interval '7 minutes', 10, now()
    FROM plays y, generate_series(1, 33) n WHERE y.offer_id = $offerId`,
    { offerId },
  )
  await rows(
    server,
    `INSERT INTO responses (play_id, entry_id, outcome, first_outcome, counts, given, points, milliseconds, place,
      participant_id, at)
    SELECT y.id, q.entry_id, CASE WHEN q.place % 4 = 3 THEN 'wrong' ELSE 'right' END, 'right', true, q.text, 10, 4000,
      q.place, y.participant_id, now()
    FROM plays y JOIN questions q ON q.set_id = y.question_set_id WHERE y.offer_id = $offerId AND y.state = '{}'`,
    { offerId },
  )
  await rows(server, 'ANALYZE plays, responses, questions, participants')
  const { plays, responses } = (
    await rows<{ plays: number; responses: number }>(
      server,
      'SELECT (SELECT count(*)::int FROM plays) AS plays, (SELECT count(*)::int FROM responses) AS responses',
    )
  )[0]!
  const path = `/links/${offerId}/results`
  const first = await fetchTagged(client, path)
  const times: { whole: number[]; same: number[] } = { whole: [], same: [] }
  for (let turn = 0; turn < 20; turn++) {
    let began = performance.now()
    await client.call('GET', path)
    times.whole.push(performance.now() - began)
    began = performance.now()
    const { status } = await client.call('GET', path, undefined, { 'If-None-Match': first })
    if (status !== 304) throw new Error(`${status} where nothing has changed`)
    times.same.push(performance.now() - began)
  }
  console.log(`Results of a link with ${plays} plays and ${responses} responses`)
  told('all of them', times.whole)
  told('where nothing has changed', times.same)
}

async function fetchTagged(client: Client, path: string): Promise<string> {
  const { headers } = await client.call('GET', path)
  return headers.get('ETag') ?? ''
}
