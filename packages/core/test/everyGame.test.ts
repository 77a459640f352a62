import { expect } from 'chai'
import fc from 'fast-check'
import { z } from 'zod'
import {
  clockAt,
  GAME_KINDS,
  gameOf,
  lastOfEach,
  newEntry,
  PLAIN_CONTEXT,
  PuzzleError,
  randomFrom,
  upgradedPuzzle,
  type Beginning,
  type PlayContext,
  type Turn,
  type EntryList,
  type GameKind,
  type PlayClock,
  type PlayRules,
  type Random,
  type Response,
  type Sight,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'
import type { QuizView } from '../src/games/quiz/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { idOf } from './sampleWords.ts'

const WORDS =
  'qamber qbasil qcedar qdune qember qfjord qgrotto qharbor qiris qjungle qkelp qlagoon qmeadow qnectar qoasis qpebble'.split(
    ' ',
  )

/** A list in which words and clues come in any mixture, some of them twice, with groups, hints and opinions. */
const anyList = fc
  .record({
    count: fc.integer({ min: 1, max: 14 }),
    seed: fc.string(),
    repeats: fc.boolean(),
    ask: fc.constantFrom('answer', 'prompt'),
  })
  .map(({ count, seed, repeats, ask }) => {
    const random = randomFrom(seed)
    const words = random.shuffled(WORDS).slice(0, count)
    const entries = words.map((word, index) =>
      newEntry({
        id: idOf(index),
        answer: { text: repeats && random.below(4) === 0 ? words[0]! : word },
        prompt: { text: `what is ${repeats ? random.below(5) : index}?` },
        hint: random.below(2) === 0 ? 'think' : '',
        groups: [['', 'one', 'two'][random.below(3)]!].filter((group) => group !== ''),
        scored: random.below(8) > 0,
        choices: random.below(5) === 0 ? [{ text: 'wrong here', right: false }] : [],
      }),
    )
    return { list: { title: 'Any', answerLanguage: 'en', promptLanguage: 'en', entries } satisfies EntryList, ask }
  })

/** What an offer can say, in any mixture. */
const anyRules = fc.record<PlayRules>({
  order: fc.constantFrom('made', 'mixed'),
  together: fc.boolean(),
  hints: fc.boolean(),
  second: fc.boolean(),
  telling: fc.constantFrom('at-once', 'at-end'),
})

/**
 * Plays at random to the end, kept as JSON at each move as a database keeps it, and checks that results can be told
 * from the responses alone.
 */
function playOn(kind: GameKind, puzzle: unknown, random: Random, moves: number, context: PlayContext): Response[] {
  const game = gameOf(kind)
  const beginning = (): Beginning => begin(`start ${moves}`, { ...context, now: 1e12 })
  const kept = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value
  let play = kept(game.start(puzzle, beginning()))
  const made: { move: unknown; at: Turn }[] = []
  const responses: Response[] = []
  let clock: PlayClock = { clock: 0, movedAt: 1e12 }
  for (let index = 0; index <= moves; index++) {
    const move = game.moves.parse(
      index === moves ? { type: 'finish' } : gameOf(kind).sample.move(random.below.bind(random)),
    )
    const now = clock.movedAt + [900, 1700, 5200, 3 * 24 * 3600_000][random.below(20) === 0 ? 3 : random.below(3)]!
    clock = { clock: clockAt(clock, now, game.timed?.deadline(puzzle, play, context) ?? null), movedAt: now }
    const at = { ...context, clock: clock.clock, now }
    const before = JSON.stringify(play)
    const step = game.move(puzzle, play, move, at)
    expect(JSON.stringify(play), 'a move changes no state but gives a new one').to.equal(before)
    if (JSON.stringify(step.play) !== before) made.push({ move: kept(move), at })
    else expect(step.responses, 'what changes nothing answers nothing').to.deep.equal([])
    play = kept(step.play)
    responses.push(...step.responses)
  }
  let again = game.start(puzzle, beginning())
  for (const { move, at } of made) again = game.move(puzzle, again, game.moves.parse(move), at).play
  expect(JSON.stringify(again), 'the moves lead to the same state again').to.equal(JSON.stringify(play))

  const { finished, right, total, points, bonus, milliseconds } = game.score(puzzle, play)
  const asked = game.questions(puzzle, play)
  // What teams answered can be judged anew: the last verdict holds.
  const holding = game.teams ? lastOfEach(responses) : responses
  const counting = holding.filter(({ counts }) => counts)
  expect(finished).to.equal(true)
  expect([right, points, total]).to.deep.equal([
    counting.filter(({ outcome }) => outcome === 'right').length,
    counting.reduce((sum, response) => sum + response.points, bonus),
    asked.filter(({ counts }) => counts).length,
  ])
  expect(
    new Set(holding.map(({ entryId, round, occasion }) => `${entryId} ${round} ${occasion}`)).size,
    'each response has a key of its own',
  ).to.equal(holding.length)
  for (const { entryId, counts, outcome, points: earned, milliseconds: took, place, hints } of responses) {
    const question = asked.find((one) => one.entryId === entryId)
    expect(question, 'only what is asked is answered').not.to.equal(undefined)
    if (counts) expect([question?.counts, outcome]).to.satisfy(([own]: [boolean]) => own && outcome !== 'opinion')
    expect([earned, took, place, hints].every((number) => Number.isInteger(number) && number >= 0)).to.equal(true)
  }
  expect(milliseconds, 'days away from the page are no playing time').to.be.at.most((moves + 1) * 60_000)
  const after = game.move(puzzle, play, game.moves.parse({ type: 'finish' }), { ...context, clock: 9e9, now: 9e12 })
  expect([JSON.stringify(after.play), after.responses]).to.deep.equal([JSON.stringify(play), []])
  expect(JSON.stringify(game.view(puzzle, play, LOOK))).to.be.a('string')
  return responses
}

/** Options with which a puzzle is made in a moment; how good it is matters elsewhere. */
function quick(kind: GameKind): object {
  return kind === 'crossword' ? { steps: 20_000 } : {}
}

describe('Every game', () => {
  for (const kind of GAME_KINDS) {
    it(`keeps the contract whatever is played: ${kind}`, function () {
      this.timeout(60_000)
      const game = gameOf(kind)
      fc.assert(
        fc.property(
          anyList,
          fc.nat(1000),
          fc.integer({ min: 0, max: 90 }),
          fc.constantFrom(...gameOf(kind).sample.options),
          fc.integer({ min: 1, max: 40 }),
          anyRules,
          ({ list, ask }, seed, moves, own, seat, rules) => {
            const options = game.options.parse({ ask, ...own })
            const make = (): unknown => game.make(list, options, randomFrom(String(seed)))
            let puzzle: unknown
            try {
              puzzle = make()
            } catch (error) {
              expect(error).to.be.instanceOf(PuzzleError)
              // Where it was ready, only the words themselves can stand in the way: crosswords without a letter in
              // common.
              expect(!game.fit(list, options).ready || kind === 'crossword' || kind === 'unscramble').to.equal(true)
              return
            }
            expect(game.fit(list, options).ready).to.equal(true)
            expect(JSON.stringify(make()), 'same seed, same puzzle').to.equal(JSON.stringify(puzzle))
            const stored = JSON.parse(JSON.stringify(puzzle)) as unknown
            playOn(kind, stored, randomFrom(`play ${seed}`), moves, { ...PLAIN_CONTEXT, seat, rules })
            if (game.onPaper) {
              const pages = [false, true].map((isKey) => game.sheet(stored, isKey))
              expect(pages[0]!.length).to.be.at.least(1)
              expect(JSON.stringify(pages)).not.to.include('undefined')
            }
          },
        ),
        { numRuns: runs(kind === 'crossword' ? 6 : kind === 'bingo' ? 20 : 100) },
      )
    })
  }

  /** Values that a part of a game's options can have: all where there are few, else the ends of what it allows. */
  function valuesOf(schema: z.core.JSONSchema.JSONSchema): unknown[] {
    if (schema.enum) return schema.enum
    if ('const' in schema) return [schema.const]
    if (schema.anyOf) return schema.anyOf.flatMap((part) => valuesOf(part as z.core.JSONSchema.JSONSchema))
    if (schema.prefixItems) return [[6, 9]]
    if (schema.type === 'boolean') return [false, true]
    if (schema.type === 'integer') return [schema.minimum, Math.min(schema.maximum ?? 0, 60)].filter(Number.isInteger)
    return schema.type === 'null' ? [null] : []
  }

  for (const kind of GAME_KINDS) {
    it(`keeps the contract with every option there is: ${kind}`, function () {
      this.timeout(60_000)
      const game = gameOf(kind)
      const { properties = {} } = z.toJSONSchema(game.options, { io: 'input', unrepresentable: 'any' })
      const choices = Object.entries(properties).flatMap(([name, schema]) =>
        valuesOf(schema as z.core.JSONSchema.JSONSchema).map((value) => ({ [name]: value })),
      )
      expect(choices.length).to.be.above(8)
      const words = [...WORDS, ...WORDS.map((word) => `${word.slice(1)}en`)]
      const list: EntryList = {
        ...fullList(),
        entries: words.map((word, index) =>
          newEntry({
            id: idOf(index),
            answer: { text: word },
            prompt: { text: `what is ${index}?` },
            hint: 'think',
            groups: [['one', 'two', 'three', 'four'][index % 4]!],
          }),
        ),
      }
      let played = 0
      for (const [index, choice] of choices.entries()) {
        const parsed = game.options.safeParse({ group: 'one', ...quick(kind), ...choice })
        // A number of steps beyond what is allowed is no option; all others are.
        expect(parsed.success || 'steps' in choice, JSON.stringify(choice)).to.equal(true)
        if (!parsed.success) continue
        const { ready, notes } = game.fit(list, parsed.data)
        if (!ready) {
          expect(notes.length, `${JSON.stringify(choice)} says why it can’t be`).to.be.above(0)
          expect(() => game.make(list, parsed.data, randomFrom('1'))).to.throw(PuzzleError)
          continue
        }
        const puzzle = JSON.parse(JSON.stringify(game.make(list, parsed.data, randomFrom('1')))) as unknown
        playOn(kind, puzzle, randomFrom(`play ${index}`), 25, PLAIN_CONTEXT)
        if (game.onPaper) expect(JSON.stringify(game.sheet(puzzle, false)), JSON.stringify(choice)).to.match(/"type"/u)
        played++
      }
      expect(played / choices.length, 'most of them make a game').to.be.above(0.8)
    })
  }

  /** A list that every game can be made of, with a hint to each word and everything at stake. */
  const fullList = (): EntryList => ({
    title: 'T',
    answerLanguage: 'en',
    promptLanguage: 'en',
    entries: WORDS.slice(0, 10).map((word, index) =>
      newEntry({
        id: idOf(index),
        answer: { text: word },
        prompt: { text: `what is ${index}?` },
        hint: 'think',
        groups: [['one', 'two', 'three'][index % 3]!],
      }),
    ),
  })
  /** Plays one game through under rules; returns its responses and how it stands. */
  function under(kind: GameKind, rules: Partial<PlayRules>, options: object, seed: string): Played {
    const game = gameOf(kind)
    const context = { ...PLAIN_CONTEXT, rules: { ...PLAIN_CONTEXT.rules, ...rules } }
    const puzzle = game.make(fullList(), game.options.parse({ ...quick(kind), ...options }), randomFrom('rules'))
    const random = randomFrom(seed)
    let play = game.start(puzzle, begin(seed, context))
    const responses: Response[] = []
    for (let made = 0; made < 500 && !game.score(puzzle, play).finished; made++) {
      const move = game.moves.parse(game.sample.move(random.below.bind(random)))
      const step = game.move(puzzle, play, move, when(made * 900, context))
      play = step.play
      responses.push(...step.responses)
    }
    return { responses, hints: game.score(puzzle, play).hints }
  }
  interface Played {
    responses: Response[]
    hints: number
  }

  for (const kind of GAME_KINDS) {
    it(`heeds the rules that it names, and no others: ${kind}`, () => {
      const { heeds, sample } = gameOf(kind)
      const seeds = ['1', '2', '3', '4', '5', '6']
      const all = (rules: Partial<PlayRules>): Played[] =>
        sample.options.flatMap((options) => seeds.map((seed) => under(kind, rules, options, seed)))
      const plain = all({})
      const isChanged = (rules: Partial<PlayRules>): boolean => JSON.stringify(all(rules)) !== JSON.stringify(plain)
      expect(isChanged({ order: 'mixed' })).to.equal(heeds.includes('order'))
      expect(isChanged({ hints: false })).to.equal(heeds.includes('hints'))
      expect(isChanged({ second: false })).to.equal(heeds.includes('second'))
      expect(isChanged({ telling: 'at-end' })).to.equal(heeds.includes('telling'))
      if (heeds.includes('hints'))
        for (const { hints, responses } of all({ hints: false }))
          expect([hints, ...responses.map((response) => response.hints)].every((count) => count === 0)).to.equal(true)
      if (heeds.includes('second'))
        for (const { responses } of all({ second: false }))
          expect(responses.every(({ round }) => round === 'first')).to.equal(true)
    })

    it(`ends when the host says so, and says what it is doing until then: ${kind}`, () => {
      const { doings, ...game } = gameOf(kind)
      const met = new Set<string>()
      for (const options of game.sample.options) {
        const puzzle = game.make(fullList(), game.options.parse({ ...quick(kind), ...options }), randomFrom('host'))
        const random = randomFrom('host')
        let play = game.start(puzzle, begin('host'))
        for (let made = 0; made < 500 && !game.score(puzzle, play).finished; made++) {
          const { code, values } = game.doing(puzzle, play)
          met.add(code)
          expect(Object.values(values).every((value) => typeof value === 'number' && value >= 0)).to.equal(true)
          const ended = game.end(puzzle, play, when(made * 1000))
          expect([game.score(puzzle, ended.play).finished, game.doing(puzzle, ended.play).code]).to.deep.equal([
            true,
            'done',
          ])
          const move = game.moves.parse(game.sample.move(random.below.bind(random)))
          play = game.move(puzzle, play, move, when(made * 1000)).play
        }
      }
      expect([...met].filter((code) => code !== 'done').sort()).to.deep.equal([...doings].sort())
    })
  }

  it('gives no notes but those that it names', () => {
    fc.assert(
      fc.property(anyList, ({ list, ask }) => {
        const blank = { ...list, entries: [...list.entries, newEntry({ id: idOf(90), answer: { text: '1' } })] }
        for (const kind of GAME_KINDS) {
          const game = gameOf(kind)
          for (const own of game.sample.options) {
            const { summary, notes } = game.fit(blank, game.options.parse({ ask, ...own }))
            expect(game.notes).to.include.members([summary, ...notes].map(({ code }) => code))
          }
        }
      }),
    )
  })

  it('shows the teacher the key, the wall the question, and the wall nothing that a student gave', () => {
    const quiz = gameOf('quiz')
    const puzzle = quiz.make(fullList(), quiz.options.parse({ form: 'typed', order: 'list' }), randomFrom('1'))
    const look = (play: unknown, audience: Sight['audience']): QuizView =>
      quiz.view(puzzle, play, { ...LOOK, audience }) as QuizView
    const begun = quiz.start(puzzle, begin('p'))
    expect([look(begun, 'player').key, look(begun, 'wall').key, look(begun, 'teacher').key]).to.deep.equal([
      [],
      [],
      [WORDS[0]],
    ])
    const { play } = quiz.move(puzzle, begun, { type: 'type', text: 'my guess' }, when(10))
    expect(JSON.stringify(look(play, 'player'))).to.include('my guess')
    expect(JSON.stringify(look(play, 'wall'))).not.to.include('my guess')
    expect(look(play, 'wall').told?.answers).to.deep.equal([WORDS[0]])
    expect(look(quiz.end(puzzle, play, when(20)).play, 'wall').review).to.deep.equal([])
  })

  it('sends no answer before it was given or asked for', () => {
    const list: EntryList = {
      title: 'T',
      answerLanguage: 'en',
      promptLanguage: 'en',
      entries: WORDS.slice(0, 8).map((word, index) =>
        newEntry({ id: idOf(index), answer: { text: word }, prompt: { text: `what is ${index}?` } }),
      ),
    }
    for (const kind of GAME_KINDS) {
      const game = gameOf(kind)
      if (game.sample.hidden === null) continue
      const puzzle = game.make(list, game.options.parse(game.sample.hidden), randomFrom('secret'))
      const sent = JSON.stringify(game.view(puzzle, game.start(puzzle, begin('p')), LOOK)).toLowerCase()
      for (const word of WORDS.slice(0, 8)) expect(sent, kind).not.to.include(word)
    }
    const quiz = gameOf('quiz')
    const puzzle = quiz.make(list, quiz.options.parse({}), randomFrom('secret'))
    expect(JSON.stringify(quiz.view(puzzle, quiz.start(puzzle, begin('p')), LOOK))).not.to.match(
      /"right":true|"answers":\["q/u,
    )
  })

  it('tells no answer by the words of a picture, on any side, in any reply before it is answered', () => {
    // Each entry is known by its answer and by another accepted spelling; pictures of both sides and of choices hold
    // one of them, in other letters.
    const entries = WORDS.slice(0, 9).map((word, index) =>
      newEntry({
        id: idOf(index),
        accepted: [`zz${word}`],
        hint: 'think',
        groups: [['one', 'two', 'three'][index % 3]!],
        answer: { text: word, picture: { id: idOf(100 + index), alt: `A small ZZ${word.toUpperCase()}`, credit: '' } },
        prompt: { text: `what is ${index}?`, picture: { id: idOf(200 + index), alt: `the É ${word}`, credit: '' } },
        choices:
          index % 3 === 0
            ? [
                { text: '', right: false, picture: { id: idOf(300 + index), alt: `not a ${word}`, credit: '' } },
                { text: 'other', right: false },
              ]
            : [],
      }),
    )
    const list: EntryList = { title: 'T', answerLanguage: 'en', promptLanguage: 'en', entries }
    const random = randomFrom('alts')
    for (const kind of GAME_KINDS) {
      for (const own of gameOf(kind).sample.options) {
        const game = gameOf(kind)
        const puzzle = JSON.parse(
          JSON.stringify(game.make(list, game.options.parse(own), randomFrom('secret'))),
        ) as unknown
        let play = game.start(puzzle, begin('p'))
        const answered = new Set<string>()
        for (let made = 0; made < 60 && !game.score(puzzle, play).finished; made++) {
          const view = game.view(puzzle, play, LOOK) as {
            turned?: boolean
            phase?: string
            question?: { revealed: boolean } | null
          }
          const alts = [...JSON.stringify(view).matchAll(/"alt":"([^"]*)"/gu)].map(([, alt]) => alt!.toLowerCase())
          // A card that was turned, cards looked through beforehand, and a question whose answer is shown tell it.
          const isShown = view.turned === true || view.phase === 'cards' || view.question?.revealed === true
          const hidden = isShown ? [] : entries.filter(({ id }) => !answered.has(id)).map(({ answer }) => answer.text)
          expect(
            alts.filter((alt) => hidden.some((text) => alt.includes(text))),
            kind,
          ).to.deep.equal([])
          const step = game.move(
            puzzle,
            play,
            game.moves.parse(gameOf(kind).sample.move(random.below.bind(random))),
            when(made * 1000),
          )
          play = step.play
          for (const { entryId } of step.responses) answered.add(entryId)
        }
      }
    }
    // The words are there again once the answer is known.
    const quiz = gameOf('quiz')
    const puzzle = quiz.make(list, quiz.options.parse({ order: 'list' }), randomFrom('1'))
    const { play } = quiz.move(puzzle, quiz.start(puzzle, begin('p')), { type: 'choose', choices: [0] }, when(0))
    expect(JSON.stringify(quiz.view(puzzle, play, LOOK))).to.include('the É qamber')
  })

  it('marks pictures of puzzles that were made before, by the texts that stand beside them', () => {
    for (const kind of ['quiz', 'hangman', 'matching', 'bingo', 'flashcards'] as const) {
      const game = gameOf(kind)
      const list: EntryList = {
        title: 'T',
        answerLanguage: 'en',
        promptLanguage: 'en',
        entries: WORDS.slice(0, 9).map((word, index) =>
          newEntry({
            id: idOf(index),
            answer: { text: word },
            prompt: { text: '', picture: { id: idOf(50 + index), alt: `a ${word}`, credit: '' } },
          }),
        ),
      }
      const bare = JSON.parse(
        JSON.stringify(
          game.make(list, game.options.parse(kind === 'bingo' ? { size: 3 } : {}), randomFrom('1')),
        ).replaceAll(',"tells":true', ''),
      ) as unknown
      const mended = upgradedPuzzle(game, bare, 1)
      expect(JSON.stringify(game.view(mended, game.start(mended, begin('p')), LOOK)), kind).not.to.match(/"alt":"a q/u)
      expect(JSON.stringify(game.view(bare, game.start(bare, begin('p')), LOOK)), kind).to.match(/"alt":"a q/u)
    }
  })
})
