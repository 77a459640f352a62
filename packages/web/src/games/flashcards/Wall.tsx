import { randomFrom, type Face } from '@otter/core'
import type { FlashcardsPuzzle } from '@otter/core/games/flashcards'
import { mediaPath } from '@otter/api'
import { ChevronLeft, ChevronRight, Eye, EyeOff, Repeat, RotateCw, Shuffle, Volume2 } from 'lucide-react'
import { useState } from 'react'
import type { GameWallProps } from '../contract.ts'
import { Fitted } from '../Fitted.tsx'
import { Wall as Frame, type WallAction } from '../Wall.tsx'
import { commonTexts } from '../../texts/namespaces.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

type Side = 'front' | 'back'

/** One card at a time, as large as the wall; what the class repeats comes again at the end. */
export function Wall({ puzzle: { cards }, title, onClose }: GameWallProps<FlashcardsPuzzle>) {
  const t = useTexts(texts)
  const common = useTexts(commonTexts)
  const [queue, setQueue] = useState(() => [...cards.keys()])
  const [place, setPlace] = useState(0)
  const [hidden, setHidden] = useState<Side>('back')
  const [turned, setTurned] = useState(false)
  const [shuffles, setShuffles] = useState(0)
  const card = cards[queue[place]!]!
  const up: Side = hidden === 'back' ? 'front' : 'back'
  const go = (next: number): void => {
    setPlace(Math.max(0, Math.min(queue.length - 1, next)))
    setTurned(false)
  }
  const shuffle = (): void => {
    setQueue(randomFrom(`${Date.now()} ${shuffles}`).shuffled([...cards.keys()]))
    setShuffles(shuffles + 1)
    setPlace(0)
    setTurned(false)
  }
  const repeated = queue.indexOf(queue[place]!, place + 1) > 0
  const actions: WallAction[] = [
    { key: 'ArrowLeft', name: common('wall.back'), Icon: ChevronLeft, act: () => go(place - 1), isOff: place === 0 },
    { key: ' ', name: t('wall.turn'), Icon: RotateCw, act: () => setTurned(!turned), isMain: true },
    {
      key: 'ArrowRight',
      name: common('wall.next'),
      Icon: ChevronRight,
      act: () => go(place + 1),
      isOff: place === queue.length - 1,
    },
    {
      key: 'r',
      name: repeated ? t('wall.again') : t('wall.repeat'),
      Icon: Repeat,
      act: () => setQueue([...queue, queue[place]!]),
      isOff: repeated,
    },
    { key: 's', name: t('wall.shuffle'), Icon: Shuffle, act: shuffle },
    {
      key: 'h',
      name: hidden === 'back' ? t('wall.hideFronts') : t('wall.hideBacks'),
      Icon: hidden === 'back' ? EyeOff : Eye,
      act: () => {
        setHidden(hidden === 'back' ? 'front' : 'back')
        setTurned(false)
      },
    },
  ]
  const { sound } = turned ? card[hidden] : card[up]
  if (sound)
    actions.push({
      key: 'p',
      name: t('wall.sound'),
      Icon: Volume2,
      act: () => void new Audio(mediaPath(sound.id)).play(),
    })
  return (
    <Frame title={title} place={{ number: place + 1, of: queue.length }} actions={actions} onClose={onClose}>
      <Fitted>
        <button
          type="button"
          aria-live="polite"
          className={`panel flex flex-1 flex-col items-center justify-center gap-4 p-4 ${turned ? 'border-secondary' : ''}`}
          onClick={() => setTurned(!turned)}
        >
          <Large face={card[up]} quiet={turned} />
          {turned ? (
            <Large face={card[hidden]} quiet={false} />
          ) : (
            <span
              className="card-back block h-24 w-40 rounded-xl border border-base-300"
              role="img"
              aria-label={t('wall.down')}
            />
          )}
          {turned && card.fact !== '' && <span className="text-xl">{card.fact}</span>}
        </button>
      </Fitted>
    </Frame>
  )
}

function Large({ face, quiet }: { face: Face; quiet: boolean }) {
  return (
    <span className={`flex flex-col items-center gap-2 ${quiet ? 'quiet' : ''}`}>
      {face.picture && (
        <img
          src={mediaPath(face.picture.id)}
          alt={face.picture.alt}
          className="max-h-36 rounded under-picture object-contain"
        />
      )}
      {face.text !== '' && (
        <span dir="auto" className={face.text.length > 60 ? 'text-3xl leading-tight' : 'text-4xl leading-tight'}>
          {face.text}
        </span>
      )}
    </span>
  )
}
