import type { ResultsReply } from '@otter/api'
import { toTeachAgain } from '@otter/core'
import { resultsTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** Names that are told at most. */
const MOST_NAMES = 8

/** What a teacher can act on, in a few sentences. */
export function Brief({ results: { questions, corrections, notBegun, waited } }: { results: ResultsReply }) {
  const t = useTexts(resultsTexts)
  const { list } = useWriting()
  const named = (names: readonly string[]): string =>
    names.length > MOST_NAMES
      ? t('brief.andMore', { names: list(names.slice(0, MOST_NAMES)), count: names.length - MOST_NAMES })
      : list(names)
  const out = new Set(corrections.filter(({ takenOut }) => takenOut).map(({ entryId }) => entryId))
  const teach = toTeachAgain(questions.filter(({ entryId }) => !out.has(entryId)))
  const [first] = teach
  const sentences = [
    ...(teach.length > 0
      ? [t('brief.teach', { words: list(teach.map(({ text }) => text)), count: teach.length })]
      : []),
    ...(first !== undefined && first.leading !== null
      ? [t('brief.leading', { word: first.text, given: first.leading })]
      : []),
    ...(notBegun.length > 0 ? [t('brief.notBegun', { names: named(notBegun), count: notBegun.length })] : []),
    ...(waited.length > 0
      ? [t('brief.waited', { names: named(waited.map(({ name }) => name)), count: waited.length })]
      : []),
  ]
  if (sentences.length === 0) return null
  return (
    <section aria-labelledby="brief" className="panel p-4">
      <h2 id="brief" className="text-2xl">
        {t('brief.title')}
      </h2>
      <ul className="list-inside list-disc">
        {sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </section>
  )
}
