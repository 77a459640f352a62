import { randomUUID } from 'node:crypto'
import { randomFrom } from '@otter/core'
import { expect } from 'chai'
import { inLane } from '../../../scripts/testing/lane.mjs'
import { Client, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

/** Values that somebody's script, a broken device or an attacker sends. */
const NASTY: readonly unknown[] = [
  null,
  true,
  false,
  0,
  -1,
  1.5,
  2 ** 31,
  2 ** 53,
  -(2 ** 63),
  1e308,
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  'a\udfffb',
  '\uffff',
  '\u202eabc',
  '\u200b',
  '👩‍👩‍👧',
  'x'.repeat(5000),
  'é'.repeat(300),
  "' OR 1=1 --",
  '$1',
  '$teacherId',
  '%00',
  '../../etc/passwd',
  '=1+1',
  '__proto__',
  'constructor',
  '1e400',
  'NaN',
  '00000000-0000-0000-0000-000000000000',
  '2024-01-01',
  [],
  [null],
  [[[]]],
  ['a', 'a'],
  {},
  { toString: 1 },
  { text: { text: {} } },
  Array.from({ length: 300 }, () => 'x'),
  JSON.parse('{"__proto__": {"admin": true}}'),
]
/** Addresses' parts that decode to nothing sensible. */
const ODD_PARTS = [
  '%',
  '%00',
  '%ff',
  '%c3%28',
  '%u0041',
  '..%2f..',
  'ABC%0a',
  '%F0%9F%90%9D',
  'x'.repeat(3000),
  "'",
  '%27%20OR%201=1',
  'null',
  '-1',
  '%ed%a0%80',
]

/** Returns a body with the value at one of its paths replaced. */
function withValue(body: unknown, path: readonly (string | number)[], value: unknown): unknown {
  if (path.length === 0) return value
  const [first, ...rest] = path
  const copy = (Array.isArray(body) ? [...(body as unknown[])] : { ...(body as object) }) as Record<
    string | number,
    unknown
  >
  copy[first!] = withValue(copy[first!], rest, value)
  return copy
}

function pathsOf(body: unknown, path: readonly (string | number)[] = []): (string | number)[][] {
  const inner =
    typeof body === 'object' && body !== null
      ? Object.entries(body).flatMap(([name, value]) =>
          pathsOf(value, [...path, Array.isArray(body) ? Number(name) : name]),
        )
      : []
  return [[...path], ...inner]
}

describe('Nasty values', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer({ quiet: true })
  })
  after(() => server.close())

  it('are answered on every route, with a sentence and never with a 500', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const shared = async (kind: string): Promise<{ id: string; code: string }> =>
      (await client.call('POST', `/lists/${listId}/links`, { kind, seed: '1' })).body as { id: string; code: string }
    const quiz = await shared('quiz')
    const crossword = await shared('crossword')
    const student = new Client(server.url)
    for (const { code } of [quiz, crossword]) await student.call('POST', `/play/${code}/join`, { name: 'Ada' })
    const {
      body: {
        participants: [{ participantId }],
        questions: [{ entryId }],
      },
    } = await client.call('GET', `/links/${quiz.id}/results`)
    const entry = {
      id: randomUUID(),
      position: 1,
      answer: { text: 'a', picture: { id: randomUUID(), alt: 'x' } },
      prompt: { text: 'b', sound: { id: randomUUID(), milliseconds: 1 } },
      accepted: ['c'],
      choices: [{ text: 'd', right: false }],
      hint: 'h',
      groups: ['g'],
      worth: 1,
      seconds: 1,
      scored: true,
      standards: ['s'],
    }
    const moved = (move: object): object => ({
      id: randomUUID(),
      attempt: 1,
      after: 0,
      for: '1 10 asking',
      madeAt: 1,
      move,
    })
    const options = { ask: 'answer', take: 'all', form: 'typed', choices: 4, seconds: 5, order: 'list' }
    const routes: [Client, string, string, unknown][] = [
      [
        client,
        'POST',
        '/lists',
        { title: 't', answerLanguage: 'en', tags: ['x'], cover: { id: randomUUID(), alt: '' }, folder: 'f' },
      ],
      [client, 'PATCH', `/lists/${listId}`, { version: 1, title: 't', put: [entry], remove: [randomUUID()] }],
      [client, 'PUT', `/lists/${listId}/archived`, { archived: false }],
      [
        client,
        'POST',
        `/lists/${listId}/links`,
        { kind: 'quiz', seed: '1', options, name: 'n', requestId: randomUUID() },
      ],
      [client, 'PATCH', `/links/${quiz.id}`, { open: true, name: 'x' }],
      [client, 'PATCH', `/links/${quiz.id}/participants/${participantId}`, { name: 'Ada', removed: false }],
      [client, 'PUT', `/links/${quiz.id}/participants/${participantId}/merged`, { into: null }],
      [client, 'PATCH', '/session', { name: 'n', language: 'en', timeZone: 'Europe/Paris' }],
      [client, 'PUT', '/account/password', { password: 'wrong one', newPassword: 'a new long password' }],
      [new Client(server.url), 'PUT', '/password-resets', { token: 'x', password: 'a new long password' }],
      [client, 'POST', '/media/gallery', { set: 'flat', name: 'otter', alt: 'a' }],
      [client, 'POST', '/gallery/suggestions', { language: 'en', words: ['bee'] }],
      [new Client(server.url), 'POST', '/session', { email: 'nobody@school.example', password: 'x' }],
      [new Client(server.url), 'POST', '/teachers', { name: 'n', email: 'not an address', password: 'y' }],
      [new Client(server.url), 'POST', `/play/${quiz.code}/join`, { name: 7, keep: 'page' }],
      [student, 'POST', `/play/${quiz.code}/moves`, moved({ type: 'type', text: 'x' })],
      [student, 'POST', `/play/${quiz.code}/moves`, moved({ type: 'choose', choices: [0] })],
      [student, 'POST', `/play/${crossword.code}/moves`, moved({ type: 'write', cells: [{ cell: 1, letter: 'a' }] })],
      [student, 'POST', `/play/${crossword.code}/moves`, moved({ type: 'check', scope: 'all', cell: 1, word: 1 })],
    ]
    const requests: (() => Promise<void>)[] = []
    const ask = (who: Client, method: string, path: string, body?: unknown): void => {
      requests.push(async () => {
        const reply = await who.call(method, path, body)
        const what = `${method} ${path} ${JSON.stringify(body)?.slice(0, 300)}: ${reply.status} ${reply.text.slice(0, 200)}`
        expect(reply.status, what).to.be.below(500)
        if (reply.status >= 400)
          expect([reply.type.includes('problem+json'), String(reply.body.title).length > 10], what).to.deep.equal([
            true,
            true,
          ])
      })
    }
    for (const [who, method, path, body] of routes) {
      const random = randomFrom(`${method} ${path.replaceAll(/[\da-f-]{36}/gu, 'id')}`)
      for (const at of pathsOf(body))
        for (const value of NASTY)
          if (random.below(inLane(4, 1)) === 0) ask(who, method, path, withValue(body, at, value))
      // Two at once are nasty in another way.
      const paths = pathsOf(body)
      for (let more = 0; more < 25; more++)
        ask(
          who,
          method,
          path,
          withValue(
            withValue(body, paths[random.below(paths.length)]!, NASTY[random.below(NASTY.length)]),
            paths[random.below(paths.length)]!,
            NASTY[random.below(NASTY.length)],
          ),
        )
    }
    for (const part of ODD_PARTS) {
      for (const path of [
        `/lists/${part}`,
        `/links/${part}/results`,
        `/play/${part}`,
        `/media/${part}`,
        `/gallery/${part}/${part}`,
        `/jobs/${part}`,
        `/links/${quiz.id}/questions/${part}`,
        `/gallery?word=${part}&most=${part}`,
        `/${part}`,
      ])
        ask(client, 'GET', path)
      for (const path of [`/play/${part}/join`, `/play/${part}/moves`, `/play/${part}/again`, `/play/${part}/leave`])
        ask(student, 'POST', path, { name: 'x', attempt: 1, after: 0, move: {} })
    }
    for (const raw of [
      '{',
      '[',
      '"x"',
      '{"a":1}}',
      '\u0000',
      '{"title": "\\ud800"}',
      '{"title": "\\u0000"}',
      `${'['.repeat(5000)}`,
    ])
      for (const [who, method, path] of routes) ask(who, method, path, raw)
    expect(requests.length).to.be.at.least(inLane(1_800, 4_500))
    const waiting = requests.values()
    await Promise.all(
      Array.from({ length: 24 }, async () => {
        for (const request of waiting) await request()
      }),
    )
    expect((await client.call('GET', `/links/${quiz.id}/questions/${entryId}`)).status).to.equal(200)
  }).timeout(240_000)
})
