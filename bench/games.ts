import { randomFrom, readDictionary } from '@otter/core'
import { bingo, BingoOptions } from '@otter/core/games/bingo'
import { crossword, CrosswordOptions, EFFORT, type CrosswordPuzzle } from '@otter/core/games/crossword'
import { difficultyOfList, HangmanOptions } from '@otter/core/games/hangman'
import { listOf, sampleList } from '../packages/core/test/sampleWords.ts'
import { englishDictionary } from '../packages/server/src/dictionary/english.ts'
import { plainCrossword } from './plainCrossword.ts'
import { percentile95 } from './wordsearch.ts'

const SEEDS = ['1', '2', '3', '4', '5']
const MADE = 100

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** Crosswords against a plain method, bingo planned, and the difficulty of words. */
export function benchGames(): void {
  console.log(
    'Crosswords, five lists each: letters of the words ÷ area of the box; area as a multiple of the plain method’s (where that leaves words out, of a smaller puzzle); crossings per word; words crossed twice',
  )
  for (const count of [20, 30, 40, 60]) {
    const lists = SEEDS.map((seed) => sampleList(count, seed, 'en', 10).entries.map(({ answer }) => answer.text))
    for (const [name, options] of [
      ['quick', { steps: EFFORT.quick }],
      ['thorough', { steps: EFFORT.thorough }],
      ['helpful', { steps: EFFORT.thorough, aim: 'helpful' }],
    ] as const) {
      const began = performance.now()
      const puzzles = lists.map((words, index) =>
        crossword.make(listOf(words), CrosswordOptions.parse(options), randomFrom(SEEDS[index]!)),
      )
      const time = (performance.now() - began) / lists.length
      const pack = mean(puzzles.map(({ rows, cols }, index) => lists[index]!.join('').length / (rows * cols)))
      const ratio = mean(puzzles.map(({ rows, cols }, index) => (rows * cols) / plainCrossword(lists[index]!).area))
      const twice = mean(
        puzzles.map(
          ({ words }) =>
            words.filter((word) => words.filter((other) => other.dir !== word.dir && crosses(word, other)).length >= 2)
              .length / words.length,
        ),
      )
      console.log(
        `  ${count} words, ${name}: ${pack.toFixed(3)}; ${ratio.toFixed(2)} ×; ${mean(puzzles.map(({ crossings }) => crossings / count)).toFixed(2)}; ${Math.round(twice * 100)} %; ${time.toFixed(0)} ms`,
      )
    }
  }
  console.log(`Bingo, ${MADE} games each: planned as wished; p95 in ms, as a multiple of the same cards without a wish`)
  for (const [terms, cards] of [
    [24, 30],
    [30, 40],
    [40, 30],
  ]) {
    const run = (wish: object): { met: number; p95: number } => {
      const times: number[] = []
      let met = 0
      for (let game = 0; game < MADE; game++) {
        const began = performance.now()
        const { plan } = bingo.make(
          sampleList(terms!, 'b', 'en', 12),
          BingoOptions.parse({ size: 5, cards, ...wish }),
          randomFrom(`bench ${game}`),
        )
        times.push(performance.now() - began)
        if (plan.met) met++
      }
      return { met, p95: percentile95(times) }
    }
    const plain = run({})
    const wished = run({ firstWin: terms === 24 ? [9, 12] : [12, 15], winners: 1, fiveBy: 20 })
    console.log(
      `  ${terms} terms, ${cards} cards of 5×5: ${wished.met} of ${MADE}; ${wished.p95.toFixed(1)} ms, ${(wished.p95 / plain.p95).toFixed(1)} ×`,
    )
  }
  const dictionary = readDictionary(englishDictionary())
  const options = HangmanOptions.parse({})
  const words = sampleList(300, 'h', 'en', 12).entries
  const times = words.map((entry) => {
    const began = performance.now()
    difficultyOfList({ ...listOf([]), entries: [entry] }, options, dictionary)
    return performance.now() - began
  })
  const began = performance.now()
  difficultyOfList({ ...listOf([]), entries: words.slice(0, 30) }, options, dictionary)
  console.log(
    `Hangman: difficulty of a word p95 ${percentile95(times).toFixed(1)} ms; of a list of 30 ${(performance.now() - began).toFixed(0)} ms`,
  )
}

function crosses(one: CrosswordPuzzle['words'][number], two: CrosswordPuzzle['words'][number]): boolean {
  const [across, down] = one.dir === 'across' ? [one, two] : [two, one]
  return (
    down.col >= across.col &&
    down.col < across.col + across.letters.length &&
    across.row >= down.row &&
    across.row < down.row + down.letters.length
  )
}
