import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'

/** A small word search with its first words marked. */
export function Thumbnail({ puzzle: { rows, words, direction } }: { puzzle: WordSearchPuzzle }) {
  const cols = rows[0]!.length
  const x = (col: number): number => (direction === 'rtl' ? cols - 1 - col : col) + 0.5
  return (
    <svg viewBox={`-0.1 -0.1 ${cols + 0.2} ${rows.length + 0.2}`} className="mx-auto h-full" aria-hidden="true">
      {words.slice(0, 2).map(({ entryId, row, col, dRow, dCol, length }) => (
        <line
          key={entryId}
          x1={x(col)}
          y1={row + 0.5}
          x2={x(col + dCol * (length - 1))}
          y2={row + dRow * (length - 1) + 0.5}
          stroke="var(--color-accent)"
          strokeWidth={0.9}
          strokeLinecap="round"
        />
      ))}
      <path
        d={[
          ...Array.from({ length: cols + 1 }, (_, col) => `M${col} 0V${rows.length}`),
          ...Array.from({ length: rows.length + 1 }, (_, row) => `M0 ${row}H${cols}`),
        ].join('')}
        stroke="var(--color-base-300)"
        strokeWidth={0.03}
      />
      {rows.flatMap((letters, row) =>
        letters.map((letter, col) => (
          <text
            key={`${row} ${col}`}
            x={x(col)}
            y={row + 0.52}
            fontSize={0.62}
            fontWeight={700}
            fill="currentColor"
            textAnchor="middle"
            dominantBaseline="central"
          >
            {letter}
          </text>
        )),
      )}
    </svg>
  )
}
