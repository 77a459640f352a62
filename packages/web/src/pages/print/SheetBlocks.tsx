import { mediaPath } from '@otter/api'
import {
  directionOf,
  typeFor,
  type SheetBlock,
  type SheetCards,
  type SheetDeck,
  type SheetGrid,
  type SheetItems,
  type SheetSquare,
} from '@otter/core'
import { sheetTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

const COLUMNS = { 1: '', 2: 'columns-2 gap-8', 4: 'columns-4' }
/** Largest cell, and tallest grid, in millimetres. */
const LARGEST = 11
const TALLEST = 165
/** A page of cards to cut, and the largest letters on them, in millimetres. */
const DECK = { width: 172, height: 205 }
const LARGEST_TYPE = 12
/** Room on a page below its head, in points; and a point in millimetres. */
const ROOM = 600
const POINT = 25.4 / 72

/** A page as it is printed, without head and foot. */
export function SheetBlocks({ blocks, early }: { blocks: readonly SheetBlock[]; early: boolean }) {
  const { size, gridHeight } = typeFor(blocks, ROOM, early)
  return (
    <div className="leading-[1.25]" style={{ fontSize: `${size}pt` }}>
      {blocks.map((block, index) => (
        <Block key={index} block={block} height={gridHeight * POINT} />
      ))}
    </div>
  )
}

function Block({ block, height }: { block: SheetBlock; height: number }) {
  if (block.type === 'grid') return <Grid grid={block} height={height} />
  if (block.type === 'items') return <Items list={block} />
  if (block.type === 'text')
    return (
      <p className="mt-3">
        <bdi>{block.text}</bdi>
      </p>
    )
  if (block.type === 'cards') return <Cards cards={block} />
  if (block.type === 'deck') return <Deck deck={block} />
  if (block.type === 'tokens')
    return (
      <div className="mt-2 flex flex-wrap">
        {block.tokens.map((token, index) => (
          <Square key={index} square={token} side={30} />
        ))}
      </div>
    )
  return (
    <div className="grid grid-cols-2 gap-8">
      {block.blocks.map((part, index) => (
        <Block key={index} block={part} height={height} />
      ))}
    </div>
  )
}

function Grid({ grid: { rows, cols, cells, lines, direction, framed }, height }: { grid: SheetGrid; height: number }) {
  const x = (col: number): number => (direction === 'rtl' ? cols - 1 - col : col)
  return (
    <svg
      viewBox={`-0.03 -0.03 ${cols + 0.06} ${rows + 0.06}`}
      direction="ltr"
      className={`mx-auto block ${framed ? '' : 'border border-base-300'}`}
      style={{ width: `min(100%, ${cols * LARGEST}mm, ${(Math.min(height, TALLEST) * cols) / rows}mm)` }}
    >
      {lines.map(({ row, col, toRow, toCol }, index) => (
        <line
          key={index}
          x1={x(col) + 0.5}
          y1={row + 0.5}
          x2={x(toCol) + 0.5}
          y2={toRow + 0.5}
          stroke="#46605B"
          strokeOpacity={0.3}
          strokeWidth={0.72}
          strokeLinecap="round"
        />
      ))}
      {cells.map((cell, index) => {
        if (!cell) return null
        const left = x(index % cols)
        const top = Math.floor(index / cols)
        return (
          <g key={index}>
            {framed && <rect x={left} y={top} width={1} height={1} fill="none" stroke="#14312F" strokeWidth={0.035} />}
            {cell.number !== undefined && (
              <text x={left + 0.06} y={top + 0.08} fontSize={0.27} dominantBaseline="hanging">
                {cell.number}
              </text>
            )}
            <text
              x={left + 0.5}
              y={top + (framed ? 0.57 : 0.5)}
              fontSize={0.6}
              textAnchor="middle"
              dominantBaseline="central"
            >
              {cell.text}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

function Items({ list: { heading, columns, direction, items } }: { list: SheetItems }) {
  const t = useTexts(sheetTexts)
  return (
    <section className="mt-3">
      {heading && <h2 className="text-[1.1em]">{t(heading)}</h2>}
      <ol className={COLUMNS[columns]} dir={direction}>
        {items.map(({ label, text, note, answer, picture, below = [] }, index) => (
          <li key={index} className="flex break-inside-avoid gap-2 py-0.5">
            {label !== '' && <span className="w-6 shrink-0 font-bold">{label}</span>}
            <span className="flex items-center gap-2">
              {picture && <img src={mediaPath(picture)} alt="" className="size-9 shrink-0 object-contain" />}
              <span>
                <bdi dir={directionOf(text)}>{text}</bdi>
                {note !== '' && ` ${note}`}
                {answer !== '' && (
                  <strong>
                    {' '}
                    · <bdi>{answer}</bdi>
                  </strong>
                )}
                {below.map((line, place) => (
                  <span key={place} className="block pt-1" dir={directionOf(line)}>
                    {line}
                  </span>
                ))}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  )
}

/** Side of a card by how many stand on a page, in millimetres. */
const CARD_SIDES = { 1: 172, 2: 98, 4: 82 }

function Cards({ cards: { cards, perPage } }: { cards: SheetCards }) {
  const t = useTexts(sheetTexts)
  const side = CARD_SIDES[perPage]
  return (
    <div className={`mt-2 flex flex-wrap gap-6 ${perPage === 4 ? 'justify-between' : 'justify-center'}`}>
      {cards.map(({ label, size, direction, cells }) => (
        <section key={label} aria-label={t('card', { label })} style={{ width: `${side}mm` }}>
          <p className="font-bold">{label}</p>
          <div
            className="grid border-2 border-current"
            dir={direction}
            style={{ gridTemplateColumns: `repeat(${size}, 1fr)` }}
          >
            {cells.map((cell, index) => (
              <Square key={index} square={cell} side={side / size - 0.6} />
            ))}
          </div>
        </section>
      ))}
    </div>
  )
}

/** Cards that fill the page, to cut or to fold. */
function Deck({ deck: { columns, rows, cells } }: { deck: SheetDeck }) {
  return (
    <div className="grid" style={{ gridTemplateColumns: `repeat(${columns}, ${DECK.width / columns}mm)` }}>
      {cells.map((cell, index) => (
        <Square key={index} square={cell ?? { text: '' }} side={DECK.width / columns} height={DECK.height / rows} />
      ))}
    </div>
  )
}

/** A square, its text as large as its longest word lets it be. */
function Square({ square, side, height = side }: { square: SheetSquare | null; side: number; height?: number }) {
  const longest = Math.max(1, ...(square?.text ?? '').split(/\s+/u).map((word) => word.length))
  return (
    <div
      className="flex flex-col items-center justify-center overflow-hidden border border-[#46605B] text-center leading-tight"
      style={{
        width: `${side}mm`,
        height: `${height}mm`,
        // Texts keep away from where the scissors go.
        padding: `${Math.max(1.4, Math.min(side, height) * 0.07)}mm`,
        fontSize: `${Math.max(2.2, Math.min(LARGEST_TYPE, side * 0.2, height * 0.2, Math.sqrt((side * height) / (3.2 * Math.max(1, (square?.text ?? '').length))), (side * 1.3) / longest))}mm`,
      }}
    >
      {square === null && <span className="block size-1/3 rounded-full bg-[#D9D2C0]" />}
      {square?.picture && <img src={mediaPath(square.picture)} alt="" className="max-h-1/2 object-contain" />}
      {square && <bdi dir={directionOf(square.text)}>{square.text}</bdi>}
    </div>
  )
}
