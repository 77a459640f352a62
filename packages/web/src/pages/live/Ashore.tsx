import type { RankingRow, WallState } from '@otter/api'
import type { CSSProperties } from 'react'
import { commonTexts, liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { OtterAvatar } from '../../live/OtterAvatar.tsx'
import { Otter } from '../../ui/Otter.tsx'

/** Most who come ashore; all others are in the water, in no order. */
const FIRST = 5
const MOST_SWIMMERS = 24
/** The shore, by width and height in per cent: where the water ends. */
const SHORE = 'M0 46C10 50 18 50 30 46S52 36 64 42 84 52 100 45V100H0Z'

/** The finish: the first come ashore one after another, all others are still in the water, and nobody is the last. */
export function Ashore({ state: { title, here, found, ranking } }: { state: WallState }) {
  const t = useTexts(liveTexts)
  const common = useTexts(commonTexts)
  const first = ranking?.rows.filter(({ place }) => place <= FIRST).slice(0, FIRST) ?? []
  const swimmers = Math.max(0, Math.min(MOST_SWIMMERS, here - first.length))
  const scoreOf = ({ score, right, total }: RankingRow): string =>
    ranking?.by === 'share' || total > 0 ? t('running.of', { right, total }) : t('points', { count: Math.round(score) })
  return (
    <div className="fixed inset-0 overflow-hidden bg-accent">
      <svg viewBox="0 0 100 100" preserveAspectRatio="none" className="absolute inset-0 size-full" aria-hidden="true">
        <path d={SHORE} className="fill-[#f1e6cb] dark:fill-[#4a4230]" />
        <path d={SHORE.replace(/V100H0Z$/u, '')} fill="none" className="stroke-secondary" strokeWidth="0.4" />
      </svg>
      {Array.from({ length: swimmers }, (_, index) => (
        <Swimmer key={index} index={index} />
      ))}
      <header className="relative p-[3vw]">
        <h1 className="text-[max(28px,4.4vw)] leading-tight">{t('over.title')}</h1>
        <p className="text-[max(28px,1.8vw)]">
          <bdi>{title || common('untitled')}</bdi> · {t('over.facts', { count: here, ...found })}
        </p>
      </header>
      <ol className="absolute inset-x-[3vw] bottom-[4vh] flex items-end justify-around gap-4">
        {first.map((row, index) => (
          <li
            key={index}
            className="ashore flex min-w-0 flex-col items-center text-center"
            style={{ '--turn': first.length - index } as CSSProperties}
          >
            <OtterAvatar look={row.look} size={`${14 - index * 1.6}vw`} />
            <p className="max-w-full truncate text-[max(28px,2.2vw)] font-bold">
              {row.place} <bdi>{row.name}</bdi>
            </p>
            <p className="text-[max(28px,1.5vw)]">{scoreOf(row)}</p>
          </li>
        ))}
      </ol>
      {swimmers > 0 && <p className="sr-only">{t('over.inWater')}</p>}
    </div>
  )
}

/** An otter's head in the water, somewhere: by its number, so that it stays there. */
function Swimmer({ index }: { index: number }) {
  const x = 4 + ((index * 37) % 92)
  const y = 20 + ((index * 53) % 20)
  return (
    <span className="absolute" style={{ insetInlineStart: `${x}%`, top: `${y}%` }}>
      <Otter size={innerWidth * 0.032} />
    </span>
  )
}
