import { randomUUID } from 'node:crypto'
import { GAME_KINDS, gameOf, newEntry, randomFrom, type GameKind } from '@otter/core'
import type { BingoPuzzle } from '@otter/core/games/bingo'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { SheetsTask } from '../src/workers/tasks.ts'
import { pagesOf } from './pdfPages.ts'
import { fileOf, startTestServer, teacherWithList, type Client, type TestServer } from './testServer.ts'

const WORDS =
  'otter pond river brood badger heron kelp mussel urchin salmon beaver marten plover curlew egret osprey minnow stoat shrimp limpet'.split(
    ' ',
  )

/** Returns the texts of a document's pages with the size of their type in points, and how many pages there are. */
async function linesOf(bytes: Buffer): Promise<{ items: { text: string; size: number }[]; pages: number }> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages = document.numPages
  const items: { text: string; size: number }[] = []
  for (let number = 1; number <= pages; number++)
    for (const item of (await (await document.getPage(number)).getTextContent()).items)
      if ('str' in item) items.push({ text: item.str, size: Math.abs(Number(item.transform[3])) })
  await document.destroy()
  return { items, pages }
}

describe('A printed game', () => {
  let server: TestServer
  let client: Client
  let listId: string
  before(async () => {
    server = await startTestServer()
    ;({ client, listId } = await teacherWithList(server.url, WORDS))
  })
  after(() => server.close())

  const print = async (kind: GameKind, more: object = {}): Promise<string[]> => {
    const queued = await client.call('POST', `/lists/${listId}/sheets`, { kind, seed: 'ink', ...more })
    expect(queued.status).to.equal(202)
    return pagesOf((await fileOf(client, queued)).bytes)
  }
  const puzzle = async <Puzzle>(kind: GameKind, options: object = {}): Promise<Puzzle> => {
    const { body: list } = await client.call('GET', `/lists/${listId}`)
    const game = gameOf(kind)
    return game.make(list, game.options.parse(options), randomFrom('ink')) as Puzzle
  }

  for (const kind of GAME_KINDS.filter((each) => gameOf(each).onPaper)) {
    it(`tells title, seed and what it is made of: ${kind}`, async () => {
      const pages = await print(kind, { code: 'KFTW73' })
      const text = pages.join(' ')
      for (const part of ['Words', 'Version code ink', '/p/KFTW73']) expect(text).to.include(part)
      const clues = WORDS.filter((_, index) => text.includes(`clue to ${index}`)).length
      const words = WORDS.filter((word) => text.toLowerCase().includes(word)).length
      expect(Math.max(clues, words), 'words or clues of the whole list').to.be.at.least(8)
    })
  }

  it('holds the letters of a word search, row by row, and on the key the same', async () => {
    const { rows } = await puzzle<WordSearchPuzzle>('wordsearch')
    const letters = rows.flat().join('')
    for (const page of await print('wordsearch')) expect(page.replaceAll(/\s/gu, '')).to.include(letters)
  })

  it('asks a quiz without its answers, and tells them on the key', async () => {
    const { questions } = await puzzle<QuizPuzzle>('quiz', { form: 'typed' })
    const pages = await print('quiz', { options: { form: 'typed' } })
    const sheet = pages.filter((page) => !page.includes('Key')).join(' ')
    const key = pages.filter((page) => page.includes('Key')).join(' ')
    expect(questions).to.have.length(WORDS.length)
    for (const [index, word] of WORDS.entries()) {
      expect(sheet).to.include(`clue to ${index}`).and.not.include(word)
      expect(key).to.include(word)
    }
  })

  it('is set in type that is read easily, larger for early readers, and keeps to its page', async () => {
    for (const kind of ['quiz', 'crossword', 'matching'] as const) {
      for (const [early, least] of [
        [false, 10],
        [true, 14],
      ] as const) {
        const queued = await client.call('POST', `/lists/${listId}/sheets`, {
          kind,
          seed: 'ink',
          key: false,
          options: { early, take: 'first', first: kind === 'matching' ? 8 : 10 },
        })
        const { items, pages } = await linesOf((await fileOf(client, queued)).bytes)
        const sizes = items.filter(({ text }) => text.startsWith('clue to')).map(({ size }) => size)
        expect(sizes.length, kind).to.be.at.least(8)
        expect(Math.min(...sizes), `${kind} ${early}`).to.be.at.least(least)
        expect(pages, `${kind} ${early}`).to.equal(1)
      }
    }
  })

  it('numbers its versions, each from a seed of its own, with every card of a bingo', async () => {
    const pages = await print('wordsearch', { versions: 3, key: false })
    expect(pages).to.have.length(3)
    pages.forEach((page, index) => {
      expect(page).to.include(index === 0 ? 'Version code ink' : `Version code ink-${index + 1}`)
      expect(page).to.include(`${index + 1} of 3`)
    })
    expect(new Set(pages.map((page) => page.replaceAll(/\s|ink|\d/gu, ''))).size).to.equal(3)
    const options = { cards: 5, size: 3, perPage: 2 }
    const { cards } = await puzzle<BingoPuzzle>('bingo', options)
    const bingo = (await print('bingo', { options })).join(' ')
    expect(cards).to.have.length(5)
    for (const word of WORDS) {
      const times = bingo.split(word).length - 1
      expect(times, `${word} is on its cards`).to.be.at.least(1)
    }
  })

  it('is printed as often as anybody wants, in any letters, by the same worker', async () => {
    const cards = gameOf('flashcards')
    const puzzleOf = (answer: string): unknown =>
      cards.make(
        {
          title: 'Words',
          answerLanguage: '',
          promptLanguage: '',
          entries: [newEntry({ id: randomUUID(), answer: { text: answer }, prompt: { text: 'what?' } })],
        },
        cards.options.parse({}),
        randomFrom('1'),
      )
    const task = (answer: string): SheetsTask => ({
      kind: 'flashcards',
      title: 'Words',
      seed: '1',
      rules: 1,
      early: false,
      puzzles: [puzzleOf(answer)],
      layout: { paper: 'a4', key: false, saveInk: false, language: 'en' },
      address: undefined,
      pictures: {},
    })
    for (let document = 1; document <= 45; document++) {
      const answer = document % 3 === 0 ? `蜂${String.fromCodePoint(0x4e00 + document)}` : `bee ${document}`
      const pdf = await server.workers.sheets(task(answer), new AbortController().signal)
      if (document % 15 === 0) expect((await pagesOf(Buffer.from(pdf))).join(' ')).to.include(answer)
    }
  })

  it('is worded in the teacher’s language, whatever the list’s', async () => {
    const [page = ''] = await print('wordsearch', { language: 'fr', key: false })
    expect(page).to.include('Nom').and.include('Date')
    const [hebrew = ''] = await print('wordsearch', { language: 'he', key: false })
    expect(/[\u0590-\u05ff]/u.test(hebrew)).to.equal(true)
    expect(hebrew).not.to.include('Name')
  })
}).timeout(300_000)
