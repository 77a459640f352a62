import { useLocation } from 'react-router'
import { LETTERS, SPACE } from '../../games/keyHelp.ts'
import { commonTexts, helpTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { keysAt } from './keys.ts'

/** Tells what the keys of the screen do. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
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
