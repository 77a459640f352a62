import type { SortingMove, SortingView } from '@otter/core/games/sorting'
import { Check, X } from 'lucide-react'
import { useState, type CSSProperties } from 'react'
import type { PlayProps } from '../contract.ts'
import { Said } from '../Said.tsx'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'
import { useTexts } from '../../texts/texts.ts'
import { useDrag, type Dragged } from '../../ui/useDrag.ts'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'
import { texts } from './texts.ts'

/** Sorting as it is played: dragged, tapped, or by keys. */
export function Play({ view, send, waiting }: PlayProps<SortingView, SortingMove>) {
  const t = useTexts(texts)
  const { groups, items, wrong, check, canCheck, teams, finished } = view
  const [chosen, setChosen] = useState<number | null>(null)
  const isLoose = (item: number): boolean => !finished && items[item]!.mark === null
  const put = (item: number, group: number): void => {
    setChosen(null)
    send({ type: 'put', item, group })
  }
  const { dragged, handlers } = useDrag<number>((item, { drop }) => {
    if (drop === undefined || !isLoose(item)) return
    if (drop === 'pile') send({ type: 'take-out', item })
    else put(item, Number(drop))
  })
  const pile = items.flatMap(({ lies }, item) => (lies === null ? [item] : []))
  const held = chosen !== null && isLoose(chosen) ? chosen : null
  useShortcuts((event) => {
    if (!isPlain(event) || event.shiftKey || finished) return
    const group = Number(event.key) - 1
    const focused = Number((event.target as HTMLElement).dataset?.slip ?? NaN)
    const item = held ?? (Number.isNaN(focused) ? null : focused)
    if (item === null || !isLoose(item) || !(group >= 0 && group < groups.length)) return
    event.preventDefault()
    put(item, group)
  })
  const slip = (item: number) => (
    <Slip
      key={item}
      item={item}
      view={items[item]!}
      isChosen={held === item}
      dragged={dragged?.id === item ? dragged : null}
      handlers={isLoose(item) ? handlers(item) : undefined}
      onChoose={isLoose(item) ? () => setChosen(held === item ? null : item) : undefined}
      groups={groups}
    />
  )
  return (
    <div className="flex flex-1 flex-col gap-3">
      <Turns teams={teams} finished={finished} />
      <p className="flex justify-between gap-2 text-sm">
        <span role="status">
          {wrong
            ? t('notThere', { group: groups[wrong.group]! })
            : held !== null
              ? t('whereTo')
              : finished
                ? t('over')
                : t('howTo')}
        </span>
        <span className="quiet whitespace-nowrap">
          {t('sorted', { count: items.length - pile.length, of: items.length })}
        </span>
      </p>
      <Said>{wrong ? t('notThere', { group: groups[wrong.group]! }) : ''}</Said>
      {pile.length > 0 && (
        <ul className="flex min-h-14 flex-wrap justify-center gap-2" data-drop="pile" aria-label={t('pile')}>
          {pile.map(slip)}
        </ul>
      )}
      <div className="sorting-groups grid flex-1 gap-3" style={columnsFor(groups.length)}>
        {groups.map((group, place) => (
          <section
            key={group}
            aria-label={group}
            data-drop={place}
            data-fits
            className={`panel flex min-h-28 flex-col gap-2 p-3 ${wrong?.group === place ? 'border-error' : held !== null ? 'border-secondary border-dashed' : ''}`}
          >
            <h2 className="flex items-center justify-between gap-2 font-sans text-base">
              <span className="font-bold" dir="auto">
                {group}
              </span>
              {!finished && (
                <button
                  type="button"
                  className="btn btn-sm min-h-11"
                  disabled={held === null || waiting}
                  onClick={() => held !== null && put(held, place)}
                >
                  {t('here')}
                  <span className="sr-only"> {group}</span>
                  <kbd className="kbd hidden sm:inline-flex" aria-hidden="true">
                    {place + 1}
                  </kbd>
                </button>
              )}
            </h2>
            <ul className="flex flex-wrap gap-2">
              {items.flatMap(({ lies }, item) => (lies === place ? [slip(item)] : []))}
            </ul>
          </section>
        ))}
      </div>
      {check === 'at-end' && !finished && (
        <button
          type="button"
          className="btn btn-primary h-12 self-center"
          disabled={!canCheck || waiting}
          onClick={() => send({ type: 'check' })}
        >
          {t('check')}
        </button>
      )}
    </div>
  )
}

/** Groups beside each other: as many as there is room for, in rows of equal length. */
function columnsFor(groups: number): CSSProperties {
  return { '--columns': groups <= 3 ? groups : Math.ceil(groups / 2) } as CSSProperties
}

interface SlipProps {
  item: number
  view: SortingView['items'][number]
  isChosen: boolean
  dragged: Dragged<number> | null
  handlers: ReturnType<ReturnType<typeof useDrag<number>>['handlers']> | undefined
  onChoose: (() => void) | undefined
  groups: readonly string[]
}

/** A slip of paper with something to be sorted. */
function Slip({ item, view: { face, mark, belongs, lies }, isChosen, dragged, handlers, onChoose, groups }: SlipProps) {
  const t = useTexts(texts)
  const look = `slip max-w-full rounded border px-3 py-2 text-lg ${
    mark === 'wrong'
      ? 'border-error'
      : mark !== null
        ? 'border-success'
        : isChosen
          ? 'border-secondary bg-accent outline-2'
          : 'border-base-300'
  }`
  const inside = (
    <>
      <ShownFace face={face} />
      {mark === 'wrong' && (
        <span className="block text-sm text-error">
          <X size={16} className="inline" aria-hidden="true" />{' '}
          {t('belongs', { groups: belongs.map((group) => groups[group]!).join(', ') })}
        </span>
      )}
      {(mark === 'right' || mark === 'later') && (
        <Check size={18} className="ms-1 inline text-success" aria-label={t(mark === 'right' ? 'right' : 'later')} />
      )}
    </>
  )
  if (!onChoose) return <li className={look}>{inside}</li>
  return (
    <li
      className={`touch-none ${dragged ? 'relative z-20' : ''}`}
      style={dragged ? { transform: `translate(${dragged.x}px, ${dragged.y}px)`, pointerEvents: 'none' } : undefined}
    >
      <button
        type="button"
        data-slip={item}
        data-landing={lies === null || undefined}
        aria-pressed={isChosen}
        className={`${look} min-h-11 bg-base-100 text-start`}
        onClick={onChoose}
        {...handlers}
      >
        {inside}
      </button>
    </li>
  )
}
