import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface KnownNameProps {
  name: string
  busy: boolean
  onJoin: (same: 'back' | 'other') => void
}

/** Where somebody has a name already: whether this is the same student, or another one. */
export function KnownName({ name, busy, onJoin }: KnownNameProps) {
  const t = useTexts(playTexts)
  return (
    <>
      <p role="alert" className="text-error">
        {t('nameHere', { name })}
      </p>
      <button type="button" className="btn btn-primary h-14 text-lg" disabled={busy} onClick={() => onJoin('back')}>
        {t('comeBack', { name })}
      </button>
      <button type="button" className="btn h-14 text-lg" disabled={busy} onClick={() => onJoin('other')}>
        {t('otherOne', { name })}
      </button>
    </>
  )
}
