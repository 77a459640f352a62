import { spawnSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { home } from '../install.mjs'
import { inLane } from '../testing/lane.mjs'

/** A game as small as one can be: it shows the prompt, and the answer is typed. */
const CORE = `import { z } from 'zod'
import { isEmptyEntry } from '../../list/entry.ts'
import type { Face } from '../../list/face.ts'
import { foldText } from '../../text/foldText.ts'
import { ASKING } from '../asking.ts'
import { PuzzleError } from '../contract.ts'
import { gameFrom } from '../game.ts'
import { Finish, type Course, type PlayLife } from '../playing.ts'
import { responseOf } from '../response.ts'
import { squareOf } from '../shownFace.ts'

const ToyOptions = z.strictObject({ ...ASKING, loud: z.boolean().default(false) })
type ToyOptions = z.infer<typeof ToyOptions>
const ToyMove = z.discriminatedUnion('type', [z.object({ type: z.literal('say'), text: z.string().max(200) }), Finish])
type ToyMove = z.infer<typeof ToyMove>
export interface ToyPuzzle {
  words: { entryId: string; text: string; prompt: Face }[]
  loud: boolean
}
export interface ToyPlay extends PlayLife {
  place: number
  right: number
}

const course: Course<ToyPuzzle, ToyPlay, ToyMove> = {
  start: () => ({ place: 0, right: 0 }),
  move: ({ words }, play, { text }, { clock }) => {
    const { entryId, text: answer } = words[play.place]!
    const isRight = foldText(text) === foldText(answer)
    return {
      play: { ...play, place: play.place + 1, right: play.right + (isRight ? 1 : 0) },
      responses: [
        responseOf({
          entryId,
          outcome: isRight ? 'right' : 'wrong',
          given: text,
          points: isRight ? 1 : 0,
          milliseconds: clock - play.lastAt,
          place: play.place,
        }),
      ],
      isOver: play.place === words.length - 1,
    }
  },
  finish: (_puzzle, play) => ({ play }),
  score: ({ words }, { right }) => ({ right, total: words.length, points: right }),
  doing: ({ words }, { place }) => ({ code: 'word', values: { number: place + 1, of: words.length } }),
}

/** Says a prompt, and hears the answer. */
export const toy = gameFrom({
  kind: 'toy',
  version: 1,
  upgrades: [],
  options: ToyOptions,
  moves: ToyMove,
  notes: ['ready', 'no-words'],
  doings: ['word'],
  heeds: [],
  dictionaries: [],
  sample: {
    options: [{}, { loud: true }],
    hidden: null,
    move: (below) => ({ type: 'say', text: ['', 'qamber', 'qbasil'][below(3)] }),
  },
  fit: (list) => {
    const count = list.entries.filter((entry) => !isEmptyEntry(entry) && entry.answer.text.trim() !== '').length
    return {
      ready: count > 0,
      summary: { code: count > 0 ? 'ready' : 'no-words', entryIds: [], values: { count } },
      notes: [],
    }
  },
  make: (list, { loud }: ToyOptions): ToyPuzzle => {
    const words = list.entries
      .filter(({ answer }) => answer.text.trim() !== '')
      .map(({ id, answer, prompt }) => ({ entryId: id, text: answer.text.trim(), prompt }))
    if (words.length === 0) throw new PuzzleError({ code: 'no-words', entryIds: [], values: {} })
    return { words, loud }
  },
  questions: ({ words }) => words.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: true,
  sheet: ({ words }, isKey) => [
    {
      blocks: [
        {
          type: 'items',
          columns: 1,
          items: words.map(({ text, prompt }, index) => ({
            ...squareOf(prompt),
            label: String(index + 1),
            note: '',
            answer: isKey ? text : '',
          })),
        },
      ],
    },
  ],
  view: ({ words, loud }, { place, finishedAt }) => ({
    prompt: words[place]?.prompt.text ?? '',
    loud,
    finished: finishedAt !== null,
  }),
  moment: (_puzzle, { place }) => String(place),
  course,
})
`

const PLAY = `import { useState } from 'react'
import { useTexts } from '../../texts/texts.ts'
import type { PlayProps } from '../contract.ts'
import { texts } from './texts.ts'

/** The toy as it is played. */
export function Play({ view, send }: PlayProps<{ prompt: string }, { type: 'say'; text: string }>) {
  const t = useTexts(texts)
  const [text, setText] = useState('')
  return (
    <form onSubmit={() => send({ type: 'say', text })}>
      <p>{view.prompt}</p>
      <input aria-label={t('answer')} value={text} onChange={(event) => setText(event.target.value)} />
    </form>
  )
}
`

const SCREENS = `import { Asking } from '@otter/core'
import type { TeacherScreens } from '../contract.ts'

/** The toy as teachers see it. */
export const screens: TeacherScreens<Asking, { words: unknown[] }> = {
  Options: () => null,
  Thumbnail: () => null,
  factsOf: ({ words }) => ({ code: 'facts', values: { count: words.length } }),
  small: (list) => ({ list, options: Asking.parse({}) }),
}
`

const TEXTS = `import type { Texts } from '../../texts/texts.ts'
import type en from './texts/en.json'

/** What is read in the toy. */
export const texts: Texts<typeof en> = { name: 'toy' }
`

/** Messages of a language, with the plural forms that it has. */
function messagesOf(language: string): string {
  const forms = language === 'he' ? ['one', 'two', 'other'] : ['one', 'other']
  const plural = (key: string): object => Object.fromEntries(forms.map((form) => [`${key}_${form}`, '{{count}}']))
  return JSON.stringify({
    name: 'Toy',
    answer: 'Answer',
    ...plural('facts'),
    note: { ...plural('ready'), 'no-words': 'None' },
    doing: { word: '{{number}} {{of}}' },
  })
}

describe('A tenth game', () => {
  const folder = mkdtempSync(join(tmpdir(), 'otter-tenth-'))
  const packages = join(folder, 'packages')
  const write = (path: string, text: string): void => {
    mkdirSync(join(packages, path, '..'), { recursive: true })
    writeFileSync(join(packages, path), text)
  }
  /** Puts a line into a registry before its first game's. */
  const register = (path: string, marker: string, lines: [before: string, after: string][]): void => {
    let text = readFileSync(join(packages, path), 'utf8')
    for (const [before, after] of lines) {
      expect(text, marker).to.include(before)
      text = text.replace(before, after)
    }
    writeFileSync(join(packages, path), text)
  }
  const run = (command: string, args: string[]): { status: number | null; said: string } => {
    const { status, stdout, stderr } = spawnSync(command, args, { cwd: folder, encoding: 'utf8' })
    return { status, said: stdout + stderr }
  }

  before(function () {
    this.timeout(60_000)
    for (const name of ['core', 'api', 'server', 'web'])
      cpSync(join(home, 'packages', name), join(packages, name), {
        recursive: true,
        filter: (path) => !/\/(node_modules|dist)$/u.test(path),
      })
    for (const name of ['tsconfig.base.json', 'package.json', 'package-lock.json', '.mocharc.json', 'scripts'])
      cpSync(join(home, name), join(folder, name), { recursive: true })
    // The packages of this house are those of the copy; all others are as they are.
    mkdirSync(join(folder, 'node_modules/@otter'), { recursive: true })
    for (const name of readdirSync(join(home, 'node_modules')))
      if (name !== '@otter') symlinkSync(join(home, 'node_modules', name), join(folder, 'node_modules', name))
    for (const name of readdirSync(packages)) {
      symlinkSync(join(packages, name), join(folder, 'node_modules/@otter', name))
      const modules = join(home, 'packages', name, 'node_modules')
      if (existsSync(modules)) symlinkSync(modules, join(packages, name, 'node_modules'))
    }
  })
  after(() => rmSync(folder, { recursive: true, force: true }))

  it('needs two folders, a name, and a line in each of the two registries', () => {
    write('core/src/games/toy/index.ts', CORE)
    write('web/src/games/toy/Play.tsx', PLAY)
    write('web/src/games/toy/screens.ts', SCREENS)
    write('web/src/games/toy/texts.ts', TEXTS)
    for (const language of ['en', 'es', 'fr', 'he'])
      write(`web/src/games/toy/texts/${language}.json`, messagesOf(language))
    register('core/src/games/kinds.ts', 'the kinds of games', [["  'unscramble',\n", "  'toy',\n  'unscramble',\n"]])
    register('core/src/games/index.ts', 'the registry of core', [
      ['import { unscramble }', "import { toy } from './toy/index.ts'\nimport { unscramble }"],
      ['  unscramble,\n', '  toy,\n  unscramble,\n'],
    ])
    register('web/src/games/teacher.ts', 'the registry of the web', [
      [
        'import { screens as unscramble }',
        "import { screens as toy } from './toy/screens.ts'\nimport { screens as unscramble }",
      ],
      ['  unscramble,\n', '  toy,\n  unscramble,\n'],
    ])
    // Types take long; the server knows no game by name, so that its own stand where those of the pages do.
    if (inLane(true, false)) return
    expect(run(process.execPath, ['node_modules/typescript-native/bin/tsc', '-b', 'packages/web']).said).to.equal('')
  }).timeout(180_000)

  it('keeps the contract, is worded, shared, played, printed, and made on the command line', () => {
    const files = [
      ...['core/test/everyGame.test.ts', 'web/test/texts.test.ts'],
      ...inLane([], ['server/test/games.test.ts']),
    ]
    const tested = run(process.execPath, [
      'scripts/testing/someTests.mjs',
      ': toy$|toy.json|word every note|no notes',
      ...files.map((path) => `packages/${path}`),
    ])
    expect([tested.status, /\b(\d+) passing/u.exec(tested.said)?.[1]], tested.said).to.deep.equal([0, inLane('7', '8')])
    write('list.tsv', 'otter\tholds hands\nseal\tsleeps in water\n')
    const made = run(process.execPath, ['scripts/generate.mjs', 'toy', join(packages, 'list.tsv'), '--seed', '4'])
    expect(JSON.parse(made.said)).to.include({ game: 'toy', seed: '4', loud: false })
  }).timeout(180_000)
})
