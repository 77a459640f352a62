import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { askedList, newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { crossword, CrosswordOptions, searchCrossword, type CrosswordPuzzle } from '../src/games/crossword/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { faultsOf, smallestArea } from './crosswordChecker.ts'
import { idOf, listOf, sampleList } from './sampleWords.ts'

const few = CrosswordOptions.parse({ steps: 40_000 })

function made(list: EntryList, options: Partial<CrosswordOptions> = {}, seed = '1'): CrosswordPuzzle {
  return crossword.make(list, { ...few, ...options }, randomFrom(seed))
}

function answersOf(count: number, seed: string): string[] {
  return sampleList(count, seed, 'en', 10).entries.map(({ answer }) => answer.text)
}

describe('Crosswords', () => {
  it('keep the rules, whatever the words, the aim and the shape', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ unit: fc.constantFrom(...'abcde'), minLength: 2, maxLength: 7 }), {
          minLength: 2,
          maxLength: 14,
        }),
        fc.constantFrom('compact' as const, 'helpful' as const),
        fc.constantFrom('any' as const, 'square' as const, 'page' as const),
        fc.string(),
        (words, aim, shape, seed) => {
          const list = listOf(words)
          if (!crossword.fit(list, few).ready) return
          const puzzle = made(list, { aim, shape, steps: 10_000 }, seed)
          expect(faultsOf(puzzle)).to.deep.equal([])
          expect(puzzle.words.length + puzzle.unplaced.length).to.equal(words.length)
        },
      ),
      { numRuns: runs(100) },
    )
    for (const language of ['en', 'he', 'zh', 'ru'] as const) {
      for (const aim of ['compact', 'helpful'] as const)
        expect(faultsOf(made(sampleList(12, '3', language), { aim }))).to.deep.equal([])
    }
  })

  it('come out the same from the same words, aim, seed and steps, however the steps are cut', () => {
    const list = listOf(answersOf(24, '5'))
    for (const aim of ['compact', 'helpful'] as const) {
      const options = { ...few, aim, steps: 900_000 }
      const search = searchCrossword(list, options, randomFrom('7'))
      for (let steps = 1000; steps < options.steps; steps += 37_000) search.advance(steps)
      search.advance(options.steps)
      expect(search.puzzle()).to.deep.equal(made(list, options, '7'))
      expect(search.puzzle().rows * search.puzzle().cols).not.to.equal(
        made(list, { ...options, steps: 10_000 }, '7').rows,
      )
    }
  })

  it('are as small as can be where all can be tried', function () {
    this.timeout(60_000)
    const drawn = Array.from({ length: 7 }, (_, seed) =>
      sampleList(6, `all ${seed}`, 'en', 5).entries.map(({ answer }) => answer.text),
    )
    for (const words of [
      ...drawn,
      ['cat', 'tap', 'pot'],
      ['tone', 'open', 'nets', 'step'],
      ['to', 'or', 'tot', 'on', 'no'],
      ['bee', 'hive', 'web', 'wax', 'sting'],
      ['apple', 'pear', 'plum', 'lime', 'melon'],
    ]) {
      const puzzle = made(listOf(words), { steps: 400_000 })
      if (drawn.includes(words) && puzzle.unplaced.length > 0) continue
      expect(puzzle.unplaced).to.deep.equal([])
      const [short, long] = [puzzle.rows, puzzle.cols].sort((one, two) => one - two)
      expect(long! * Math.max(short!, Math.ceil(long! / 1.5)), words.join()).to.equal(smallestArea(words))
    }
  })

  it('fill their box well, and cross more where that is the aim', function () {
    this.timeout(60_000)
    const packs: number[] = []
    const crossings: number[] = []
    for (const seed of ['1', '2', '3']) {
      const words = answersOf(30, seed)
      const area = ({ rows, cols }: CrosswordPuzzle): number => rows * cols
      const compact = made(listOf(words), { steps: 1_500_000 }, seed)
      const helpful = made(listOf(words), { steps: 4_000_000, aim: 'helpful' }, seed)
      expect([compact.unplaced, helpful.unplaced]).to.deep.equal([[], []])
      expect(Math.max(compact.rows, compact.cols)).to.be.at.most(1.5 * Math.min(compact.rows, compact.cols) + 1)
      packs.push(words.join('').length / area(compact))
      crossings.push(helpful.crossings - compact.crossings)
    }
    expect(packs.reduce((sum, pack) => sum + pack) / 3).to.be.above(0.54)
    expect(crossings.reduce((sum, more) => sum + more)).to.be.above(3)
  })

  it('lay as many words where they are to be compact as where they are to be helpful', function () {
    this.timeout(240_000)
    const random = randomFrom('short words')
    const letters = 'abcdeilnorst'
    for (let round = 0; round < 6; round++) {
      const words = new Set<string>()
      while (words.size < 20)
        words.add(Array.from({ length: 3 + random.below(2) }, () => letters[random.below(letters.length)]!).join(''))
      const list = listOf([...words])
      const laid = (aim: 'compact' | 'helpful'): number =>
        made(list, { aim, steps: 1_500_000 }, String(round)).words.length
      expect(laid('compact'), [...words].join(' ')).to.be.at.least(laid('helpful'))
    }
  })

  it('keep pinned words where they are', () => {
    const list = listOf(answersOf(16, '9'))
    const first = made(list)
    const pins = first.words.slice(0, 3).map(({ entryId, row, col, dir }) => ({ entryId, row, col, dir }))
    const second = made(list, { pins }, '99')
    expect(faultsOf(second)).to.deep.equal([])
    const shifts = pins.map((pin) => {
      const word = second.words.find(({ entryId }) => entryId === pin.entryId)
      expect(word?.dir).to.equal(pin.dir)
      return `${(word?.row ?? 0) - pin.row} ${(word?.col ?? 0) - pin.col}`
    })
    expect(new Set(shifts).size).to.equal(1)
  })

  it('say why a word is left out, show how it is put together, and ask either side of a part of the list', () => {
    const listed = listOf(['ice cream', 'well-being', 'a', '', 'cream', 'cream', 'zzz', 'rice', 'cider'])
    const list = {
      ...listed,
      entries: listed.entries.map((entry) =>
        entry.answer.text === 'cider' ? { ...entry, prompt: { text: ' ' } } : entry,
      ),
    }
    const puzzle = made(list)
    expect(Object.fromEntries(puzzle.words.map(({ text, pattern }) => [text, pattern]))).to.deep.equal({
      'ice cream': '3,5',
      'well-being': '4-5',
      cream: '5',
      rice: '4',
    })
    expect(puzzle.unplaced.map(({ text, why }) => `${text} ${why}`)).to.have.members([
      'a too-short',
      ' empty',
      'cream repeat',
      'zzz no-shared-letter',
      'cider no-clue',
    ])
    const turned = listOf(['one', 'two', 'three']).entries.map((entry, index) =>
      newEntry({
        ...entry,
        id: idOf(index),
        prompt: { text: ['uno', 'dos', 'tres'][index]! },
        groups: [index === 0 ? 'odd' : ''],
      }),
    )
    const asked = askedList({ ...list, entries: turned }, { ...few, ask: 'prompt', take: 'first', first: 2 })
    expect(asked.entries.map(({ answer, prompt }) => `${answer.text} ${prompt.text}`)).to.deep.equal([
      'uno one',
      'dos two',
    ])
    expect(askedList({ ...list, entries: turned }, { ...few, take: 'group', group: 'odd' }).entries.length).to.equal(1)
  })

  it('are solved letter by letter, without an answer in what the player sees', () => {
    const list = listOf(['ice cream', 'rice', 'mice'])
    const puzzle = made(list)
    let play = crossword.start(puzzle, begin('p'))
    const cellsOfWord = (index: number): number[] =>
      puzzle.words[index]!.letters.map((_, at) =>
        puzzle.words[index]!.dir === 'across'
          ? puzzle.words[index]!.row * puzzle.cols + puzzle.words[index]!.col + at
          : (puzzle.words[index]!.row + at) * puzzle.cols + puzzle.words[index]!.col,
      )
    const write = (index: number, text: string[], at: number): ReturnType<typeof crossword.move> =>
      crossword.move(
        puzzle,
        play,
        { type: 'write', cells: cellsOfWord(index).map((cell, place) => ({ cell, letter: text[place]! })) },
        when(at),
      )
    const seen = JSON.stringify(crossword.view(puzzle, play, LOOK))
    for (const { text, letters } of puzzle.words)
      expect(seen.includes(text) || seen.includes(letters.join(''))).to.equal(false)

    let step = write(
      0,
      puzzle.words[0]!.letters.map(() => 'q'),
      1000,
    )
    expect(step.responses).to.deep.equal([])
    play = crossword.move(puzzle, step.play, { type: 'check', scope: 'word', cell: 0, word: 0 }, when(1500)).play
    expect(crossword.view(puzzle, play, LOOK).marks.filter((mark) => mark === 'wrong').length).to.equal(
      puzzle.words[0]!.letters.length,
    )
    step = write(
      0,
      puzzle.words[0]!.letters.map((letter) => letter.toLowerCase()),
      2000,
    )
    play = step.play
    expect(step.responses).to.have.length(1)
    expect(step.responses[0]).to.include({
      entryId: puzzle.words[0]!.entryId,
      outcome: 'right',
      given: puzzle.words[0]!.text,
      points: 10,
      hints: 0,
      place: 0,
      milliseconds: 2000,
    })
    step = crossword.move(puzzle, play, { type: 'reveal', scope: 'word', cell: 0, word: 1 }, when(3000))
    play = step.play
    expect(step.responses.map(({ outcome, given }) => [outcome, given])).to.deep.equal([['passed', '']])
    expect(crossword.score(puzzle, play)).to.include({ hints: 2, total: 3, finished: false })
    step = crossword.move(puzzle, play, { type: 'finish' }, when(4000))
    expect(step.responses, 'a word not filled in is not reached').to.deep.equal([])
    expect(crossword.score(puzzle, step.play).finished).to.equal(true)
    expect(crossword.view(puzzle, step.play, LOOK).clues.map(({ answer }) => answer?.text)).to.have.members([
      'ice cream',
      'rice',
      'mice',
    ])
  })
})
