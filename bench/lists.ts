import { checkList, entriesFromTable, GAME_KINDS, gameOf, guessFields, readPaste, type EntryList } from '@otter/core'
import { readWorkbook, tableOfSheet, writeWorkbook } from '@otter/core/formats'
import { listOf } from '../packages/core/test/sampleWords.ts'
import { searchPictures } from '../packages/server/src/gallery/search.ts'
import { COMMON_NOUNS } from '../packages/server/test/commonNouns.ts'
import { percentile95 } from './wordsearch.ts'

const ROWS = 5000

function wordsOf(count: number): EntryList {
  return listOf(Array.from({ length: count }, (_, index) => `word${String.fromCharCode(97 + (index % 26))}${index}`))
}

/** One keystroke after another in a list: every game's fit, and all checks. */
function keystrokes(count: number): { fits: number[]; checks: number[] } {
  let list = wordsOf(count)
  const options = GAME_KINDS.map((kind) => gameOf(kind).options.parse({}))
  const fits: number[] = []
  const checks: number[] = []
  for (let key = 0; key < 120; key++) {
    list = {
      ...list,
      entries: list.entries.map((entry, index) =>
        index === key % count ? { ...entry, answer: { text: `${entry.answer.text}x` } } : entry,
      ),
    }
    const began = performance.now()
    GAME_KINDS.forEach((kind, index) => gameOf(kind).fit(list, options[index]!))
    const between = performance.now()
    checkList(list)
    fits.push(between - began)
    checks.push(performance.now() - between)
  }
  return { fits: fits.slice(20), checks: checks.slice(20) }
}

/** What a list costs: at each keystroke, pasted, imported, and when pictures are searched for it. */
export async function benchLists(): Promise<void> {
  console.log('Lists')
  const { fits, checks } = keystrokes(200)
  console.log(
    `  200 entries, each keystroke, p95: all ${GAME_KINDS.length} fits ${percentile95(fits).toFixed(1)} ms, all checks ${percentile95(checks).toFixed(1)} ms`,
  )

  const text = Array.from({ length: ROWS }, (_, index) => `word ${index}\tmeaning "${index}"\thint`).join('\n')
  const split = performance.now()
  const plain = text.split('\n').map((line) => line.split('\t'))
  const pasted = performance.now()
  const table = readPaste(text)
  const { entries } = entriesFromTable(table, guessFields(table), () => crypto.randomUUID())
  const read = performance.now() - pasted
  console.log(
    `  paste of ${ROWS} rows: ${read.toFixed(0)} ms, ${(read / (pasted - split)).toFixed(0)} × splitting them (${plain.length} rows)`,
  )

  const bytes = await writeWorkbook(entries, 'Bench')
  globalThis.gc?.()
  const before = process.memoryUsage().rss
  const began = performance.now()
  const [sheet] = await readWorkbook(bytes)
  const count = tableOfSheet(sheet!).rows.length
  console.log(
    `  import of an XLSX of ${count} rows (${(bytes.length / 1e6).toFixed(2)} MB): ${((performance.now() - began) / 1000).toFixed(2)} s, memory grew by ${((process.memoryUsage().rss - before) / 1e6).toFixed(0)} MB`,
  )

  const first = performance.now()
  searchPictures('otter', 'en', 6)
  const opened = performance.now() - first
  const times = COMMON_NOUNS.map(({ noun }) => {
    const asked = performance.now()
    searchPictures(noun, 'en', 6)
    return performance.now() - asked
  })
  console.log(
    `  picture search: p95 ${percentile95(times).toFixed(2)} ms; the first, which opens the gallery, ${opened.toFixed(0)} ms`,
  )
}
