import { expect } from 'chai'
import fc from 'fast-check'
import {
  clockAt,
  GAME_KINDS,
  gameOf,
  newEntry,
  PuzzleError,
  randomFrom,
  upgradedPuzzle,
  type Beginning,
  type EntryList,
  type GameKind,
  type PlayClock,
  type Random,
  type Response,
  type When,
} from '../src/index.ts'
import { begin, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

/** Moves of each game, drawn without knowing the answers; some fit the moment, some don't. */
const MOVES: Record<GameKind, (below: (bound: number) => number) => object> = {
  wordsearch: (below) =>
    [
      { type: 'mark', from: { row: below(15), col: below(15) }, to: { row: below(15), col: below(15) } },
      { type: 'hint', item: below(12) },
    ][below(2)],
  crossword: (below) =>
    [
      { type: 'write', cells: [{ cell: below(200), letter: 'abcdefghij'[below(10)] }] },
      { type: 'check', scope: 'all', cell: 0, word: 0 },
      { type: 'hint', word: below(12) },
      { type: 'reveal', scope: ['letter', 'word'][below(2)], cell: below(200), word: below(12) },
    ][below(4)],
  bingo: (below) => [{ type: 'mark', place: below(25) }, { type: 'next' }, { type: 'claim' }][below(3)],
  hangman: (below) =>
    [{ type: 'guess', letter: 'abcdefghijklmnopqrstuvwxyz'[below(26)] }, { type: 'next' }, { type: 'hint' }][below(3)],
  pairs: (below) => ({ type: 'turn', card: below(16) }),
  matching: (below) =>
    [
      { type: 'join', left: below(7), right: below(7) },
      { type: 'part', left: below(7) },
      { type: 'check' },
      { type: 'next' },
    ][below(4)],
  unscramble: (below) =>
    [
      { type: 'lay', order: randomFrom(String(below(99))).shuffled([...Array(3 + below(5)).keys()]) },
      { type: 'hint' },
      { type: 'skip' },
      { type: 'next' },
    ][below(4)],
  flashcards: (below) => [{ type: 'turn' }, { type: 'rate', knew: below(3) > 0 }, { type: 'all' }][below(3)],
  quiz: (below) =>
    [
      { type: 'choose', choices: [below(4)] },
      { type: 'type', text: ['', 'bee', 'seven'][below(3)] },
      { type: 'claim', isTrue: below(2) === 0 },
      { type: 'hint' },
      { type: 'late' },
      { type: 'next' },
      { type: 'begin' },
    ][below(7)],
}

/** Options that make each game harder on its rules than the defaults. */
const OPTIONS: Record<GameKind, object[]> = {
  wordsearch: [{}, { show: 'clues' }],
  crossword: [{}],
  bingo: [{ size: 3 }, { size: 3, calling: 'device' }],
  hangman: [{}, { teams: 3, freeLetters: 1 }],
  pairs: [{}, { players: 3 }],
  matching: [{ rows: 4 }, { rows: 4, check: 'at-end' }],
  unscramble: [{}, { fixed: 'both' }],
  flashcards: [{}, { order: 'random' }],
  quiz: [
    {},
    { form: 'typed' },
    { form: 'mixed', seconds: 5, speed: 'strong', order: 'groups' },
    { form: 'true-false', second: false, cards: true, pass: 60 },
  ],
}

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
        answer: { text: repeats && random.below(4) === 0 ? words[0] : word },
        prompt: { text: `what is ${repeats ? random.below(5) : index}?` },
        hint: random.below(2) === 0 ? 'think' : '',
        groups: [['', 'one', 'two'][random.below(3)]].filter((group) => group !== ''),
        scored: random.below(8) > 0,
        choices: random.below(5) === 0 ? [{ text: 'wrong here', right: false }] : [],
      }),
    )
    return { list: { title: 'Any', answerLanguage: 'en', promptLanguage: 'en', entries } satisfies EntryList, ask }
  })

/**
 * Plays at random to the end, kept as JSON at each move as a database keeps it, and checks that results can be told
 * from the responses alone.
 */
function playOn(kind: GameKind, puzzle: unknown, random: Random, moves: number, seat: number): Response[] {
  const game = gameOf(kind)
  const beginning = (): Beginning => ({ random: randomFrom(`start ${moves}`), seat, now: 1e12 })
  const kept = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value
  let play = kept(game.start(puzzle, beginning()))
  const made: { move: unknown; at: When }[] = []
  const responses: Response[] = []
  let clock: PlayClock = { clock: 0, movedAt: 1e12 }
  for (let index = 0; index <= moves; index++) {
    const move = game.moves.parse(index === moves ? { type: 'finish' } : MOVES[kind](random.below.bind(random)))
    const now = clock.movedAt + [900, 1700, 5200, 3 * 24 * 3600_000][random.below(20) === 0 ? 3 : random.below(3)]
    clock = { clock: clockAt(clock, now, game.deadline?.(puzzle, play) ?? null), movedAt: now }
    const at = { clock: clock.clock, now }
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
  const asked = game.asked(puzzle, play)
  const counting = responses.filter(({ counts }) => counts)
  expect(finished).to.equal(true)
  expect([right, points, total]).to.deep.equal([
    counting.filter(({ outcome }) => outcome === 'right').length,
    counting.reduce((sum, response) => sum + response.points, bonus),
    asked.filter(({ counts }) => counts).length,
  ])
  expect(
    new Set(responses.map(({ entryId, round, occasion }) => `${entryId} ${round} ${occasion}`)).size,
    'each response has a key of its own',
  ).to.equal(responses.length)
  for (const { entryId, counts, outcome, points: earned, milliseconds: took, place, hints } of responses) {
    const question = asked.find((one) => one.entryId === entryId)
    expect(question, 'only what is asked is answered').not.to.equal(undefined)
    if (counts) expect([question?.counts, outcome]).to.satisfy(([own]: [boolean]) => own && outcome !== 'opinion')
    expect([earned, took, place, hints].every((number) => Number.isInteger(number) && number >= 0)).to.equal(true)
  }
  expect(milliseconds, 'days away from the page are no playing time').to.be.at.most((moves + 1) * 60_000)
  const after = game.move(puzzle, play, game.moves.parse({ type: 'finish' }), { clock: 9e9, now: 9e12 })
  expect([JSON.stringify(after.play), after.responses]).to.deep.equal([JSON.stringify(play), []])
  expect(JSON.stringify(game.view(puzzle, play))).to.be.a('string')
  return responses
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
          fc.constantFrom(...OPTIONS[kind]),
          fc.integer({ min: 1, max: 40 }),
          ({ list, ask }, seed, moves, own, seat) => {
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
            playOn(kind, stored, randomFrom(`play ${seed}`), moves, seat)
            if (game.onPaper) {
              const pages = [false, true].map((isKey) => game.sheet(stored, isKey))
              expect(pages[0].length).to.be.at.least(1)
              expect(JSON.stringify(pages)).not.to.include('undefined')
            }
          },
        ),
        { numRuns: kind === 'crossword' ? 6 : kind === 'bingo' ? 20 : 100 },
      )
    })
  }

  it('sends no answer before it was given or asked for', () => {
    const list: EntryList = {
      title: 'T',
      answerLanguage: 'en',
      promptLanguage: 'en',
      entries: WORDS.slice(0, 8).map((word, index) =>
        newEntry({ id: idOf(index), answer: { text: word }, prompt: { text: `what is ${index}?` } }),
      ),
    }
    const hidden: [GameKind, object][] = [
      ['crossword', {}],
      ['hangman', {}],
      ['quiz', { form: 'typed' }],
      ['unscramble', {}],
      ['flashcards', {}],
      ['pairs', {}],
      ['wordsearch', { show: 'clues' }],
    ]
    for (const [kind, options] of hidden) {
      const game = gameOf(kind)
      const puzzle = game.make(list, game.options.parse(options), randomFrom('secret'))
      const sent = JSON.stringify(game.view(puzzle, game.start(puzzle, begin('p')))).toLowerCase()
      for (const word of WORDS.slice(0, 8)) expect(sent, kind).not.to.include(word)
    }
    const quiz = gameOf('quiz')
    const puzzle = quiz.make(list, quiz.options.parse({}), randomFrom('secret'))
    expect(JSON.stringify(quiz.view(puzzle, quiz.start(puzzle, begin('p'))))).not.to.match(
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
      for (const own of OPTIONS[kind]) {
        const game = gameOf(kind)
        const puzzle = JSON.parse(
          JSON.stringify(game.make(list, game.options.parse(own), randomFrom('secret'))),
        ) as unknown
        let play = game.start(puzzle, begin('p'))
        const answered = new Set<string>()
        for (let made = 0; made < 60 && !game.score(puzzle, play).finished; made++) {
          const view = game.view(puzzle, play) as { turned?: boolean; phase?: string }
          const alts = [...JSON.stringify(view).matchAll(/"alt":"([^"]*)"/gu)].map(([, alt]) => alt.toLowerCase())
          // A card that was turned, and cards looked through beforehand, show both sides.
          if (view.turned !== true && view.phase !== 'cards') {
            for (const { id, answer } of entries)
              if (!answered.has(id))
                expect(
                  alts.filter((alt) => alt.includes(answer.text)),
                  `${kind} ${answer.text}`,
                ).to.deep.equal([])
          }
          const step = game.move(
            puzzle,
            play,
            game.moves.parse(MOVES[kind](random.below.bind(random))),
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
    expect(JSON.stringify(quiz.view(puzzle, play))).to.include('the É qamber')
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
      expect(JSON.stringify(game.view(mended, game.start(mended, begin('p')))), kind).not.to.match(/"alt":"a q/u)
      expect(JSON.stringify(game.view(bare, game.start(bare, begin('p')))), kind).to.match(/"alt":"a q/u)
    }
  })
})
