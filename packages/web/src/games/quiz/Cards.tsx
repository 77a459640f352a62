import type { QuizView } from '@otter/core/games/quiz'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { ShownFace } from '../ShownFace.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** All cards with both sides, to look through before the quiz begins. */
export function Cards({ cards, onBegin }: { cards: QuizView['cards']; onBegin: () => void }) {
  const t = useTexts(texts)
  const [place, setPlace] = useState(0)
  const { front, back } = cards[place]!
  return (
    <div className="flex flex-col gap-3">
      <p>{t('cards')}</p>
      <section
        aria-live="polite"
        className="panel flex min-h-56 flex-col items-center justify-center gap-3 p-4 text-center text-xl"
      >
        <ShownFace face={front} />
        <hr className="w-1/2 border-base-300" />
        <strong>
          <ShownFace face={back} />
        </strong>
      </section>
      <div className="flex items-center justify-between gap-2">
        <button
          type="button"
          className="btn h-12 w-12 p-0"
          aria-label={t('cardBefore')}
          disabled={place === 0}
          onClick={() => setPlace(place - 1)}
        >
          <ChevronLeft className="rtl:rotate-180" aria-hidden="true" />
        </button>
        <span className="quiet">
          {place + 1} / {cards.length}
        </span>
        <button
          type="button"
          className="btn h-12 w-12 p-0"
          aria-label={t('cardNext')}
          disabled={place === cards.length - 1}
          onClick={() => setPlace(place + 1)}
        >
          <ChevronRight className="rtl:rotate-180" aria-hidden="true" />
        </button>
      </div>
      <button type="button" className="btn btn-primary h-14 text-lg" onClick={onBegin}>
        {t('begin')}
      </button>
    </div>
  )
}
