import { FileDown, Printer } from 'lucide-react'
import { Link } from 'react-router'
import { commonTexts, printTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** The way back, the PDF and the printer. */
export function PrintActions({
  back,
  isReady,
  isMaking,
  canPrint,
  onPrint,
  onDownload,
  onStop,
}: {
  back: string
  isReady: boolean
  /** Whether a PDF is being made. */
  isMaking: boolean
  canPrint: boolean
  /** Is told that the browser prints. */
  onPrint?: () => void
  onDownload: () => void
  onStop: () => void
}) {
  const t = useTexts(printTexts)
  const common = useTexts(commonTexts)
  return (
    <div className="ms-auto flex flex-wrap gap-2">
      <Link className="btn h-11" to={back}>
        {common('back')}
      </Link>
      {isMaking ? (
        <button type="button" className="btn h-11" onClick={onStop}>
          {t('stopPdf')}
        </button>
      ) : (
        <button type="button" className="btn h-11" disabled={!isReady} onClick={onDownload}>
          <FileDown size={18} aria-hidden="true" />
          {t('pdf')}
        </button>
      )}
      <button
        type="button"
        className="btn btn-primary h-11"
        disabled={!canPrint}
        onClick={() => {
          onPrint?.()
          print()
        }}
      >
        <Printer size={18} aria-hidden="true" />
        {common('print')}
      </button>
    </div>
  )
}
