import { CircleHelp } from 'lucide-react'
import { Suspense, useState } from 'react'
import { useLocation } from 'react-router'
import { commonTexts, helpTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { useShortcuts } from '../../ui/useShortcuts.ts'
import { LETTERS, SPACE } from '../../games/keyHelp.ts'
import { keysAt } from './keys.ts'

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

function KeysDialog({ onClose }: { onClose: () => void }) {
  const t = useTexts(helpTexts)
  const common = useTexts(commonTexts)
  const { pathname } = useLocation()
  const said: Record<string, string> = { [SPACE]: t('space'), [LETTERS]: t('letters') }
  return (
    <Dialog title={t('title')} layout="flex max-w-xl flex-col gap-3" onClose={onClose}>
      <p className="quiet">{t('intro')}</p>
      {keysAt(pathname).map(({ title, keys }) => (
        <section key={title} aria-label={t(title)}>
          <h3 className="text-lg font-bold">{t(title)}</h3>
          <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-1.5">
            {keys.map((one) => (
              <div key={one.does} className="contents">
                <dt className="flex flex-wrap gap-1" dir="ltr">
                  {one.keys.map((key) => (
                    <kbd key={key} className="kbd">
                      {said[key] ?? key}
                    </kbd>
                  ))}
                </dt>
                <dd>{t(one.does)}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <button type="button" data-first className="btn btn-primary self-end" onClick={onClose}>
        {common('close')}
      </button>
    </Dialog>
  )
}
