import { gameOf, isGameKind, type GameKind } from '@otter/core'
import { useQueryClient } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { useKeepPrint } from '../../api/prints.ts'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, printTexts, sheetTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { Lost } from '../Lost.tsx'
import { PrintActions } from './PrintActions.tsx'
import { PrintChoices } from './PrintChoices.tsx'
import { PdfProgress } from './PdfProgress.tsx'
import { PrintedBefore } from './PrintedBefore.tsx'
import { PrintFrame } from './PrintFrame.tsx'
import { SheetViews } from './SheetView.tsx'
import { usePdf, type Pdf } from './usePdf.ts'
import { useSheets, type Sheets } from './useSheets.ts'

/** Sheets to print: through the browser, or as a PDF. */
export function PrintPage() {
  const { id = '', kind = '' } = useParams()
  return isGameKind(kind) ? <ListSheets id={id} kind={kind} /> : <Lost />
}

function ListSheets({ id, kind }: { id: string; kind: GameKind }) {
  const t = useTexts(printTexts)
  // What the sheets say is there before the page is: or it would vanish again under the first choice.
  useTexts(sheetTexts)
  const name = useGameWords().name(kind)
  const { language } = useWriting()
  const sheets = useSheets(id, kind)
  const pdf = usePdf()
  const client = useQueryClient()
  const keep = useKeepPrint(id, kind)
  const { choice, printing, pages } = sheets
  const { options, seed } = choice
  const title = sheets.title || name
  const download = async (): Promise<void> => {
    const { code, ...printed } = printing
    const order = { ...printed, kind, ...choice, language, ...(code !== undefined && { code }) }
    await pdf.download({ listId: id, sheets: order }, `${title}.pdf`)
    await client.invalidateQueries({ queryKey: ['prints', id, kind] })
  }
  return (
    <PrintFrame
      title={t('title', { game: name })}
      controls={
        <>
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
            onPrint={() => keep.mutate({ options, seed, versions: printing.versions })}
            onDownload={() => void download()}
            onStop={pdf.stop}
          />
          <PrintNews sheets={sheets} pdf={pdf} error={keep.error} />
          <PrintedBefore listId={id} kind={kind} />
        </>
      }
    >
      {sheets.making && (
        <div>
          <Waterline filled={undefined} label={t('making')} />
          <p className="quiet text-sm" role="status">
            {t('makingNow')}
          </p>
        </div>
      )}
      <SheetViews
        pages={pages}
        title={title}
        seeds={sheets.seeds}
        rules={gameOf(kind).version}
        printing={printing}
        early={options.early}
      />
    </PrintFrame>
  )
}

/** How far a PDF has come, and what went wrong. */
function PrintNews({ sheets, pdf, error }: { sheets: Sheets; pdf: Pdf; error: Error | null }) {
  const t = useTexts(printTexts)
  const common = useTexts(commonTexts)
  const problem = sheets.died ? common('workerDied') : sheets.impossible ? t('impossible') : undefined
  return (
    <>
      <PdfProgress pdf={pdf} />
      <div className="w-full empty:hidden">
        <Notice error={sheets.error ?? pdf.error ?? error} />
        {problem !== undefined && (
          <p role="alert" className="text-error">
            {problem}
          </p>
        )}
      </div>
    </>
  )
}
