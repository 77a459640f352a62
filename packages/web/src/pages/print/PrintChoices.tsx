import { MAX_VERSIONS, type OfferReply } from '@otter/api'
import { printTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import type { Paper, Printing, PrintingStep } from './printing.ts'

/** How many versions on which paper, and with what. */
export function PrintChoices({
  printing,
  onChange,
  links,
  onMakeLink,
  isKept = false,
}: {
  printing: Printing
  /** Whether it was printed before, in so many versions. */
  isKept?: boolean
  onChange: (step: PrintingStep) => void
  /** Links whose code can stand on the sheets. */
  links: readonly OfferReply[]
  /** Makes a new one; undefined while there can be none. */
  onMakeLink?: (() => void) | undefined
}) {
  const t = useTexts(printTexts)
  return (
    <>
      {!isKept && (
        <label className="flex flex-col text-sm">
          {t('versions')}
          <input
            type="number"
            min={1}
            max={MAX_VERSIONS}
            className="input w-20"
            value={printing.versions}
            onChange={(event) => onChange({ versions: event.target.valueAsNumber })}
          />
        </label>
      )}
      <label className="flex flex-col text-sm">
        {t('paper')}
        <select
          className="select"
          value={printing.paper}
          onChange={(event) => onChange({ paper: event.target.value as Paper })}
        >
          <option value="a4">{t('a4')}</option>
          <option value="letter">{t('letter')}</option>
        </select>
      </label>
      <label className="flex flex-col text-sm">
        {t('qr')}
        <select
          className="select"
          value={printing.code ?? ''}
          onChange={(event) => onChange({ code: event.target.value || undefined })}
        >
          <option value="">{t('noCode')}</option>
          {links.map(({ id, code, name }) => (
            <option key={id} value={code}>
              {name === '' ? code : `${code} · ${name}`}
            </option>
          ))}
        </select>
      </label>
      {links.length === 0 && !isKept && (
        <button type="button" className="btn btn-sm h-10" disabled={!onMakeLink} onClick={onMakeLink}>
          {t('makeLink')}
        </button>
      )}
      {(['key', 'saveInk'] as const).map((name) => (
        <label key={name} className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={printing[name]}
            onChange={(event) => onChange({ [name]: event.target.checked })}
          />
          {t(name)}
        </label>
      ))}
    </>
  )
}
