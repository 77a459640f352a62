import { Waterline } from '../../ui/Waterline.tsx'

interface BuoysProps {
  names: readonly string[]
  /** The share of the board that is used, and what says so. */
  filled: number
  label: string
}

/** The waterline, filled as the board is used, with a buoy for each column and its name above. */
export function Buoys({ names, filled, label }: BuoysProps) {
  return (
    <>
      <div className="grid items-end" style={{ gridTemplateColumns: `repeat(${names.length}, minmax(0, 1fr))` }}>
        {names.map((name, column) => (
          <div key={column} className="flex min-w-0 flex-col items-center gap-1 px-1">
            <h2
              className="max-w-full text-center font-display text-sm leading-tight font-bold wrap-break-word sm:text-xl"
              dir="auto"
            >
              {name}
            </h2>
            <svg width="20" height="30" viewBox="0 0 20 30" aria-hidden="true" className="quizboard-buoy">
              <rect x="2" y="2" width="16" height="26" rx="8" strokeWidth="2.5" />
            </svg>
          </div>
        ))}
      </div>
      <Waterline filled={filled} label={label} />
    </>
  )
}
