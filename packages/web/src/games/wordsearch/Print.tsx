import { directionOf, type WordSearchPuzzle } from '@otter/core'

/** A printed word search, or its key: the grid and the words, without head and foot. */
export function Print({ puzzle, isKey }: { puzzle: WordSearchPuzzle; isKey: boolean }) {
  const rows = puzzle.rows.length
  const cols = puzzle.rows[0].length
  const x = (col: number): number => (puzzle.direction === 'rtl' ? cols - 1 - col : col) + 0.5
  return (
    <>
      <svg viewBox={`0 0 ${cols} ${rows}`} className="mx-auto block border border-base-300" style={{ width: `min(100%, ${cols * 11}mm, ${(150 * cols) / rows}mm)` }}>
        {isKey && puzzle.words.map(({ entryId, row, col, dRow, dCol, length }) => (
          <line key={entryId} x1={x(col)} y1={row + 0.5} x2={x(col + dCol * (length - 1))} y2={row + dRow * (length - 1) + 0.5} stroke="#46605B" strokeOpacity={0.3} strokeWidth={0.72} strokeLinecap="round" />
        ))}
        {puzzle.rows.flatMap((letters, row) => letters.map((letter, col) => (
          <text key={`${row} ${col}`} x={x(col)} y={row + 0.5} fontSize={0.6} textAnchor="middle" dominantBaseline="central">{letter}</text>
        )))}
      </svg>
      <ol className={`mt-5 ${puzzle.show === 'clues' ? 'columns-2 gap-8 ps-6' : 'columns-4 list-none'} ${puzzle.show === 'clues' ? 'list-decimal' : ''}`} dir={puzzle.show === 'words' ? puzzle.direction : undefined}>
        {puzzle.words.map(({ entryId, text, prompt, length }) => {
          const label = puzzle.show === 'clues' && prompt !== '' ? prompt : text
          return (
            <li key={entryId} className="break-inside-avoid py-0.5">
              <bdi dir={directionOf(label)}>{label}</bdi>{puzzle.show === 'clues' && <> ({length}){isKey && <strong> · <bdi>{text}</bdi></strong>}</>}
            </li>
          )
        })}
      </ol>
      {isKey && puzzle.message !== '' && <p className="mt-3"><bdi>{puzzle.message}</bdi></p>}
    </>
  )
}
