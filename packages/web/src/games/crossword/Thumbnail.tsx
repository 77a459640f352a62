import { cellsOf, type CrosswordPuzzle } from '@otter/core/games/crossword'

/** A small crossword with the letters of its first word. */
export function Thumbnail({ puzzle: { rows, cols, words, direction } }: { puzzle: CrosswordPuzzle }) {
  const cells = new Map(words.flatMap((word) => cellsOf(word).map(({ row, col }) => [`${row} ${col}`, { row, col }])))
  const x = (col: number): number => (direction === 'rtl' ? cols - 1 - col : col)
  return (
    <svg viewBox={`-0.1 -0.1 ${cols + 0.2} ${rows + 0.2}`} className="mx-auto h-full max-w-full" aria-hidden="true">
      {[...cells.values()].map(({ row, col }) => (
        <rect
          key={`${row} ${col}`}
          x={x(col)}
          y={row}
          width={1}
          height={1}
          fill="var(--color-base-100)"
          stroke="currentColor"
          strokeWidth={0.06}
        />
      ))}
      {words.slice(0, 1).flatMap((word) =>
        cellsOf(word).map(({ row, col }, index) => (
          <g key={index}>
            <rect
              x={x(col)}
              y={row}
              width={1}
              height={1}
              fill="var(--color-accent)"
              stroke="currentColor"
              strokeWidth={0.06}
            />
            <text
              x={x(col) + 0.5}
              y={row + 0.54}
              fontSize={0.62}
              fontWeight={700}
              fill="currentColor"
              textAnchor="middle"
              dominantBaseline="central"
            >
              {word.letters[index]}
            </text>
          </g>
        )),
      )}
    </svg>
  )
}
