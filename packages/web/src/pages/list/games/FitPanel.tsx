import { GAME_KINDS } from '@otter/core'
import { memo } from 'react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { later } from '../../../ui/later.tsx'
import type { FitCardsProps } from './FitCards.tsx'

const FitCards = later(async () => (await import('./FitCards.tsx')).FitCards)

/** What the list can be. The games are fetched for it, while the words are there already. */
export const FitPanel = memo(function FitPanel(shown: FitCardsProps) {
  const t = useTexts(listTexts)
  const { fits } = shown
  const ready = GAME_KINDS.filter((kind) => fits?.[kind].ready).length
  return (
    <section aria-label={t('fits.title')} className="flex flex-col gap-3">
      <div className="flex items-baseline justify-between">
        <h2 className="text-2xl">{t('fits.title')}</h2>
        {fits && <p className="quiet">{t('fits.ready', { ready, of: GAME_KINDS.length })}</p>}
      </div>
      <FitCards {...shown} />
    </section>
  )
})
