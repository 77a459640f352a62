import { JudgeOptionsInput, randomFrom, gameOf, type EntryList } from '@otter/core'
import { QuizOptions, type QuizPuzzle } from '@otter/core/games/quiz'
import { serverKnowledge } from '../packages/server/src/dictionary/knowledge.ts'
import { idOf, sampleList } from '../packages/core/test/sampleWords.ts'

const TYPED = 10_000

/** A list of so many entries, no two answers alike. */
function listOf(count: number): EntryList {
  const { entries, ...list } = sampleList(300, 'quiz', 'en', 12)
  return {
    ...list,
    entries: Array.from({ length: count }, (_, index) => {
      const entry = entries[index % entries.length]!
      return {
        ...entry,
        id: idOf(index),
        answer: { text: index < entries.length ? entry.answer.text : `${entry.answer.text} again` },
        prompt: { text: `clue to ${index}` },
      }
    }),
  }
}

function timed<Value>(work: () => Value): { value: Value; ms: number } {
  work()
  const began = performance.now()
  return { value: work(), ms: performance.now() - began }
}

/** A quiz made, wrong choices drawn, and typed answers judged; against drawing blindly and comparing letters. */
export function benchQuiz(): void {
  const make = (list: EntryList): QuizPuzzle =>
    gameOf('quiz').make(list, QuizOptions.parse({}), randomFrom('1')) as QuizPuzzle
  const blindly = ({ entries }: EntryList): string[][] => {
    const random = randomFrom('1')
    return entries.map(({ answer }) =>
      random.shuffled([
        answer.text,
        ...random
          .shuffled(entries)
          .slice(0, 3)
          .map((other) => other.answer.text),
      ]),
    )
  }
  const small = timed(() => make(listOf(200)))
  const large = listOf(500)
  const drawn = timed(() => make(large))
  const blind = timed(() => blindly(large))
  const typed = small.value.questions.flatMap(({ answer: { text } }) => [
    text,
    `the ${text.toUpperCase()}`,
    `${text.slice(0, 2)}${text.slice(3)}`,
    'something else',
    '12',
  ])
  const others = small.value.questions.map(({ answer }) => answer.text)
  const all = Array.from({ length: TYPED }, (_, index) => ({
    given: typed[index % typed.length]!,
    accepted: others[Math.floor(index / 5) % others.length]!,
  }))
  const judging = JudgeOptionsInput.parse({ language: 'en' })
  const judged = timed(
    () =>
      all.filter(
        ({ given, accepted }) => serverKnowledge.judge.judge(given, { accepted: [accepted], others }, judging).right,
      ).length,
  )
  const compared = timed(
    () => all.filter(({ given, accepted }) => given.toLowerCase() === accepted.toLowerCase()).length,
  )
  console.log(
    `Quiz: of 200 entries ${small.ms.toFixed(0)} ms; wrong choices for 500 ${drawn.ms.toFixed(0)} ms, ${(drawn.ms / blind.ms).toFixed(1)} × drawing blindly`,
  )
  console.log(
    `  ${TYPED} typed answers judged in ${judged.ms.toFixed(0)} ms (${judged.value} right; ${compared.value} with letters compared, ${(judged.ms / compared.ms).toFixed(0)} ×)`,
  )
}
