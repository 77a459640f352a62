import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface PagesProps {
  first: number
  most: number
  of: number
  names: readonly [earlier: string, later: string]
  onGo: (first: number) => void
}

/** The way through what does not fit at once; nothing where it does. */
export function Pages({ first, most, of, names: [earlier, later], onGo }: PagesProps) {
  const t = useTexts(reportTexts)
  if (of <= most) return null
  return (
    <p className="flex items-center gap-2 text-sm">
      <button type="button" className="btn h-11" disabled={first === 0} onClick={() => onGo(first - most)}>
        {earlier}
      </button>
      <span className="tabular-nums">{t('map.shown', { from: first + 1, to: Math.min(of, first + most), of })}</span>
      <button type="button" className="btn h-11" disabled={first + most >= of} onClick={() => onGo(first + most)}>
        {later}
      </button>
    </p>
  )
}
