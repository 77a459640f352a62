import { printTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import type { Pdf } from './usePdf.ts'

/** How far a PDF has come. */
export function PdfProgress({ pdf: { progress } }: { pdf: Pdf }) {
  const t = useTexts(printTexts)
  if (progress === undefined) return null
  return (
    <div className="w-full">
      <Waterline filled={progress} label={t('makingPdf')} />
      <p className="quiet text-sm" role="status">
        {t('makingPdfNow')}
      </p>
    </div>
  )
}
