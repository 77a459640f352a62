import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { FlashcardsOptions } from '../src/games/flashcards/index.ts'
import { MatchingOptions } from '../src/games/matching/index.ts'
import { PairsOptions } from '../src/games/pairs/index.ts'
import { UnscrambleOptions } from '../src/games/unscramble/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { flashcards } from '../src/games/flashcards/index.ts'
import type { FlashcardsPlay } from '../src/games/flashcards/play.ts'
import { matching } from '../src/games/matching/index.ts'
import { pairs } from '../src/games/pairs/index.ts'
import { faceOf } from '../src/games/pairs/puzzle.ts'
import { unscramble } from '../src/games/unscramble/index.ts'
import { idOf, sampleList } from './sampleWords.ts'

/** A list in which prompts and answers often come twice. */
const tangled = fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { minLength: 5, maxLength: 24 }).map((rows): EntryList => ({
  title: 'T',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: rows.map(([prompt, answer], index) =>
    newEntry({ id: idOf(index), prompt: { text: `p${prompt}` }, answer: { text: `a${answer}` } }),
  ),
}))

describe('Pairs and matching', () => {
  it('take every join of faces that belong together as right, and no such join is ever a dead end', () => {
    fc.assert(
      fc.property(tangled, fc.string(), (list, seed) => {
        const options = PairsOptions.parse({ pairs: 12 })
        if (!pairs.fit(list, options).ready) return
        const puzzle = pairs.make(list, options, randomFrom(seed))
        const known = new Set(list.entries.map(({ prompt, answer }) => `${prompt.text} ${answer.text}`))
        const random = randomFrom(seed)
        let play = pairs.start(puzzle, { ...begin('p'), random })
        // Joins at random whatever a listed pair allows, by what the cards show.
        for (;;) {
          const open = puzzle.cards.flatMap((card, index) =>
            play.found.some(({ cards }) => cards.includes(index))
              ? []
              : [{ index, side: card.side, text: faceOf(puzzle, card).text }],
          )
          const joins = open.flatMap((one) =>
            open
              .filter((two) => one.side === 'prompt' && two.side === 'answer' && known.has(`${one.text} ${two.text}`))
              .map((two) => [one.index, two.index]),
          )
          if (joins.length === 0) break
          for (const card of random.shuffled(joins[random.below(joins.length)]!))
            play = pairs.move(puzzle, play, { type: 'turn', card }, when(0)).play
        }
        expect(pairs.score(puzzle, play)).to.include({ finished: true, right: puzzle.couples.length })
        expect(new Set(play.found.flatMap(({ cards }) => cards)).size).to.equal(puzzle.cards.length)
      }),
      { numRuns: runs(1000) },
    )
  })

  it('say how many rows are asked, of all that there are', () => {
    fc.assert(
      fc.property(tangled, fc.string(), fc.integer({ min: 4, max: 8 }), (list, seed, rows) => {
        const options = MatchingOptions.parse({ rows })
        const { ready, summary, notes } = matching.fit(list, options)
        if (!ready) return
        const { rounds } = matching.make(list, options, randomFrom(seed))
        const asked = rounds.reduce((sum, { couples }) => sum + couples.length, 0)
        expect(asked).to.be.at.least(Number(summary.values.count))
        const left = notes.find(({ code }) => code === 'left-out')?.values.count ?? 0
        const repeats = notes.filter(({ code }) => code === 'repeat').length
        expect(Number(summary.values.count) + Number(left) + repeats).to.equal(list.entries.length)
      }),
    )
  })

  it('judge at once or at the end, and only the first line of a row counts', () => {
    const list = sampleList(7, 'm', 'en', 8)
    for (const check of ['at-once', 'at-end'] as const) {
      const puzzle = matching.make(list, MatchingOptions.parse({ rows: 4, check }), randomFrom('1'))
      expect(puzzle.rounds.map(({ couples }) => couples.length)).to.deep.equal([4, 3])
      let play = matching.start(puzzle, begin('p'))
      const outcomes: string[] = []
      const send = (move: Parameters<typeof matching.move>[2]): void => {
        const step = matching.move(puzzle, play, move, when(0))
        play = step.play
        outcomes.push(...step.responses.map(({ outcome, given }) => `${outcome} ${given}`))
      }
      const { couples, order } = puzzle.rounds[0]!
      send({ type: 'join', left: 0, right: order.indexOf(1) })
      if (check === 'at-once') {
        expect([outcomes, play.joins[0], play.wrong?.left]).to.deep.equal([
          [`wrong ${couples[1]!.answer.text}`],
          null,
          0,
        ])
        for (const left of couples.keys()) send({ type: 'join', left, right: order.indexOf(left) })
      } else {
        for (const left of [1, 2, 3]) send({ type: 'join', left, right: order.indexOf(left) })
        // The row that took its place lost it; one more line, and the round can be checked.
        send({ type: 'join', left: 0, right: order.indexOf(0) })
        expect(outcomes).to.deep.equal([])
        send({ type: 'check' })
      }
      expect(outcomes.filter((outcome) => outcome.startsWith('right')).length).to.equal(check === 'at-once' ? 3 : 4)
      expect(matching.view(puzzle, play, LOOK).done).to.equal(true)
      send({ type: 'next' })
      expect(matching.view(puzzle, play, LOOK)).to.include({ round: 2, done: false })
    }
  })
})

describe('Unscramble', () => {
  it('never shows the word, nor another one of the list, keeps what is fixed, and the pieces make the word', () => {
    const words = fc.array(
      fc.constantFrom(
        'listen',
        'silent',
        'enlist',
        'tinsel',
        'on',
        'no',
        'evil',
        'vile',
        'live',
        'aaa',
        'the bees make honey',
        'ab',
        'été',
        'double bass',
        'דבש',
      ),
      { minLength: 1, maxLength: 12 },
    )
    fc.assert(
      fc.property(
        words,
        fc.constantFrom('none', 'first', 'last', 'both'),
        fc.constantFrom('automatic', 'letters', 'words'),
        fc.string(),
        (texts, fixed, by, seed) => {
          const list: EntryList = {
            title: 'T',
            answerLanguage: '',
            promptLanguage: '',
            entries: texts.map((text, index) =>
              newEntry({ id: idOf(index), answer: { text }, prompt: { text: `clue ${index}` } }),
            ),
          }
          let puzzle
          try {
            puzzle = unscramble.make(list, UnscrambleOptions.parse({ fixed, by }), randomFrom(seed))
          } catch {
            return
          }
          for (const { pieces, mixed, text } of puzzle.items) {
            const shown = mixed.map((place) => pieces[place])
            expect(texts.map((own) => own.replaceAll(' ', ''))).not.to.include(shown.join(''))
            expect([...mixed].sort((one, two) => one - two)).to.deep.equal([...pieces.keys()])
            expect(pieces.join('').normalize()).to.equal(text.replaceAll(' ', '').normalize())
            if (fixed === 'first' || fixed === 'both') expect(shown[0]).to.equal(pieces[0])
            if (fixed === 'last' || fixed === 'both') expect(shown.at(-1)).to.equal(pieces.at(-1))
          }
        },
      ),
      { numRuns: runs(300) },
    )
  })

  it('takes the right order, counts wrong ones and pieces shown, and keeps what was tried', () => {
    const puzzle = unscramble.make(
      sampleList(3, 'u', 'en', 8),
      UnscrambleOptions.parse({ order: 'list' }),
      randomFrom('1'),
    )
    const orderOf = (item: number): number[] =>
      puzzle.items[item]!.pieces.map((_, place) => puzzle.items[item]!.mixed.indexOf(place))
    let play = unscramble.start(puzzle, begin('p'))
    const responses = [
      [
        { type: 'lay', order: [...puzzle.items[0]!.pieces.keys()] },
        { type: 'hint' },
        { type: 'lay', order: orderOf(0) },
        { type: 'next' },
        { type: 'lay', order: orderOf(1) },
        { type: 'next' },
        { type: 'skip' },
      ],
    ]
      .flat()
      .flatMap((move) => {
        const step = unscramble.move(puzzle, play, move as Parameters<typeof unscramble.move>[2], when(0))
        play = step.play
        return step.responses.map(({ outcome, points }) => `${outcome} ${points}`)
      })
    expect(responses).to.deep.equal(['right 7', 'right 10', 'passed 0'])
    expect(unscramble.score(puzzle, play)).to.include({ finished: true, right: 2, points: 17, hints: 1 })
  })
})

describe('Flashcards', () => {
  const DAY = 86_400_000
  const puzzle = flashcards.make(sampleList(4, 'f', 'en', 8), FlashcardsOptions.parse({}), randomFrom('1'))

  /** Studies until nothing is left; the cards of `unknown` are not known the first time. */
  function studied(
    at: number,
    unknown: readonly number[],
    before?: FlashcardsPlay,
  ): { play: FlashcardsPlay; order: number[] } {
    let play = flashcards.start(puzzle, begin('p', { now: at, memory: before?.memories }))
    const order: number[] = []
    for (let step = 0; !flashcards.score(puzzle, play).finished && play.queue.length > 0 && step < 40; step++) {
      const [card] = play.queue
      expect(flashcards.view(puzzle, play, LOOK).back).to.equal(null)
      expect(
        flashcards.move(puzzle, play, { type: 'rate', knew: true }, when(at)).play,
        'nobody knows a card unseen',
      ).to.equal(play)
      play = flashcards.move(puzzle, play, { type: 'turn' }, when(at)).play
      expect(flashcards.view(puzzle, play, LOOK).back?.text).to.equal(puzzle.cards[card!]!.back.text)
      play = flashcards.move(
        puzzle,
        play,
        { type: 'rate', knew: !unknown.includes(card!) || order.includes(card!) },
        when(at),
      ).play
      order.push(card!)
    }
    return { play, order }
  }

  it('bring back what was not known in the same play, and let what was known rest longer each time', () => {
    const first = studied(0, [1])
    expect(first.order).to.deep.equal([0, 1, 2, 3, 1])
    expect(flashcards.score(puzzle, first.play)).to.include({ finished: true, right: 3, total: 4 })
    const soon = flashcards.start(puzzle, begin('p', { now: 60_000, memory: first.play.memories }))
    expect([soon.queue.length, flashcards.view(puzzle, soon, LOOK).dueInDays]).to.satisfy(
      ([left, next]: [number, number | null]) => left < 4 && (left > 0 || next === 0),
    )
    expect(flashcards.move(puzzle, { ...soon, queue: [] }, { type: 'all' }, when(60_000)).play.queue.length).to.equal(4)
    const rests: number[] = []
    let { play } = first
    for (let visit = 0; visit < 5; visit++) {
      const at = Math.max(...Object.values(play.memories).map(({ due }) => due))
      play = studied(at, [], play).play
      rests.push((play.memories[puzzle.cards[0]!.entryId]!.due - at) / DAY)
    }
    expect(
      rests.every((rest, index) => rest <= 121 && (index === 0 || rest >= rests[index - 1]!)),
      rests.join(),
    ).to.equal(true)
    expect(rests[4]).to.be.above(10)
  })

  it('are printed with their backs mirrored, so that each lies behind its front', () => {
    for (const perPage of [4, 8, 16] as const) {
      const deck = {
        ...puzzle,
        perPage,
        cards: Array.from({ length: perPage + 1 }, (_, index) => ({
          ...puzzle.cards[0]!,
          front: { text: `f${index}` },
          back: { text: `b${index}` },
        })),
      }
      const pages = flashcards.sheet(deck, false).map(({ blocks: [block] }) => block)
      expect(pages.length).to.equal(4)
      const [front, back] = pages
      if (front!.type !== 'deck' || back!.type !== 'deck') throw new Error('no deck')
      front!.cells.forEach((cell, index) => {
        const row = Math.floor(index / front!.columns)
        const col = index % front!.columns
        expect(back!.cells[row * front!.columns + (front!.columns - 1 - col)]?.text).to.equal(
          cell?.text.replace('f', 'b'),
        )
      })
      const [fold] = flashcards.sheet({ ...deck, backs: 'fold' }, false)[0]!.blocks
      expect(fold!.type === 'deck' && fold!.cells.slice(0, 4).map((cell) => cell?.text)).to.deep.equal([
        'f0',
        'b0',
        'f1',
        'b1',
      ])
    }
  })
})

describe('A word to unscramble when the game is ended', () => {
  const list: EntryList = {
    title: 'T',
    answerLanguage: 'en',
    promptLanguage: 'en',
    entries: ['heron', 'otter'].map((text, index) =>
      newEntry({ id: idOf(index), answer: { text }, prompt: { text: 'what?' } }),
    ),
  }
  const puzzle = unscramble.make(list, UnscrambleOptions.parse({ by: 'letters', order: 'list' }), randomFrom('1'))
  const after = (moves: readonly object[]): string[] => {
    let play = unscramble.start(puzzle, begin('p'))
    const outcomes: string[] = []
    for (const move of moves) {
      const step = unscramble.move(puzzle, play, unscramble.moves.parse(move), when(5000))
      play = step.play
      outcomes.push(...step.responses.map(({ outcome, given, points }) => `${outcome} ${given} ${points}`))
    }
    expect(unscramble.score(puzzle, play).finished).to.equal(true)
    return outcomes
  }
  const solution = Array.from({ length: 5 }, (_, place) => puzzle.items[0]!.mixed.indexOf(place))

  it('is wrong where it was tried in vain, and not reached where it was not tried', () => {
    const [first, second, ...rest] = solution
    const wrong = { type: 'lay', order: [second, first, ...rest] }
    expect(after([wrong, { type: 'finish' }])).to.deep.equal(['wrong ehron 0'])
    expect(after([{ type: 'finish' }])).to.deep.equal([])
    expect(after([{ type: 'lay', order: solution }, { type: 'finish' }])).to.deep.equal(['right heron 10'])
    expect(after([{ type: 'skip' }, { type: 'finish' }])).to.deep.equal(['passed  0'])
  })
})
