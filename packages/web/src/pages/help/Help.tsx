import { CircleHelp } from 'lucide-react'
import { useEffect, useState } from 'react'
import { commonTexts, helpTexts } from '../../texts/namespaces.ts'
import { fetchTexts } from '../../texts/fetchTexts.ts'
import { useTexts } from '../../texts/texts.ts'
import { fetchAhead } from '../../ui/fetchAhead.ts'
import { later } from '../../ui/later.tsx'
import { useShortcuts } from '../../ui/useShortcuts.ts'

/** Help is fetched once the page has had time to open; in milliseconds. */
const OPENING = 4000

const KeysDialog = later(async () => (await import('./KeysDialog.tsx')).KeysDialog)

/**
 * The button, and the key, that tell what the keys of the screen do. Of several on one page, one listens to the key.
 */
export function Help({ listens = true }: { listens?: boolean }) {
  const t = useTexts(commonTexts)
  const [open, setOpen] = useState(false)
  useEffect(() => {
    if (!listens) return
    const timer = setTimeout(() => fetchAhead(KeysDialog.fetch(), fetchTexts(helpTexts.name)), OPENING)
    return () => clearTimeout(timer)
  }, [listens])
  useShortcuts((event) => {
    if (!listens || event.key !== '?' || document.querySelector('dialog[open]')) return
    event.preventDefault()
    setOpen(true)
  })
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        aria-label={t('frame.help')}
        title={t('frame.help')}
        aria-keyshortcuts="?"
        onClick={() => setOpen(true)}
      >
        <CircleHelp size={18} aria-hidden="true" />
      </button>
      {open && <KeysDialog onClose={() => setOpen(false)} />}
    </>
  )
}
