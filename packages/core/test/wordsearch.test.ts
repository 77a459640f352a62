import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { PuzzleError, randomFrom, type EntryList } from '../src/index.ts'
import { wordsearch, WordSearchOptions, type WordSearchPuzzle } from '../src/games/wordsearch/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { faultsOf, spareLetters } from './gridChecker.ts'
import { idOf, listOf, sampleList, type SampleLanguage } from './sampleWords.ts'

type Given = Partial<WordSearchOptions>

function make(list: EntryList, given: Given, seed: string): { puzzle: WordSearchPuzzle; options: WordSearchOptions } {
  const options = WordSearchOptions.parse(given)
  return { puzzle: wordsearch.make(list, options, randomFrom(seed)), options }
}

function checked(list: EntryList, given: Given, seed: string): WordSearchPuzzle {
  const { puzzle, options } = make(list, given, seed)
  expect(faultsOf(list, options, puzzle), `seed ${seed}`).to.deep.equal([])
  return puzzle
}

const directions = fc.constantFrom(2 as const, 4 as const, 8 as const)
const languages = fc.constantFrom<SampleLanguage[]>('en', 'he', 'ar', 'zh', 'pt', 'ru')

describe('word search', () => {
  it('holds up to the brute-force checker in grids of every kind', () => {
    fc.assert(
      fc.property(
        fc.record({
          size: fc.constantFrom('automatic' as const, 'chosen' as const),
          rows: fc.integer({ min: 6, max: 18 }),
          cols: fc.integer({ min: 6, max: 18 }),
          directions,
          letterCase: fc.constantFrom('upper' as const, 'lower' as const),
          accents: fc.constantFrom('kept' as const, 'folded' as const),
        }),
        fc.integer({ min: 1, max: 40 }),
        languages,
        fc.string({ maxLength: 8 }),
        (given, count, language, seed) => {
          const list = sampleList(count, seed, language, 10)
          const { size, rows, cols } = given
          // A chosen grid may be too small for every word: then it may be refused.
          const hasRoom = list.entries.some(({ answer }) => [...answer.text].length <= Math.max(rows, cols))
          try {
            checked(list, given, seed)
          } catch (error) {
            if (size === 'automatic' || hasRoom || !(error instanceof PuzzleError)) throw error
          }
        },
      ),
      { numRuns: runs(160) },
    )
  }).timeout(600_000)

  it('holds up with words made of two letters: repeats, palindromes and words inside words', () => {
    const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), minLength: 1, maxLength: 6 })
    fc.assert(
      fc.property(fc.array(word, { maxLength: 12 }), directions, fc.string({ maxLength: 4 }), (words, count, seed) => {
        checked(listOf([...words, 'cab']), { directions: count }, seed)
      }),
      { numRuns: runs(150) },
    )
  }).timeout(600_000)

  it('leaves out one phrase that paper has no room for, and says so, rather than make a huge grid for all', () => {
    const words = 'otter heron trout reed pike carp newt frog swan duck moor bank weir pond lock'.split(' ')
    const list = listOf([...words, 'the quick brown fox jumps over it'])
    const { summary, notes } = wordsearch.fit(list, WordSearchOptions.parse({}))
    expect(summary.values).to.deep.include({ count: 15 })
    expect(summary.values.rows).to.be.below(14)
    expect(notes.map(({ code }) => code)).to.deep.equal(['too-long'])
    const puzzle = checked(list, {}, 'long')
    expect(puzzle.rows.length).to.be.below(14)
    expect(puzzle.unplaced.map(({ why }) => why)).to.deep.equal(['too-long'])
    const smallest = checked(list, { size: 'smallest' }, 'long')
    expect(smallest.rows.length * smallest.rows[0]!.length, 'the smallest counts what is hidden').to.be.below(90)
    const without = checked(listOf([...words, 'a'.repeat(31)]), { size: 'smallest' }, 'longer')
    expect([without.rows.length, without.rows[0]!.length]).not.to.include(30)
    const phrases = listOf(['the quick brown fox jumps over it', 'a lazy dog sleeps under the old tree', 'otter'])
    expect(wordsearch.fit(phrases, WordSearchOptions.parse({})).summary.values.count, 'a list of phrases').to.equal(3)
  })

  it('reads no number twice, whichever way it is read', () => {
    const numbers = listOf(['12', '345', 'H2O', '24 hours', '7 up', 'year 1066'])
    for (const directions of [2, 4, 8] as const)
      for (let seed = 0; seed < 40; seed++) checked(numbers, { directions }, `${directions} ${seed}`)
  })

  it('gives the same grid for the same seed, and another for another', () => {
    const list = sampleList(12, 'seeds')
    expect(make(list, {}, '7').puzzle).to.deep.equal(make(list, {}, '7').puzzle)
    expect(make(list, {}, '7').puzzle.rows).not.to.deep.equal(make(list, {}, '8').puzzle.rows)
    // Written down once: a change here means that every printed seed makes another grid.
    expect(
      make(listOf(['otter', 'river', 'reed']), { directions: 8 }, 'fixed').puzzle.rows.map((row) => row.join('')),
    ).to.deep.equal(FIXED)
  })

  it('places every word of common lists, in the grids teachers ask for', () => {
    for (const [count, side] of [
      [10, 10],
      [20, 15],
      [40, 20],
      [60, 25],
    ]) {
      for (let seed = 0; seed < 12; seed++) {
        const puzzle = checked(
          sampleList(count!, `${count} ${seed}`),
          { size: 'chosen', rows: side, cols: side, directions: 8 },
          String(seed),
        )
        expect(puzzle.unplaced.filter(({ why }) => why !== 'clash')).to.deep.equal([])
      }
    }
  }).timeout(600_000)

  it('finds a grid no larger than the letters of its words, for 20 words and more', () => {
    for (const count of [20, 45]) {
      const list = sampleList(count, `tight ${count}`)
      const puzzle = checked(list, { size: 'smallest', directions: 8 }, '1')
      const letters = puzzle.words.reduce((sum, { length }) => sum + length, 0)
      expect((puzzle.rows.length * puzzle.rows[0]!.length) / letters).to.be.at.most(count > 40 ? 0.95 : 1)
      expect(puzzle.unplaced.filter(({ why }) => why !== 'clash')).to.deep.equal([])
    }
  }).timeout(300_000)

  it('hides a word that lies inside one other there, and says which words clash', () => {
    const nested = checked(listOf(['beehive', 'bee']), {}, '1')
    expect(nested.words.map(({ text }) => text)).to.have.members(['beehive', 'bee'])
    const { puzzle, options } = make(listOf(['beehive', 'beekeeper', 'bee', 'Bee hive']), {}, '1')
    expect(puzzle.unplaced).to.have.deep.members([
      { entryId: idOf(2), text: 'bee', why: 'clash', others: ['beekeeper', 'beehive'] },
      { entryId: idOf(3), text: 'Bee hive', why: 'repeat', others: ['beehive'] },
    ])
    const notes = wordsearch.fit(listOf(['beehive', 'beekeeper', 'bee']), options).notes
    expect(notes.map(({ code, entryIds }) => [code, ...entryIds])).to.deep.equal([['clash', idOf(2)]])
  })

  it('leaves spaces, hyphens and apostrophes out, keeps or folds accents, and reads Hebrew from the right', () => {
    const words = (texts: string[], given: Given, language: string): string[] => {
      const { puzzle } = make(listOf(texts, language), { directions: 2, ...given }, '1')
      return puzzle.words
        .map(({ row, col, dRow, dCol, length }) =>
          Array.from({ length }, (_, index) => puzzle.rows[row + dRow * index]![col + dCol * index]).join(''),
        )
        .sort()
    }
    expect(words(["rock 'n' roll", 'T-shirt'], {}, 'en')).to.deep.equal(['ROCKNROLL', 'TSHIRT'])
    expect(words(['Élève', 'maçã'], { letterCase: 'lower' }, 'fr')).to.deep.equal(['maçã', 'élève'])
    expect(words(['Élève', 'maçã'], { accents: 'folded' }, 'fr')).to.deep.equal(['ELEVE', 'MACA'])
    expect(words(['istanbul'], {}, 'tr')).to.deep.equal(['İSTANBUL'])
    expect(make(sampleList(8, 'rtl', 'he'), {}, '1').puzzle.direction).to.equal('rtl')
    expect(
      make(sampleList(8, 'zh', 'zh'), {}, '1')
        .puzzle.rows.flat()
        .join(''),
    ).to.match(/^\p{Script=Han}+$/u)
  })

  it('draws filler from the letters of the words', () => {
    const list = sampleList(12, 'filler')
    const own = new Set(list.entries.flatMap(({ answer }) => [...answer.text.toUpperCase()]))
    const spare = [...spareLetters(make(list, {}, '3').puzzle)]
    expect(spare.filter((letter) => !own.has(letter))).to.have.length.at.most(1)
  })

  it('writes a message of fitting length into the spare cells, and says which lengths fit', () => {
    const text =
      'EVERYONEWHOLOOKSFORGOLDUNDERTHEOLDBOARDWALKFINDSNOTHINGBUTMUDANDANOTETHATTHANKSUSFORCOMINGSOFARTODAY'.repeat(3)
    for (let seed = 0; seed < 20; seed++) {
      const list = sampleList(20, `message ${seed}`)
      const letters = list.entries.reduce((sum, { answer }) => sum + answer.text.length, 0)
      const message = text.slice(0, Math.round((225 - letters) * (1 + (seed % 5) / 20)))
      const puzzle = checked(list, { size: 'chosen', rows: 15, cols: 15, directions: 8, message }, String(seed))
      expect(spareLetters(puzzle)).to.equal(message)
    }
    expect(spareLetters(make(sampleList(12, 'auto'), { message: 'See you at the lake!' }, '1').puzzle)).to.equal(
      'SEEYOUATTHELAKE',
    )
    const refused = (): unknown =>
      make(sampleList(10, 'x'), { size: 'chosen', rows: 15, cols: 15, message: 'short' }, '1')
    expect(refused).to.throw(PuzzleError).with.nested.property('note.values.least').greaterThan(100)
  }).timeout(300_000)

  it("reports what it can't hide, and refuses a list without words", () => {
    const list = listOf(['x', '', '?!', 'hippopotamus', 'otter'])
    const puzzle = checked(list, { size: 'chosen', rows: 8, cols: 8 }, '1')
    expect(puzzle.unplaced.map(({ text, why }) => [text, why])).to.deep.equal([
      ['x', 'too-short'],
      ['', 'empty'],
      ['?!', 'empty'],
      ['hippopotamus', 'too-long'],
    ])
    expect(() => make(listOf(['x']), {}, '1')).to.throw(PuzzleError, 'no-words')
  })
})

const FIXED = ['RDRRD', 'IEEER', 'VOTET', 'EEETR', 'RTETO']

describe('playing a word search', () => {
  const { puzzle } = make(listOf(['star', 'rats', 'comet']), { directions: 8 }, 'play')
  const ends = (text: string): { from: { row: number; col: number }; to: { row: number; col: number } } => {
    const word = puzzle.words.find((candidate) => candidate.text === text)
    if (!word) throw new Error(`${text} is not in the grid`)
    const { row, col, dRow, dCol, length } = word
    return { from: { row, col }, to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) } }
  }

  it('counts words, hints, misses and time, and tells a word and its reverse apart by how it is drawn', () => {
    let play = wordsearch.start(puzzle, begin('1'))
    const apply = (move: Parameters<typeof wordsearch.move>[2], at: number): string[] => {
      const step = wordsearch.move(puzzle, play, move, when(at))
      play = step.play
      return step.responses.map(
        ({ given, outcome, points, milliseconds }) => `${given} ${outcome} ${points} ${milliseconds}`,
      )
    }
    expect(apply({ type: 'mark', ...ends('rats') }, 3000)).to.deep.equal(['rats right 10 3000'])
    expect(apply({ type: 'mark', ...ends('rats') }, 3500)).to.deep.equal(['star right 10 500'])
    expect(apply({ type: 'mark', from: { row: 0, col: 0 }, to: { row: 0, col: 0 } }, 4000)).to.deep.equal([])
    expect(apply({ type: 'hint', item: puzzle.words.findIndex(({ text }) => text === 'comet') }, 5000)).to.deep.equal(
      [],
    )
    const { from, to } = ends('comet')
    expect(apply({ type: 'mark', from: to, to: from }, 6500)).to.deep.equal(['comet right 5 3000'])
    expect(wordsearch.score(puzzle, play)).to.deep.equal({
      right: 3,
      total: 3,
      points: 25,
      bonus: 0,
      hints: 1,
      misses: 1,
      finished: true,
      milliseconds: 6500,
    })
    expect(apply({ type: 'finish' }, 9000)).to.deep.equal([])
  })

  it("shows no place and no clue's word before it is found, and all of them after giving up", () => {
    const hidden = { ...puzzle, show: 'clues' as const }
    const play = wordsearch.start(hidden, begin('1'))
    const before = wordsearch.view(hidden, play, LOOK)
    expect(before.items.every(({ found, hint }) => found === null && hint === null)).to.equal(true)
    expect(JSON.stringify(before.items)).not.to.match(/star|rats|comet|row|col/)
    const step = wordsearch.move(hidden, play, { type: 'finish' }, when(10))
    expect(step.responses, 'stopping early answers nothing').to.deep.equal([])
    expect(wordsearch.view(hidden, step.play, LOOK).items.map(({ found }) => found?.text)).to.have.members([
      'star',
      'rats',
      'comet',
    ])
  })
})
