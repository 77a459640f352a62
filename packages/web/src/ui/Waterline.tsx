const WAVE = 24
const HEIGHT = 10
/** Enough for a projector's width. */
const WAVES = 90

/**
 * The thin wavy rule under a header; it fills as something gets done. `filled` is a share from 0 to 1; absent while
 * waiting.
 */
export function Waterline({ filled, label }: { filled: number | undefined; label: string }) {
  const path = `M0 5${Array.from({ length: WAVES }, () => 'q6 -6 12 0t12 0').join('')}`
  const width = WAVES * WAVE
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={filled === undefined ? undefined : Math.round(filled * 100)}
      className="relative h-2.5 w-full overflow-hidden"
    >
      <svg
        width={width}
        height={HEIGHT}
        className="absolute start-0 top-0 text-base-300 rtl:-scale-x-100"
        aria-hidden="true"
      >
        <path d={path} fill="none" stroke="currentColor" strokeWidth="2.5" strokeLinecap="round" />
      </svg>
      <div
        className={`absolute start-0 top-0 h-full overflow-hidden transition-[width] duration-500 ${filled === undefined ? 'animate-pulse' : ''}`}
        style={{ width: `${(filled ?? 0.4) * 100}%` }}
      >
        <svg width={width} height={HEIGHT} className="text-secondary rtl:-scale-x-100" aria-hidden="true">
          <path d={path} fill="none" stroke="currentColor" strokeWidth="2.5" strokeLinecap="round" />
        </svg>
      </div>
    </div>
  )
}
