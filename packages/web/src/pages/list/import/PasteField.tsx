import { FileUp } from 'lucide-react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

interface PasteFieldProps {
  text: string
  onPaste: (text: string) => void
  /** Absent where no file is taken. */
  onFile?: (file: File) => void
}

/** When what was pasted is understood and shown, in milliseconds. */
const AFTER_PASTE = 120

/** Asks for words to paste, or for a file. */
export function PasteField({ text, onPaste, onFile }: PasteFieldProps) {
  const t = useTexts(listTexts)
  return (
    <>
      <textarea
        autoFocus
        data-first
        dir="auto"
        aria-label={t('import.toPaste')}
        rows={text === '' ? 7 : 3}
        className="textarea w-full"
        placeholder={t('import.example')}
        value={text}
        onChange={(event) => onPaste(event.target.value)}
        // After a paste Enter adds; whoever goes on writing has only to click into the field.
        onPaste={(event) => {
          const dialog = event.currentTarget.closest('dialog')
          setTimeout(() => dialog?.querySelector<HTMLElement>('[data-add]:not(:disabled)')?.focus(), AFTER_PASTE)
        }}
      />
      {text === '' && onFile && (
        <>
          <label className="btn self-start">
            <FileUp size={18} aria-hidden="true" />
            {t('import.chooseFile')}
            <input
              type="file"
              className="sr-only"
              accept=".csv,.tsv,.txt,.xlsx,.xlsm,.zip,.ipuz,.json"
              onChange={(event) => event.target.files?.[0] && onFile(event.target.files[0])}
            />
          </label>
          <p className="quiet text-sm">{t('import.help')}</p>
        </>
      )}
    </>
  )
}
