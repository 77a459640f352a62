import type { MatchingPuzzle } from '@otter/core/games/matching'

/** Two columns, one row joined. */
export function Thumbnail({ puzzle: { rounds } }: { puzzle: MatchingPuzzle }) {
  const { couples, order } = rounds[0]!
  const y = (row: number): number => row * 16 + 11
  return (
    <svg viewBox={`0 0 150 ${couples.length * 16 + 4}`} className="mx-auto h-full" direction="ltr" aria-hidden="true">
      {couples.map(({ prompt }, row) => (
        <text key={row} x={58} y={y(row)} fontSize={9} textAnchor="end" fill="currentColor">
          {prompt.text.slice(0, 13)}
        </text>
      ))}
      {order.map((couple, row) => (
        <text key={row} x={92} y={y(row)} fontSize={9} fontWeight={700} fill="currentColor">
          {couples[couple]!.answer.text.slice(0, 11)}
        </text>
      ))}
      <line
        x1={62}
        y1={y(0) - 3}
        x2={88}
        y2={y(order.indexOf(0)) - 3}
        stroke="var(--color-secondary)"
        strokeWidth={2}
        strokeLinecap="round"
      />
    </svg>
  )
}
