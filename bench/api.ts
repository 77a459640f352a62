import { randomUUID } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import express from 'express'
import pg from 'pg'
import { fileOf, startTestServer, teacherWithList, WORDS } from '../packages/server/test/testServer.ts'
import { percentile95 } from './wordsearch.ts'

const REQUESTS = 400

async function timesOf(request: () => Promise<unknown>): Promise<number[]> {
  for (let warm = 0; warm < 50; warm++) await request()
  const times: number[] = []
  for (let index = 0; index < REQUESTS; index++) {
    const began = performance.now()
    await request()
    times.push(performance.now() - began)
  }
  return times
}

/** Time per request of the main routes, against a bare Express route with one SELECT in the same run. */
export async function benchApi(): Promise<void> {
  const server = await startTestServer({ quiet: true, workers: { threads: 2 } })
  const pool = new pg.Pool({ connectionString: process.env.TEST_CLUSTER_URL + '/postgres', max: 4 })
  const bare = express()
    .get('/', async (_request, response) => {
      response.json((await pool.query('SELECT 1 AS one')).rows)
    })
    .listen(0, '127.0.0.1')
  await new Promise((resolve) => bare.once('listening', resolve))
  const address = `http://127.0.0.1:${(bare.address() as AddressInfo).port}/`
  const { client, listId } = await teacherWithList(server.url, WORDS)
  const { body: link } = await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' })
  await client.call('POST', `/play/${link.code}/join`, { name: 'Bench' })
  let after = 0
  let version = 1
  const routes: [string, () => Promise<unknown>][] = [
    ['open a list', () => client.call('GET', `/lists/${listId}`)],
    [
      'save one row',
      () =>
        client.call('PATCH', `/lists/${listId}`, {
          version: version++,
          put: [{ id: randomUUID(), position: version, answer: { text: 'x' }, prompt: { text: '' } }],
        }),
    ],
    [
      'a student’s move',
      () =>
        client.call('POST', `/play/${link.code}/moves`, {
          attempt: 1,
          after: after++,
          move: { type: 'mark', from: { row: 0, col: 0 }, to: { row: 0, col: 1 } },
        }),
    ],
    ['results', () => client.call('GET', `/links/${link.id}/results`)],
  ]
  const base = await timesOf(async () => (await fetch(address)).text())
  console.log(
    `API, ${REQUESTS} requests one after another: p95 in ms,
      and as a multiple of a bare route with one SELECT (${percentile95(base).toFixed(2)} ms)`,
  )
  for (const [name, request] of routes) {
    const time = percentile95(await timesOf(request))
    console.log(`  ${name}: ${time.toFixed(2)} ms, ${(time / percentile95(base)).toFixed(1)} ×`)
  }

  for (const kind of ['wordsearch', 'crossword', 'quiz'] as const) {
    const began = performance.now()
    const { bytes } = await fileOf(
      client,
      await client.call('POST', `/lists/${listId}/sheets`, { kind, seed: '1', versions: 30, code: link.code }),
    )
    console.log(
      `PDF of 30 versions of a ${kind} and their keys: ${((performance.now() - began) / 1000).toFixed(1)} s, ${(bytes.length / 1e6).toFixed(2)} MB`,
    )
  }
  bare.close()
  bare.closeAllConnections()
  await Promise.all([pool.end(), server.close()])
}
