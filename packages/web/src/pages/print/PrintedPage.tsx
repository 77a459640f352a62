import { versionSeed, type PrintedReply } from '@otter/api'
import { useMemo, useReducer } from 'react'
import { useParams } from 'react-router'
import { usePrinted } from '../../api/prints.ts'
import { useOffers } from '../../api/offers.ts'
import { useGameWords } from '../../games/words.ts'
import { printTexts, sheetTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { PdfProgress } from './PdfProgress.tsx'
import { PrintActions } from './PrintActions.tsx'
import { PrintChoices } from './PrintChoices.tsx'
import { PrintFrame } from './PrintFrame.tsx'
import { pagesOf, PRINTING, printingAfter } from './printing.ts'
import { SheetViews } from './SheetView.tsx'
import { usePdf } from './usePdf.ts'

/** Sheets that were printed, as they were: to print once more, with the key. */
export function PrintedPage() {
  const { id = '' } = useParams()
  const t = useTexts(printTexts)
  useTexts(sheetTexts)
  const { data, error } = usePrinted(id)
  if (data) return <KeptSheets print={data} />
  return (
    <main className="mx-auto max-w-4xl p-5">
      {error ? <Notice error={error} /> : <Waterline filled={undefined} label={t('making')} />}
    </main>
  )
}

function KeptSheets({ print }: { print: PrintedReply }) {
  const t = useTexts(printTexts)
  const { language, date } = useWriting()
  const name = useGameWords().name(print.kind)
  const { id, kind, listId, puzzles, early, seed, rules } = print
  const [printing, change] = useReducer(printingAfter, { ...PRINTING, versions: puzzles.length })
  const offers = useOffers(listId)
  const pdf = usePdf()
  const title = print.title || name
  const pages = useMemo(() => pagesOf(kind, puzzles, printing.key), [kind, puzzles, printing.key])
  const { code, paper, key, saveInk } = printing
  const layout = { paper, key, saveInk, language, ...(code !== undefined && { code }) }
  return (
    <PrintFrame
      title={t('title', { game: name })}
      controls={
        <>
          <p className="w-full">
            {t('asItWas', {
              when: date(print.printedAt, { dateStyle: 'full', timeStyle: 'short' }),
            })}
          </p>
          <PrintChoices
            isKept
            printing={printing}
            onChange={change}
            links={offers.data?.filter((offer) => offer.open && offer.kind === kind) ?? []}
          />
          <PrintActions
            back={`/lists/${listId}/games/${kind}/print`}
            isReady
            isMaking={pdf.progress !== undefined}
            canPrint
            onDownload={() => void pdf.download({ printId: id, sheets: layout }, `${title}.pdf`)}
            onStop={pdf.stop}
          />
          <PdfProgress pdf={pdf} />
          <Notice error={pdf.error} />
        </>
      }
    >
      <SheetViews
        pages={pages}
        title={title}
        seeds={puzzles.map((_, index) => versionSeed(seed, index + 1))}
        rules={rules}
        printing={printing}
        early={early}
      />
    </PrintFrame>
  )
}
