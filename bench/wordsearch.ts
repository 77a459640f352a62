import { gridLetters, randomFrom, type EntryList } from '@otter/core'
import { wordsearch, WordSearchOptions } from '@otter/core/games/wordsearch'
import { sampleList } from '../packages/core/test/sampleWords.ts'

/** The value below which 95 of 100 lie. */
export function percentile95(values: readonly number[]): number {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.ceil(sorted.length * 0.95) - 1]!
}

function letters({ entries }: EntryList): number {
  return entries.reduce(
    (sum, { answer }) => sum + gridLetters(answer.text, { letterCase: 'upper', accents: 'kept' }).length,
    0,
  )
}

/** Time of a plain method in the same run: words laid at random, cell by cell, with no guarantee at all. */
function plainTime(list: EntryList, side: number, seed: string): number {
  const began = performance.now()
  const random = randomFrom(seed)
  const grid = Array.from({ length: side }, () => Array.from({ length: side }, () => ''))
  for (const { answer } of list.entries) {
    const word = [...answer.text.toUpperCase()]
    for (let tried = 0; tried < 1000; tried++) {
      const [dRow, dCol] = [
        [0, 1],
        [1, 0],
        [1, 1],
        [-1, 1],
      ][random.below(4)]! as [number, number]
      const row = random.below(side)
      const col = random.below(side)
      const fits = word.every((letter, index) => {
        const cell = grid[row + dRow * index]?.[col + dCol * index]
        return cell !== undefined && (cell === '' || cell === letter)
      })
      if (!fits) continue
      word.forEach((letter, index) => {
        grid[row + dRow * index]![col + dCol * index] = letter
      })
      break
    }
  }
  return performance.now() - began
}

/** Speed of grids of common sizes, tightness of the smallest grids, and hidden messages. */
export function benchWordSearch(): void {
  console.log(
    'Word search, 200 seeds each: p95 in ms, as a multiple of words laid without any guarantee, seeds with a word left out for want of room',
  )
  for (const [count, side, limit] of [
    [10, 10, 5],
    [20, 15, 10],
    [40, 20, 30],
    [60, 25, 60],
  ]) {
    const options = WordSearchOptions.parse({ size: 'chosen', rows: side, cols: side, directions: 8 })
    const times: number[] = []
    const plain: number[] = []
    let incomplete = 0
    for (let seed = -20; seed < 200; seed++) {
      const list = sampleList(count!, `speed ${seed}`)
      const began = performance.now()
      const puzzle = wordsearch.make(list, options, randomFrom(String(seed)))
      const time = performance.now() - began
      const without = plainTime(list, side!, String(seed))
      if (seed < 0) continue
      times.push(time)
      plain.push(without)
      if (puzzle.unplaced.some(({ why }) => why === 'no-room')) incomplete++
    }
    console.log(
      `  ${count} words in ${side}×${side}: ${percentile95(times).toFixed(2)} ms (wanted: ${limit}), ${(percentile95(times) / percentile95(plain)).toFixed(1)} ×, ${incomplete} incomplete`,
    )
  }

  console.log('Smallest grids, 12 lists each: area ÷ letters, mean and worst; mean time')
  for (const directions of [2, 4, 8] as const) {
    for (const count of [20, 40, 50, 60]) {
      const options = WordSearchOptions.parse({ size: 'smallest', directions })
      const ratios: number[] = []
      const began = performance.now()
      for (let seed = 0; seed < 12; seed++) {
        const list = sampleList(count, `tight ${seed}`)
        const { rows, unplaced } = wordsearch.make(list, options, randomFrom(String(seed)))
        const out = new Set(unplaced.map(({ entryId }) => entryId))
        ratios.push(
          (rows.length * rows[0]!.length) /
            letters({ ...list, entries: list.entries.filter(({ id }) => !out.has(id)) }),
        )
      }
      const time = (performance.now() - began) / ratios.length
      console.log(
        `  ${count} words, ${directions} directions: ${(ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length).toFixed(3)}, ${Math.max(...ratios).toFixed(3)}; ${time.toFixed(0)} ms`,
      )
    }
  }

  console.log('Hidden messages of 1.0 to 1.2 times (cells − letters), 100 seeds: p95 in ms, how many failed')
  const text =
    'EVERYONEWHOLOOKSFORGOLDUNDERTHEOLDBOARDWALKFINDSNOTHINGBUTMUDANDANOTETHATTHANKSUSFORCOMINGSOFARTODAY'.repeat(5)
  for (const [count, side] of [
    [10, 10],
    [20, 15],
    [40, 20],
    [60, 25],
  ]) {
    for (const directions of [2, 8] as const) {
      const times: number[] = []
      let failed = 0
      for (let seed = 0; seed < 100; seed++) {
        const list = sampleList(count!, `message ${seed}`)
        const { words, rows } = wordsearch.make(
          list,
          WordSearchOptions.parse({ size: 'chosen', rows: side, cols: side, directions }),
          randomFrom('x'),
        )
        // A word inside another takes no cells of its own.
        const cells =
          new Set(
            words.map(
              ({ row, col, dRow, dCol, length }) =>
                `${Math.min(row, row + dRow * (length - 1))} ${Math.min(col, col + dCol * (length - 1))} ${length}`,
            ),
          ).size === words.length
            ? words.reduce((sum, { text: word }) => sum + word.length, 0)
            : 0
        if (
          cells === 0 ||
          words.some(({ text: one }) =>
            words.some(
              ({ text: other }) =>
                one !== other &&
                (other.includes(one) || (directions === 8 && [...other].reverse().join('').includes(one))),
            ),
          )
        )
          continue
        const message = text.slice(0, Math.round((rows.length * rows[0]!.length - cells) * (1 + (seed % 5) / 20)))
        const began = performance.now()
        try {
          wordsearch.make(
            list,
            WordSearchOptions.parse({ size: 'chosen', rows: side, cols: side, directions, message }),
            randomFrom(String(seed)),
          )
        } catch {
          failed++
        }
        times.push(performance.now() - began)
      }
      console.log(
        `  ${count} words in ${side}×${side}, ${directions} directions: ${percentile95(times).toFixed(1)} ms, ${failed} of ${times.length} failed`,
      )
    }
  }
}
