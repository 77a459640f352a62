import type { PebblesMove, PebblesView } from '@otter/core/games/pebbles'
import { lazy, Suspense, useRef, type CSSProperties, type KeyboardEvent } from 'react'
import type { PlayProps } from '../contract.ts'
import { Turns } from '../Turns.tsx'
import { useTexts } from '../../texts/texts.ts'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'
import { useTeams } from '../../wall/atWall.ts'
import { Emblem } from '../../wall/Emblem.tsx'
import { OpenedQuestion } from '../../wall/OpenedQuestion.tsx'
import { Pebble, Rings } from './Pebble.tsx'
import { texts } from './texts.ts'

/** Twists are fetched where some are met: most games have none. */
const TwistCard = lazy(async () => ({ default: (await import('./TwistCard.tsx')).TwistCard }))
const TwistSign = lazy(async () => ({ default: (await import('./TwistCard.tsx')).TwistSign }))

/** How much wider than high the riverbed is, for pebbles that are a third wider than high. */
const WALL_SHAPE = 2

/** Pebbles as they are played: on the wall, or by teams on one device. */
export function Play({ view, send }: PlayProps<PebblesView, PebblesMove>) {
  const t = useTexts(texts)
  const { teams: named, steers } = useTeams()
  const { question, pebbles, value, twist, events, level, left, teams, finished } = view
  const turn = teams.findIndex((team) => team.turn)
  if (question)
    return (
      <OpenedQuestion
        question={question}
        heading={
          <span className="flex flex-wrap items-center gap-4">
            {t('pebble', { number: question.item + 1, value })}
            <Suspense>{twist && <TwistSign twist={twist} />}</Suspense>
          </span>
        }
        teams={teams}
        send={send}
      />
    )
  return (
    <div className="flex min-h-full flex-1 flex-col gap-3">
      <Turns teams={teams} finished={finished} />
      <div className="flex flex-col gap-2" aria-live="polite">
        <Suspense>
          {events.map((event) => (
            <TwistCard key={event.twist} event={event} />
          ))}
        </Suspense>
      </div>
      <p className="flex flex-wrap justify-between gap-2 text-xl" role="status">
        <span>{finished ? t('over') : turn >= 0 ? t('choose', { team: named[turn]!.name }) : t('chooseAlone')}</span>
        <span className="quiet text-lg">
          {level !== 'off' && `${t('twistsAre', { level: t(`level.${level}`) })} · `}
          {t('left', { count: left })}
        </span>
      </p>
      <Riverbed
        pebbles={pebbles}
        onOpen={steers && !finished ? (item) => send({ type: 'open', item }) : undefined}
        onClear={events.length > 0 && steers ? () => send({ type: 'close' }) : undefined}
      />
    </div>
  )
}

interface RiverbedProps {
  pebbles: PebblesView['pebbles']
  onOpen: ((item: number) => void) | undefined
  /** Puts aside what has just been told; absent where nothing was. */
  onClear: (() => void) | undefined
}

/** The pebbles in the riverbed: chosen by a press, by arrows, or by typing a number. */
function Riverbed({ pebbles, onOpen, onClear }: RiverbedProps) {
  const t = useTexts(texts)
  const { teams } = useTeams()
  const bed = useRef<HTMLOListElement>(null)
  const typed = useRef({ number: '', at: 0 })
  useShortcuts((event) => {
    if (!isPlain(event) || event.shiftKey || event.defaultPrevented) return
    if (onClear && event.key === 'Escape') return onClear()
    if (!/^[0-9]$/u.test(event.key)) return
    const isMore = event.timeStamp - typed.current.at < 1200
    const number = (isMore ? typed.current.number : '') + event.key
    typed.current = { number, at: event.timeStamp }
    pebbleOf(bed.current, Number(number) - 1)?.focus()
  })
  const onKeyDown = (event: KeyboardEvent): void => {
    const from = Number((event.target as HTMLElement).dataset.pebble)
    const columns = bed.current ? getComputedStyle(bed.current).gridTemplateColumns.split(' ').length : 1
    const ahead = document.documentElement.dir === 'rtl' ? -1 : 1
    const step = { ArrowLeft: -ahead, ArrowRight: ahead, ArrowUp: -columns, ArrowDown: columns }[event.key]
    if (step === undefined || Number.isNaN(from)) return
    event.preventDefault()
    pebbleOf(bed.current, from + step)?.focus()
  }
  return (
    <ol ref={bed} className="riverbed" style={wallColumns(pebbles.length)} onKeyDown={onKeyDown}>
      {pebbles.map(({ state, team }, item) => {
        const owner = team === null ? undefined : teams[team]
        return (
          <li key={item} className="relative flex">
            <button
              type="button"
              data-pebble={item}
              data-landing={item === 0 || undefined}
              disabled={!onOpen}
              className="pebble relative flex min-h-11 w-full items-center justify-center rounded-full"
              aria-label={
                state === 'there'
                  ? t('number', { number: item + 1 })
                  : owner
                    ? t('takenBy', { number: item + 1, team: owner.name })
                    : t('taken', { number: item + 1 })
              }
              onClick={() => onOpen?.(item)}
            >
              {state === 'there' ? (
                <>
                  <Pebble index={item} />
                  <strong className="relative text-2xl text-[#14312f]">{item + 1}</strong>
                </>
              ) : (
                <>
                  <Rings />
                  {owner && (
                    <span className="relative">
                      <Emblem name={owner.emblem} size={24} />
                    </span>
                  )}
                </>
              )}
            </button>
          </li>
        )
      })}
    </ol>
  )
}

/** On a wall, which is wider than it is high, as many in a row as let each be as large as can be. */
function wallColumns(pebbles: number): CSSProperties {
  return { '--columns': Math.ceil(Math.sqrt(pebbles * WALL_SHAPE)) } as CSSProperties
}

function pebbleOf(bed: HTMLElement | null, item: number): HTMLElement | null {
  return bed?.querySelector<HTMLElement>(`[data-pebble="${item}"]`) ?? null
}
