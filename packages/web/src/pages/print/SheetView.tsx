import { directionOf } from '@otter/core'
import { commonTexts, printTexts, sheetTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { QrCode } from '../../ui/QrCode.tsx'
import type { PlacedPage, Printing } from './printing.ts'
import { SheetBlocks } from './SheetBlocks.tsx'

interface SheetViewProps {
  page: PlacedPage
  title: string
  seed: string
  /** Version of the game's rules that made it. */
  rules: number
  printing: Printing
  /** Whether its readers learn to read. */
  early: boolean
}

/** All sheets, as they come out of the printer. */
export function SheetViews({
  pages,
  seeds,
  ...whole
}: Omit<SheetViewProps, 'page' | 'seed'> & { pages: readonly PlacedPage[]; seeds: readonly string[] }) {
  return pages.map((page) => (
    <SheetView key={`${page.index} ${page.isKey} ${page.page}`} page={page} seed={seeds[page.index]!} {...whole} />
  ))
}

/** One page of the sheets, as it comes out of the printer. */
function SheetView({
  page: { blocks, bare, index, isKey },
  title,
  seed,
  rules,
  printing: { paper, saveInk, versions, code },
  early,
}: SheetViewProps) {
  const t = useTexts(printTexts)
  const common = useTexts(commonTexts)
  const sheet = useTexts(sheetTexts)
  return (
    <article
      aria-label={`${isKey ? t('key') : t('sheet')} ${index + 1}`}
      className={`flex break-after-page flex-col bg-white p-8 text-[#14312F] shadow-sm last:break-after-auto print:p-0 print:shadow-none ${paper === 'a4' ? 'sheet-a4' : 'sheet-letter'} ${saveInk ? 'save-ink' : ''}`}
    >
      <header className="flex items-start justify-between gap-4" dir={directionOf(title)}>
        <h1 className="text-3xl" dir="auto">
          {title}
          {isKey ? ` · ${sheet('key')}` : ''}
        </h1>
        {!isKey && code !== undefined && (
          <QrCode text={`${location.origin}/p/${code}`} size={84} label={common('qrOf', { code })} />
        )}
      </header>
      {isKey || bare ? <div className="h-4" /> : <NameAndDate />}
      <SheetBlocks blocks={blocks} early={early} />
      <footer className="mt-auto flex justify-between pt-4 text-xs text-[#46605B]">
        <span>
          {sheet('seed')} {seed} · {sheet('rules', { number: rules })}
          {versions > 1 ? ` · ${sheet('version', { number: index + 1, of: versions })}` : ''}
        </span>
        <span>{code === undefined ? '' : `${location.host}/p/${code}`}</span>
      </footer>
    </article>
  )
}

/** Lines to write on. */
function NameAndDate() {
  const sheet = useTexts(sheetTexts)
  return (
    <p className="my-4 flex gap-6 text-sm">
      <span className="flex flex-2 gap-2">
        {sheet('name')}
        <span className="flex-1 border-b border-current" />
      </span>
      <span className="flex flex-1 gap-2">
        {sheet('date')}
        <span className="flex-1 border-b border-current" />
      </span>
    </p>
  )
}
