import type { HostQuestion } from '@otter/api'
import { scaleLinear } from 'd3-scale'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** Most questions that are shown: those that the fewest know. */
const MOST = 12
const WIDTH = 100

/** How the class stands with each question or word, those first that the fewest know: right, wrong, and which wrong answer leads. */
export function ClassNow({ questions }: { questions: readonly HostQuestion[] }) {
  const t = useTexts(liveTexts)
  const met = questions
    .filter(({ right, wrong, passed }) => right + wrong + passed > 0)
    .map((question) => ({ ...question, all: question.right + question.wrong + question.passed }))
    .sort((one, other) => one.right / one.all - other.right / other.all || other.all - one.all)
  const scale = scaleLinear([0, Math.max(1, ...met.map(({ all }) => all))], [0, WIDTH])
  return (
    <section className="panel p-4">
      <h2 className="pb-2 text-xl">{t('class.title')}</h2>
      {met.length === 0 && <p className="quiet">{t('class.none')}</p>}
      <ul className="flex flex-col gap-2">
        {met.slice(0, MOST).map(({ entryId, text, right, wrong, passed, all, given }) => (
          <li key={entryId} className="grid grid-cols-[minmax(0,1fr)_7rem_auto] items-center gap-x-2">
            <bdi className="truncate">{text}</bdi>
            <svg
              role="img"
              aria-label={t('class.label', { text, right, wrong, passed })}
              viewBox={`0 0 ${WIDTH} 12`}
              preserveAspectRatio="none"
              className="h-3 w-full rtl:-scale-x-100"
            >
              <defs>
                <pattern
                  id="not-right"
                  width="6"
                  height="6"
                  patternUnits="userSpaceOnUse"
                  patternTransform="rotate(45)"
                >
                  <rect width="3" height="6" className="fill-error" />
                </pattern>
              </defs>
              <path d={`M0 11.5H${WIDTH}`} className="stroke-base-300" />
              <rect width={scale(right)} height={12} className="fill-secondary" />
              <rect x={scale(right)} width={scale(wrong + passed)} height={12} fill="url(#not-right)" />
            </svg>
            <span className="quiet text-end text-sm tabular-nums">{t('class.of', { right, all })}</span>
            {given.length > 0 && (
              <span className="quiet col-span-3 truncate text-sm">
                <bdi>{t('class.given', { given: given[0]!.given, count: given[0]!.count })}</bdi>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
