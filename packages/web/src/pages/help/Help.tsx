import { CircleHelp } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { commonTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { useShortcuts } from '../../ui/useShortcuts.ts'

const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog.tsx')).KeysDialog }))

/**
 * The button, and the key, that tell what the keys of the screen do. Of several on one page, one listens to the key.
 */
export function Help({ listens = true }: { listens?: boolean }) {
  const t = useTexts(commonTexts)
  const [open, setOpen] = useState(false)
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
      {open && (
        <Suspense>
          <KeysDialog onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  )
}
