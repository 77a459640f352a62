import { randomUUID } from 'node:crypto'
import { gameOf, newEntry, randomFrom, type EntryList } from '@otter/core'
import { expect } from 'chai'
import { Problem } from '../src/problem.ts'
import { FairQueue, QueueFull } from '../src/workers/fairQueue.ts'
import { startWorkers } from '../src/workers/pool.ts'
import { wrapHan } from '../src/workers/wrapHan.ts'
import { fileOf, rows, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

const HAN =
  '天地人你我他一二三四五上下金木水火土日月对云雨风花鸟虫六七八九十爸妈马不画打棋鸡字词语句子桌纸文数学音乐妹奶白皮小桥台雪儿草家是车羊走也路灯秋气了树叶片大飞会个的船两头在里看见闪星江南可采莲鱼东西北尖说春青蛙夏弯地就冬男女开关正反远有色近听无声去还来多少黄牛只猫边鸭苹果杏桃书包尺作业本笔刀课早校明力尘从众双林森条心升国旗中红歌起么美丽立'
const han = (length: number, from: number): string =>
  Array.from({ length }, (_, index) => HAN[(index * 7 + from * 13) % HAN.length]).join('')

function listOf(count: number, answer: (index: number) => string, prompt: (index: number) => string): EntryList {
  return {
    title: 'List',
    answerLanguage: 'zh',
    promptLanguage: 'zh',
    entries: Array.from({ length: count }, (_, index) =>
      newEntry({ id: randomUUID(), answer: { text: answer(index) }, prompt: { text: prompt(index) } }),
    ),
  }
}

describe('Long work', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer({ connections: 4 })
  })
  after(() => server.close())

  it('says how far it has come, gives its file to its owner alone, and keeps it for an hour', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const queued = await client.call('POST', `/lists/${listId}/sheets`, { kind: 'wordsearch', seed: '1', versions: 8 })
    const seen: number[] = []
    for (let state = 'waiting'; state !== 'done';) {
      const { body } = await client.call('GET', `/jobs/${queued.body.id}`)
      state = body.state as string
      seen.push(body.progress as number)
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    expect(seen.every((progress, index) => index === 0 || progress >= seen[index - 1]!) && seen.at(-1) === 1).to.equal(
      true,
    )
    expect((await client.call('GET', `/jobs/${queued.body.id}/file`)).text.slice(0, 5)).to.equal('%PDF-')
    const { client: stranger } = await teacherWithList(server.url, [])
    for (const [method, path] of [
      ['GET', ''],
      ['GET', '/file'],
      ['DELETE', ''],
    ])
      expect((await stranger.call(method!, `/jobs/${queued.body.id}${path}`)).status).to.equal(404)
    const wrong = await client.call('POST', `/lists/${listId}/sheets`, {
      kind: 'wordsearch',
      seed: '1',
      options: { size: 'chosen', rows: 20, cols: 20, message: 'hi' },
    })
    await fileOf(client, wrong).then(
      () => expect.fail('no such puzzle'),
      (error: Error) => expect(error.message).to.include('"code":"message-length"'),
    )
  }).timeout(60_000)

  it('is stopped, is bounded for each teacher, and takes turns between them', async () => {
    const busy = await teacherWithList(server.url, WORDS)
    const other = await teacherWithList(server.url, WORDS)
    const long = { kind: 'crossword', seed: '1', versions: 30, options: { steps: 20_000_000 } }
    const quiz = async (): Promise<number> => {
      const began = performance.now()
      const link = { kind: 'quiz', seed: randomUUID() }
      const { status } = await other.client.call('POST', `/lists/${other.listId}/links`, link)
      expect(status).to.equal(201)
      return performance.now() - began
    }
    await quiz()
    const alone = await quiz()
    const first = await busy.client.call('POST', `/lists/${busy.listId}/sheets`, long)
    const more = await Promise.all(
      Array.from({ length: 6 }, () =>
        busy.client.call('POST', `/lists/${busy.listId}/sheets`, { kind: 'quiz', seed: '1' }),
      ),
    )
    const taken = more.filter(({ status }) => status === 202)
    expect(taken).to.have.length(4)
    expect(more.find(({ status }) => status === 429)?.body.title).to.match(/Wait for them/)
    // A puzzle is made meanwhile, on threads of its own: quick work is never behind slow work.
    expect(await quiz()).to.be.below(6 * alone + 800)
    // Another teacher's file is made while the long one is being worked on, and before what else the first one wants.
    await fileOf(
      other.client,
      await other.client.call('POST', `/lists/${other.listId}/sheets`, { kind: 'quiz', seed: '1' }),
    )
    expect((await busy.client.call('GET', `/jobs/${first.body.id}`)).body.state).to.equal('running')
    const open = await Promise.all(
      taken.map(async ({ body }) => (await busy.client.call('GET', `/jobs/${body.id}`)).body.state as string),
    )
    expect(new Set(open)).to.deep.equal(new Set(['waiting']))
    for (const { body } of [first, ...taken]) await busy.client.call('DELETE', `/jobs/${body.id}`)
    expect((await busy.client.call('GET', `/jobs/${first.body.id}`)).body.state).to.equal('stopped')
  }).timeout(120_000)

  it('is taken up again where its server was killed, and given up after a few tries', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const queue = (tries: number): Promise<{ id: string }[]> =>
      rows<{ id: string }>(
        server,
        `INSERT INTO jobs (id, teacher_id, kind, task, state, tries, started_at, seen_at) SELECT gen_random_uuid(),
          teacher_id, 'sheets', $task::jsonb, 'running', $tries, now(), now() - interval '1 minute' FROM lists
          WHERE id = $listId RETURNING id`,
        {
          listId,
          tries,
          task: JSON.stringify({
            listId,
            sheets: { kind: 'quiz', seed: '1', options: gameOf('quiz').options.parse({}) },
          }),
        },
      )
    const [lost] = await queue(1)
    const [hopeless] = await queue(3)
    // Any new job makes the server look.
    await fileOf(client, await client.call('POST', `/lists/${listId}/sheets`, { kind: 'quiz', seed: '1' }))
    for (let state = ''; state !== 'done';) {
      state = (await client.call('GET', `/jobs/${lost!.id}`)).body.state as string
      expect(state).not.to.equal('failed')
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
    expect((await client.call('GET', `/jobs/${hopeless!.id}`)).body).to.include({ state: 'failed' })
  }).timeout(60_000)

  it('ends where it takes too long or too much, with a sentence, and the next is made', async () => {
    const workers = startWorkers({ threads: 1, makeLimit: 700 })
    const list = listOf(
      40,
      (index) =>
        `${['amber', 'basil', 'cedar', 'delta'][index % 4]}${'abcdefghij'[index % 10]}${'klmnopqrst'[(index * 3) % 10]}`,
      (index) => `clue ${index}`,
    )
    const options = gameOf('crossword').options.parse({ steps: 60_000_000 })
    const error = await workers
      .make({ kind: 'crossword', list, options, seed: '1' }, 'teacher')
      .catch((thrown: unknown) => thrown)
    expect(error).to.be.instanceOf(Problem)
    expect((error as Problem).message).to.match(/too much at once/)
    const left = new AbortController()
    const waiting = workers
      .make({ kind: 'crossword', list, options, seed: '1' }, 'teacher', left.signal)
      .catch((thrown: unknown) => thrown)
    left.abort(new Error('gone'))
    expect(((await waiting) as Error).message).to.equal('gone')
    expect(
      await startWorkers({ threads: 1 }).make(
        { kind: 'quiz', list, options: gameOf('quiz').options.parse({}), seed: '1' },
        'teacher',
      ),
    ).to.be.an('object')
    await workers.close()
  }).timeout(60_000)

  it('prints Chinese in about the time of Latin letters of equal length, and breaks its lines', async () => {
    const workers = startWorkers({ threads: 1 })
    const timed = async (list: EntryList): Promise<{ seconds: number; size: number }> => {
      const began = performance.now()
      const quiz = gameOf('quiz')
      const pdf = await workers.sheets(
        {
          kind: 'quiz',
          title: list.title,
          seed: '1',
          rules: 1,
          early: false,
          puzzles: [quiz.make(list, quiz.options.parse({}), randomFrom('1'))],
          layout: { paper: 'a4', key: true, saveInk: false, language: 'en' },
          address: undefined,
          pictures: {},
        },
        new AbortController().signal,
      )
      return { seconds: (performance.now() - began) / 1000, size: pdf.length }
    }
    const letters = 'abcdefghijklmnopqrstuvwxyz'
    const latin = listOf(
      60,
      (index) => `${letters[index % 26]}${letters[(index * 7) % 26]}mi${index}`,
      (index) => `what can be the word ${index}?`,
    )
    await timed(latin)
    const plain = await timed(latin)
    const chinese = await timed(
      listOf(
        60,
        (index) => han(5, index + 1),
        (index) => han(22, index + 2),
      ),
    )
    expect(chinese.seconds).to.be.below(2 * plain.seconds + 0.5)
    expect(chinese.size).to.be.below(1_000_000)
    const long = await timed(
      listOf(
        30,
        (index) => han(6, index + 1),
        (index) => han(1980, index + 2),
      ),
    )
    expect(long.seconds).to.be.below(10)
    await workers.close()
    const sentence = `${han(100, 3)}。${han(30, 4)}`
    const lines = wrapHan(sentence, 24).split('\n')
    expect(lines.join('')).to.equal(sentence)
    expect(lines.every((line) => line.length <= 24 && !line.startsWith('。'))).to.equal(true)
    expect(wrapHan('no letters of that kind at all, however long', 5)).not.to.include('\n')
  }).timeout(120_000)
})

describe('A fair queue', () => {
  it('takes turns between those who ask, bounds what each has waiting, and forgets who has left', async () => {
    const queue = new FairQueue(1, 3)
    const order: string[] = []
    const piece = (name: string) => async (): Promise<void> => {
      order.push(name)
      await new Promise((resolve) => setTimeout(resolve, 1))
    }
    const left = new AbortController()
    const all = [
      queue.run('a', piece('a1')),
      queue.run('a', piece('a2')),
      queue.run('a', piece('a3')),
      queue.run('b', piece('b1')),
      queue.run('c', piece('c1'), left.signal),
      queue.run('b', piece('b2')),
      queue.run('a', piece('a4')),
    ]
    const full = await queue.run('a', piece('a5')).catch((error: unknown) => error)
    expect(full).to.be.instanceOf(QueueFull)
    left.abort(new Error('gone'))
    const ends = await Promise.allSettled(all)
    expect(ends.map(({ status }) => status).filter((status) => status === 'rejected')).to.have.length(1)
    expect(order).to.deep.equal(['a1', 'a2', 'b1', 'a3', 'b2', 'a4'])
    await queue.run('d', piece('d1'))
    expect(order.at(-1)).to.equal('d1')
  })

  it('lets nobody wait behind another’s hundred pieces', async () => {
    const random = randomFrom('fair')
    const queue = new FairQueue(2, 200)
    const order: string[] = []
    const run = (who: string): Promise<void> =>
      queue.run(who, async () => {
        order.push(who)
        await new Promise((resolve) => setTimeout(resolve, random.below(2)))
      })
    await Promise.all([...Array.from({ length: 100 }, () => run('many')), run('one'), run('two')])
    expect(Math.max(order.indexOf('one'), order.indexOf('two'))).to.be.below(6)
  })
})
