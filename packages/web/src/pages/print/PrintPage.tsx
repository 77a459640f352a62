import { GAME_KINDS, type GameKind } from '@otter/core'
import { useParams } from 'react-router'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, printTexts, sheetTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { Lost } from '../Lost.tsx'
import { PrintActions } from './PrintActions.tsx'
import { PrintChoices } from './PrintChoices.tsx'
import { SheetView } from './SheetView.tsx'
import { usePdf, type Pdf } from './usePdf.ts'
import { useSheets, type Sheets } from './useSheets.ts'

/** Sheets to print: through the browser, or as a PDF. */
export function PrintPage() {
  const { id = '', kind = '' } = useParams()
  return (GAME_KINDS as string[]).includes(kind) ? <ListSheets id={id} kind={kind as GameKind} /> : <Lost />
}

function ListSheets({ id, kind }: { id: string; kind: GameKind }) {
  const t = useTexts(printTexts)
  // What the sheets say is there before the page is: or it would vanish again under the first choice.
  useTexts(sheetTexts)
  const name = useGameWords().name(kind)
  const { language } = useWriting()
  const sheets = useSheets(id, kind)
  const pdf = usePdf(id)
  const { choice, printing, pages } = sheets
  const title = sheets.title || name
  const download = (): void => {
    const { code, ...printed } = printing
    void pdf.download({ ...printed, kind, ...choice, language, ...(code !== undefined && { code }) }, `${title}.pdf`)
  }
  return (
    <main className="mx-auto flex max-w-4xl flex-col gap-4 px-4 py-5 print:block print:max-w-none print:p-0">
      <h1 className="sr-only print:hidden">{t('title', { game: name })}</h1>
      <div className="panel flex flex-wrap items-end gap-4 p-4 print:hidden">
        <PrintChoices
          printing={printing}
          onChange={sheets.change}
          links={sheets.links}
          onMakeLink={sheets.ready && !sheets.isMakingLink ? sheets.makeLink : undefined}
        />
        <PrintActions
          back={`/lists/${id}/games/${kind}`}
          isReady={sheets.ready}
          isMaking={pdf.progress !== undefined}
          canPrint={pages.length > 0}
          onDownload={download}
          onStop={pdf.stop}
        />
        <PrintNews sheets={sheets} pdf={pdf} />
      </div>
      {sheets.making && (
        <div>
          <Waterline filled={undefined} label={t('making')} />
          <p className="quiet text-sm" role="status">
            {t('makingNow')}
          </p>
        </div>
      )}
      {pages.map((page) => (
        <SheetView
          key={`${page.index} ${page.isKey} ${page.page}`}
          page={page}
          title={title}
          seed={sheets.seeds[page.index]!}
          printing={printing}
          code={printing.code}
          early={choice.options.early}
        />
      ))}
    </main>
  )
}

/** How far a PDF has come, and what went wrong. */
function PrintNews({ sheets, pdf }: { sheets: Sheets; pdf: Pdf }) {
  const t = useTexts(printTexts)
  const common = useTexts(commonTexts)
  const problem = sheets.died ? common('workerDied') : sheets.impossible ? t('impossible') : undefined
  return (
    <>
      {pdf.progress !== undefined && (
        <div className="w-full">
          <Waterline filled={pdf.progress} label={t('makingPdf')} />
          <p className="quiet text-sm" role="status">
            {t('makingPdfNow')}
          </p>
        </div>
      )}
      <div className="w-full empty:hidden">
        <Notice error={sheets.error ?? pdf.error} />
        {problem !== undefined && (
          <p role="alert" className="text-error">
            {problem}
          </p>
        )}
      </div>
    </>
  )
}
