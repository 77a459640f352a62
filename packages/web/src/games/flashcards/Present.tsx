import { randomFrom, type Face } from '@otter/core'
import { type Flashcard, type FlashcardsOptions, type FlashcardsPuzzle } from '@otter/core/games/flashcards'
import { mediaPath } from '@otter/api'
import {
  ChevronLeft,
  ChevronRight,
  Eye,
  EyeOff,
  Presentation,
  Repeat,
  RotateCw,
  Shuffle,
  Volume2,
  X,
  type LucideIcon,
} from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import type { WorkbenchProps } from '../contract.ts'
import { commonTexts } from '../../texts/namespaces.ts'
import { texts } from './texts.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'

/** Shows the cards to the whole class. */
export function Present({ puzzle }: WorkbenchProps<FlashcardsOptions, FlashcardsPuzzle>) {
  const t = useTexts(texts)
  const [open, setOpen] = useState(false)
  return (
    <div>
      <button type="button" className="btn btn-sm" onClick={() => setOpen(true)}>
        <Presentation size={16} aria-hidden="true" />
        {t('wall.show')}
      </button>
      {open && <Wall cards={puzzle.cards} onClose={() => setOpen(false)} />}
    </div>
  )
}

type Side = 'front' | 'back'

/** One card at a time, as large as the wall; what the class repeats comes again at the end. */
function Wall({ cards, onClose }: { cards: readonly Flashcard[]; onClose: () => void }) {
  const t = useTexts(texts)
  const common = useTexts(commonTexts)
  const shown = useRef<HTMLButtonElement>(null)
  const [queue, setQueue] = useState(() => [...cards.keys()])
  const [place, setPlace] = useState(0)
  const [hidden, setHidden] = useState<Side>('back')
  const [turned, setTurned] = useState(false)
  const [shuffles, setShuffles] = useState(0)
  useEffect(() => {
    // A dialog gives the focus to its first button, which here is Close.
    shown.current?.focus()
    // A wall without full screen is still a wall: browsers may refuse it.
    document.documentElement.requestFullscreen().catch(() => undefined)
    return () => {
      if (document.fullscreenElement) void document.exitFullscreen()
    }
  }, [])
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
  const actions: [key: string, name: string, Icon: LucideIcon, act: () => void, off?: boolean][] = [
    ['ArrowLeft', t('wall.back'), ChevronLeft, () => go(place - 1), place === 0],
    [' ', t('wall.turn'), RotateCw, () => setTurned(!turned)],
    ['ArrowRight', t('wall.next'), ChevronRight, () => go(place + 1), place === queue.length - 1],
    ['r', repeated ? t('wall.again') : t('wall.repeat'), Repeat, () => setQueue([...queue, queue[place]!]), repeated],
    ['s', t('wall.shuffle'), Shuffle, shuffle],
    [
      'h',
      hidden === 'back' ? t('wall.hideFronts') : t('wall.hideBacks'),
      hidden === 'back' ? EyeOff : Eye,
      () => {
        setHidden(hidden === 'back' ? 'front' : 'back')
        setTurned(false)
      },
    ],
  ]
  const sound = (turned ? card[hidden] : card[up]).sound
  if (sound) actions.push(['p', t('wall.sound'), Volume2, () => void new Audio(mediaPath(sound.id)).play()])
  const onKey = (event: React.KeyboardEvent): void => {
    const action = actions.find(([key]) => key === event.key || key === event.key.toLowerCase())
    if (!action || (event.key === ' ' && event.target instanceof HTMLButtonElement && !event.target.dataset.card))
      return
    event.preventDefault()
    if (!action[4]) action[3]()
  }
  return (
    <Dialog
      title={t('wall.label')}
      hidesTitle
      layout="grid h-[96vh] max-h-none w-[97vw] max-w-none grid-rows-[auto_1fr_auto] gap-4"
      box={{ onKeyDown: onKey }}
      onClose={onClose}
    >
      <header className="flex items-center justify-between">
        <p className="text-2xl">
          <Rich
            texts={texts}
            id="wall.place"
            values={{ number: place + 1, of: queue.length }}
            marks={{ strong: <strong /> }}
          />
        </p>
        <button type="button" className="btn btn-ghost h-11 w-11 p-0" aria-label={common('close')} onClick={onClose}>
          <X size={24} aria-hidden="true" />
        </button>
      </header>
      <button
        ref={shown}
        type="button"
        data-card="yes"
        aria-live="polite"
        className={`panel flex flex-col items-center justify-center gap-8 overflow-hidden p-6 ${turned ? 'border-secondary' : ''}`}
        onClick={() => setTurned(!turned)}
      >
        <Large face={card[up]} quiet={turned} />
        {turned ? (
          <Large face={card[hidden]} quiet={false} />
        ) : (
          <span
            className="card-back block h-[22vh] w-[34vh] rounded-xl border border-base-300"
            role="img"
            aria-label={t('wall.down')}
          />
        )}
        {turned && card.fact !== '' && <span className="text-3xl">{card.fact}</span>}
      </button>
      <div className="flex flex-wrap justify-center gap-2">
        {actions.map(([key, name, Icon, act, off = false]) => (
          <button key={key} type="button" className="btn h-12 text-lg" disabled={off} onClick={act}>
            <Icon size={20} aria-hidden="true" />
            {name}{' '}
            <kbd className="kbd kbd-sm" aria-hidden="true">
              {key === ' ' ? t('wall.space') : key === 'ArrowLeft' ? '←' : key === 'ArrowRight' ? '→' : key}
            </kbd>
          </button>
        ))}
      </div>
    </Dialog>
  )
}

function Large({ face, quiet }: { face: Face; quiet: boolean }) {
  return (
    <span className={`flex flex-col items-center gap-4 ${quiet ? 'quiet' : ''}`}>
      {face.picture && (
        <img
          src={mediaPath(face.picture.id)}
          alt={face.picture.alt}
          className="max-h-[32vh] rounded under-picture object-contain"
        />
      )}
      {face.text !== '' && (
        <span dir="auto" className={face.text.length > 60 ? 'text-5xl leading-tight' : 'text-7xl leading-tight'}>
          {face.text}
        </span>
      )}
    </span>
  )
}
