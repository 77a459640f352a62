import { MAX_ENTRIES, MAX_FACE, MAX_PASTE, readPaste, type Separator } from '@otter/core'
import { useEffect, useMemo, useRef, useState } from 'react'

const SEPARATORS: Record<Separator, string> = { tab: 'Tab (spreadsheet)', comma: 'Comma ,', semicolon: 'Semicolon ;', dash: 'Dash " - "', equals: 'Equals " = "', none: 'None: one column' }
/** Rows drawn at once; the rest is counted. */
const SHOWN = 300

interface PasteReviewProps {
  text: string
  /** Entries that are in the list already. */
  entryCount: number
  onKeep: (rows: { answer: string; prompt: string }[]) => void
  onClose: () => void
}

/** Shows how pasted text was understood, row by row; nothing is kept before a yes. */
export function PasteReview({ text: pasted, entryCount, onKeep, onClose }: PasteReviewProps) {
  const dialog = useRef<HTMLDialogElement>(null)
  const [text, setText] = useState(pasted)
  const [separator, setSeparator] = useState<Separator>()
  const [header, setHeader] = useState<boolean>()
  const [swapped, setSwapped] = useState(false)
  useEffect(() => dialog.current?.showModal(), [])
  const tooLong = text.length > MAX_PASTE
  const paste = useMemo(() => readPaste(tooLong ? '' : text, { separator, header }), [text, tooLong, separator, header])
  const rows = swapped ? paste.rows.map((row) => ({ ...row, answer: row.prompt, prompt: row.answer })) : paste.rows
  const long = rows.filter(({ answer, prompt }) => answer.length > MAX_FACE || prompt.length > MAX_FACE)
  const room = MAX_ENTRIES - entryCount
  const kept = rows.filter((row) => !long.includes(row))
  const problem = tooLong
    ? `That is ${Math.round(text.length / 1e6)} million characters; ${MAX_PASTE / 1e6} million can be read at once. Paste it in parts.`
    : kept.length > room ? `A list holds ${MAX_ENTRIES} entries; there is room for ${room} more, and this has ${kept.length}.` : undefined
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="paste-title" onClose={onClose} onCancel={onClose}>
      <div className="modal-box flex max-h-[90dvh] max-w-3xl flex-col gap-3">
        <h2 id="paste-title" className="text-2xl">{text === '' ? 'Paste your words' : 'What was understood'}</h2>
        {pasted === '' && <textarea autoFocus dir="auto" aria-label="Words to paste" rows={text === '' ? 8 : 3} className="textarea w-full" placeholder={'smoker\tcalms the bees\ndrone\ta male bee'} value={tooLong ? '' : text} onChange={(event) => setText(event.target.value)} />}
        {text !== '' && (
          <>
            <div className="flex flex-wrap items-end gap-4 text-sm">
              <label className="flex flex-col">Between the sides<select className="select select-sm" value={paste.separator} onChange={(event) => setSeparator(event.target.value as Separator)}>{Object.entries(SEPARATORS).map(([value, name]) => <option key={value} value={value}>{name}</option>)}</select></label>
              <label className="flex h-8 items-center gap-2"><input type="checkbox" className="checkbox checkbox-sm" checked={paste.header !== null} onChange={(event) => setHeader(event.target.checked)} />First row is a heading{paste.header && <span className="quiet">({paste.header.filter((side) => side !== '').join(', ')})</span>}</label>
              <label className="flex h-8 items-center gap-2"><input type="checkbox" className="checkbox checkbox-sm" checked={swapped} onChange={(event) => setSwapped(event.target.checked)} />Swap the sides</label>
            </div>
            <div className="panel min-h-24 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Rows">
              <table className="w-full table-fixed text-sm">
                <thead className="sticky top-0 bg-base-100"><tr><th className="w-12 p-1.5 text-end" scope="col">Line</th><th className="w-2/5 p-1.5 text-start" scope="col">Answer</th><th className="p-1.5 text-start" scope="col">Prompt</th></tr></thead>
                <tbody>
                  {rows.slice(0, SHOWN).map((row) => (
                    <tr key={row.line} className={`border-t border-base-300 align-top ${long.includes(row) ? 'text-error' : ''}`}>
                      <td className="quiet p-1.5 text-end tabular-nums">{row.line}</td>
                      <td className="whitespace-pre-wrap break-words p-1.5 font-bold" dir="auto">{row.answer.slice(0, 300)}</td>
                      <td className="whitespace-pre-wrap break-words p-1.5" dir="auto">{row.prompt.slice(0, 300)}{row.joined > 0 && <span className="quiet"> ({row.joined + 1} cells joined)</span>}{long.includes(row) && ' Longer than 2,000 characters: left out.'}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            <p className="quiet text-sm">
              {rows.length > SHOWN && `The first ${SHOWN} of ${rows.length} rows are shown. `}
              {paste.blankLines > 0 && `${paste.blankLines} blank ${paste.blankLines === 1 ? 'line was' : 'lines were'} skipped. `}
              {long.length > 0 && `${long.length} too long to keep. `}
            </p>
          </>
        )}
        {problem && <p role="alert" className="text-error">{problem}</p>}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>Cancel</button>
          <button type="button" className="btn btn-primary" autoFocus={pasted !== ''} disabled={kept.length === 0 || problem !== undefined} onClick={() => onKeep(kept.map(({ answer, prompt }) => ({ answer, prompt })))}>Add {kept.length} {kept.length === 1 ? 'row' : 'rows'}</button>
        </div>
      </div>
    </dialog>
  )
}
