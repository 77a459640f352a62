import type { ReportEntry, ReportReply, ReportStudent } from '@otter/api'
import { scaleBand, scaleLinear } from 'd3-scale'
import { useState } from 'react'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { ChartFrame, type ChartTable } from './ChartFrame.tsx'

const WIDTH = 420
const HEIGHT = 220
const EDGE = { top: 12, right: 12, bottom: 34, left: 38 }
/** Entries whose bars are shown before all are asked for. */
const MOST_BARS = 15
const PERCENT = [0, 25, 50, 75, 100]

const percent = (share: number): number => Math.round(share * 100)

/** Marks on an axis from the bottom up, in per cent. */
function ShareAxis({ y }: { y: (value: number) => number }) {
  return PERCENT.map((value) => (
    <g key={value}>
      <path d={`M${EDGE.left} ${y(value)}H${WIDTH - EDGE.right}`} className="stroke-base-300" />
      <text x={EDGE.left - 6} y={y(value) + 4} textAnchor="end" className="fill-base-content text-xs">
        {value}
      </text>
    </g>
  ))
}

/** Entries by share right: at the first answer, and what later tries mended. */
export function EntryBars({ entries }: { entries: readonly ReportEntry[] }) {
  const t = useTexts(reportTexts)
  const [isWhole, setWhole] = useState(false)
  const met = entries
    .map((entry) => ({ ...entry, met: entry.right + entry.wrong + entry.passed }))
    .filter((entry) => entry.met > 0)
    .sort((one, other) => one.right / one.met - other.right / other.met)
  const scale = scaleLinear([0, 1], [0, 100])
  const table: ChartTable = {
    headings: [t('charts.word'), t('charts.right'), t('charts.met'), t('charts.mended')],
    rows: met.map(({ text, right, met: all, mended }) => [text, right, all, mended]),
  }
  return (
    <ChartFrame title={t('charts.entries')} table={table} wide>
      <ul className="grid gap-x-6 gap-y-1 md:grid-cols-2">
        {(isWhole ? met : met.slice(0, MOST_BARS)).map(({ entryId, text, right, mended, met: all }) => (
          <li key={entryId} className="grid grid-cols-[minmax(0,8rem)_1fr_auto] items-center gap-2 text-sm">
            <bdi className="truncate">{text}</bdi>
            <svg
              role="img"
              aria-label={t('charts.entriesLabel', { text, right, met: all, mended })}
              viewBox="0 0 100 10"
              preserveAspectRatio="none"
              className="h-3 w-full rtl:-scale-x-100"
            >
              <path d="M0 9.5H100" className="stroke-base-300" />
              <rect width={scale(right / all)} height={10} className="fill-success" />
              <rect
                x={scale(right / all)}
                y={3}
                width={scale(Math.min(mended, all - right) / all)}
                height={4}
                className="fill-secondary"
              />
            </svg>
            <span className="tabular-nums">{percent(right / all)} %</span>
          </li>
        ))}
      </ul>
      {met.length > MOST_BARS && !isWhole && (
        <button type="button" className="btn mt-2 h-11" onClick={() => setWhole(true)}>
          {t('entries.all', { count: met.length })}
        </button>
      )}
    </ChartFrame>
  )
}

/** How scores are spread. */
export function Distribution({ steps }: { steps: ReportReply['distribution'] }) {
  const t = useTexts(reportTexts)
  const most = Math.max(1, ...steps.map(({ count }) => count))
  const x = scaleBand(
    steps.map(({ from }) => from),
    [EDGE.left, WIDTH - EDGE.right],
  ).padding(0.15)
  const y = scaleLinear([0, most], [HEIGHT - EDGE.bottom, EDGE.top])
  const rangeOf = ({ from, to }: { from: number; to: number }): string => `${percent(from)}–${percent(to)}`
  const table: ChartTable = {
    headings: [t('charts.range'), t('charts.count')],
    rows: steps.map((step) => [rangeOf(step), step.count]),
  }
  return (
    <ChartFrame title={t('charts.scores')} table={table}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="group" aria-label={t('charts.scores')} className="w-full">
        {steps.map((step) => (
          <g
            key={step.from}
            role="img"
            aria-label={t('charts.scoresLabel', { from: percent(step.from), to: percent(step.to), count: step.count })}
          >
            <rect
              x={x(step.from)}
              y={y(step.count)}
              width={x.bandwidth()}
              height={y(0) - y(step.count)}
              className="fill-secondary"
            />
            {step.count > 0 && (
              <text
                x={x(step.from)! + x.bandwidth() / 2}
                y={y(step.count) - 3}
                textAnchor="middle"
                className="fill-base-content text-xs"
              >
                {step.count}
              </text>
            )}
            <text
              x={x(step.from)! + x.bandwidth() / 2}
              y={HEIGHT - EDGE.bottom + 15}
              textAnchor="middle"
              className="fill-base-content text-xs"
            >
              {percent(step.from)}
            </text>
          </g>
        ))}
        <path d={`M${EDGE.left} ${y(0)}H${WIDTH - EDGE.right}`} className="stroke-base-content" />
        <AxisName text={t('charts.share')} />
      </svg>
    </ChartFrame>
  )
}

function AxisName({ text }: { text: string }) {
  return (
    <text x={WIDTH - EDGE.right} y={HEIGHT - 3} textAnchor="end" className="fill-base-content text-xs">
      {text}
    </text>
  )
}

/** Score against time, a point for each student. */
export function ScoreTime({ students }: { students: readonly ReportStudent[] }) {
  const t = useTexts(reportTexts)
  const points = students.flatMap(({ id, name, share, milliseconds, attempts }) =>
    share === null || attempts === 0 ? [] : [{ id, name, share: percent(share), minutes: milliseconds / 60_000 }],
  )
  const x = scaleLinear(
    [0, Math.max(1, ...points.map(({ minutes }) => minutes))],
    [EDGE.left, WIDTH - EDGE.right],
  ).nice()
  const y = scaleLinear([0, 100], [HEIGHT - EDGE.bottom, EDGE.top])
  const rounded = (minutes: number): number => Math.round(minutes * 10) / 10
  const table: ChartTable = {
    headings: [t('charts.student'), t('charts.share'), t('charts.minutes')],
    rows: points.map(({ name, share, minutes }) => [name, share, rounded(minutes)]),
  }
  return (
    <ChartFrame title={t('charts.time')} table={table}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="group" aria-label={t('charts.time')} className="w-full">
        <ShareAxis y={y} />
        {x.ticks(5).map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={HEIGHT - EDGE.bottom + 15}
            textAnchor="middle"
            className="fill-base-content text-xs"
          >
            {tick}
          </text>
        ))}
        {points.map(({ id, name, share, minutes }) => (
          <circle
            key={id}
            role="img"
            aria-label={t('charts.timeLabel', { name, share, minutes: rounded(minutes) })}
            cx={x(minutes)}
            cy={y(share)}
            r={5}
            className="fill-secondary stroke-base-100"
          >
            <title>{t('charts.timeLabel', { name, share, minutes: rounded(minutes) })}</title>
          </circle>
        ))}
        <AxisName text={t('charts.minutes')} />
      </svg>
    </ChartFrame>
  )
}

/** Progress over attempts, or over weeks: the mean share right, with how many it is the mean of. */
export function ProgressLine({ by, steps }: { by: 'attempts' | 'weeks'; steps: ReportReply['byWeek'] }) {
  const t = useTexts(reportTexts)
  const { date } = useWriting()
  const nameOf = (at: number): string => (by === 'attempts' ? String(at) : date(at, { day: 'numeric', month: 'short' }))
  const x = scaleLinear([0, Math.max(1, steps.length - 1)], [EDGE.left + 12, WIDTH - EDGE.right - 12])
  const y = scaleLinear([0, 100], [HEIGHT - EDGE.bottom, EDGE.top])
  const every = Math.ceil(steps.length / 8)
  const table: ChartTable = {
    headings: [t(by === 'attempts' ? 'charts.attempt' : 'charts.week'), t('charts.share'), t('charts.met')],
    rows: steps.map(({ at, share, count }) => [nameOf(at), percent(share), count]),
  }
  const title = t(`charts.${by}`)
  return (
    <ChartFrame title={title} table={table}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="group" aria-label={title} className="w-full">
        <ShareAxis y={y} />
        <polyline
          points={steps.map(({ share }, index) => `${x(index)},${y(share * 100)}`).join(' ')}
          className="fill-none stroke-secondary"
          strokeWidth={2}
        />
        {steps.map(({ at, share, count }, index) => (
          <g
            key={at}
            role="img"
            aria-label={t(by === 'attempts' ? 'charts.attemptLabel' : 'charts.weekLabel', {
              at: nameOf(at),
              share: percent(share),
              count,
            })}
          >
            <circle cx={x(index)} cy={y(share * 100)} r={4} className="fill-secondary" />
            {index % every === 0 && (
              <text
                x={x(index)}
                y={HEIGHT - EDGE.bottom + 15}
                textAnchor="middle"
                className="fill-base-content text-xs"
              >
                {nameOf(at)}
              </text>
            )}
          </g>
        ))}
      </svg>
    </ChartFrame>
  )
}
