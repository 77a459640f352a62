import type { MatchingMove, MatchingView } from '@otter/core/games/matching'
import { Check, X } from 'lucide-react'
import { useRef, useState, type PointerEvent } from 'react'
import type { PlayProps } from '../contract.ts'
import { useSpeech } from '../early.ts'
import { FaceBody, FaceSounds } from '../ShownFace.tsx'
import { Lines } from './Lines.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { NextButton } from '../../ui/NextButton.tsx'
import { useLanding } from '../../ui/useLanding.ts'

const LETTERS = 'ABCDEFGHIJKL'
/** A finger that moves less has tapped; in pixels. */
const TAP = 8

/** Matching as it is played: rows are joined by drag, by two taps, or by keyboard. */
export function Play({ view, send, waiting }: PlayProps<MatchingView, MatchingMove>) {
  const t = useTexts(texts)
  const board = useRef<HTMLDivElement>(null)
  const [picked, setPicked] = useState<number | null>(null)
  const [drag, setDrag] = useState<{ left: number; x: number; y: number } | null>(null)
  const began = useRef<{ x: number; y: number }>(undefined)
  const dragged = useRef(false)
  // Two columns leave a phone no room for buttons that speak: a tap on a card reads it aloud.
  const speak = useSpeech()
  const { left, right, joins, marks, check, round, rounds, done, finished, wrong, solution } = view
  const join = (row: number, other: number): void => {
    setPicked(null)
    send({ type: 'join', left: row, right: other })
  }
  const onDown =
    (row: number) =>
    (event: PointerEvent): void => {
      if (marks[row] !== null) return
      began.current = { x: event.clientX, y: event.clientY }
      dragged.current = false
      event.currentTarget.setPointerCapture(event.pointerId)
    }
  const onMove =
    (row: number) =>
    (event: PointerEvent): void => {
      const from = began.current
      const box = board.current?.getBoundingClientRect()
      if (!from || !box || Math.hypot(event.clientX - from.x, event.clientY - from.y) < TAP) return
      setDrag({ left: row, x: event.clientX - box.left, y: event.clientY - box.top })
    }
  const onUp =
    (row: number) =>
    (event: PointerEvent): void => {
      began.current = undefined
      if (!drag) return
      setDrag(null)
      dragged.current = true
      const other = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-right]')
        ?.dataset.right
      if (other !== undefined) join(row, Number(other))
    }
  const onLeft = (row: number, byPointer: boolean): void => {
    // A drag ends with a click on where it began; that one is not meant.
    if (byPointer && dragged.current) return
    if (joins[row] !== null && picked !== row) send({ type: 'part', left: row })
    setPicked(picked === row ? null : row)
  }
  const rights = marks.filter((mark) => mark === 'right' || mark === 'later').length
  const top = useLanding<HTMLDivElement>(round)
  const shownJoins = done && solution ? joins.map((place, row) => place ?? solution[row]!) : joins
  return (
    <div
      ref={top}
      role="group"
      aria-label={t('round', { round, rounds })}
      tabIndex={-1}
      data-landing
      className="flex scroll-mt-2 flex-col gap-3 outline-none"
    >
      <p className="flex justify-between gap-2 text-sm">
        <span role="status">
          {wrong ? t('wrong') : done ? '' : rights > 0 ? t('rightSoFar', { count: rights }) : t('howTo')}
        </span>
        {rounds > 1 && <span className="quiet whitespace-nowrap">{t('round', { round, rounds })}</span>}
      </p>
      <div
        ref={board}
        className="relative grid grid-cols-[minmax(0,1fr)_36px_minmax(0,1fr)] wrap-anywhere hyphens-auto select-none"
      >
        <ol className="flex flex-col gap-2" aria-label={t('left')}>
          {left.map((face, row) => (
            <li key={row} className="flex flex-1">
              <button
                type="button"
                data-left={row}
                aria-pressed={picked === row}
                aria-describedby={`join-${row}`}
                onClick={(event) => {
                  speak?.(face.text)
                  if (marks[row] === null) onLeft(row, event.detail > 0)
                }}
                onPointerDown={onDown(row)}
                onPointerMove={onMove(row)}
                onPointerUp={onUp(row)}
                onPointerCancel={() => {
                  began.current = undefined
                  setDrag(null)
                }}
                className={`btn h-auto min-h-12 min-w-0 flex-1 touch-none justify-start px-2 py-1 text-start font-normal leading-tight ${picked === row ? 'border-secondary! bg-accent!' : ''} ${wrong?.left === row ? 'border-error!' : ''}`}
              >
                <span className="min-w-0 flex-1 [&_img]:max-h-16">
                  <FaceBody face={face} />
                </span>
                {marks[row] === 'wrong' ? (
                  <X size={18} className="shrink-0 text-error" aria-hidden="true" />
                ) : (
                  marks[row] !== null && <Check size={18} className="shrink-0 text-success" aria-hidden="true" />
                )}
              </button>
              <FaceSounds face={{ ...face, text: '' }} />
              <span id={`join-${row}`} className="sr-only">
                {joins[row] === null ? '' : t('joined', { letter: LETTERS[joins[row]!]! })}
                {marks[row] ? ` ${t(marks[row])}` : ''}
              </span>
            </li>
          ))}
        </ol>
        <span />
        <ol className="flex flex-col gap-2" aria-label={t('right')}>
          {right.map((face, other) => {
            const row = joins.indexOf(other)
            const settled = row >= 0 && marks[row] !== null
            return (
              <li key={other} className="flex flex-1">
                <button
                  type="button"
                  data-right={other}
                  onClick={() => {
                    speak?.(face.text)
                    if (picked !== null && !settled) join(picked, other)
                  }}
                  className={`btn h-auto min-h-12 min-w-0 flex-1 justify-start gap-2 px-2 py-1 text-start font-normal leading-tight ${wrong?.right === other ? 'border-error!' : ''}`}
                >
                  <strong className="shrink-0">{LETTERS[other]}</strong>
                  <span className="min-w-0 flex-1 [&_img]:max-h-16">
                    <FaceBody face={face} />
                  </span>
                </button>
                <FaceSounds face={{ ...face, text: '' }} />
              </li>
            )
          })}
        </ol>
        <Lines
          board={board}
          joins={shownJoins}
          marks={done ? marks.map((mark, row) => (joins[row] === null ? 'solution' : mark)) : marks}
          drag={drag}
        />
      </div>
      {done && solution && marks.includes('wrong') && (
        <ul className="text-sm">
          {marks.map(
            (mark, row) =>
              mark === 'wrong' && (
                <li key={row}>
                  <bdi>{left[row]!.text || row + 1}</bdi>: {t('belongs', { letter: LETTERS[solution[row]!]! })}{' '}
                  <strong>
                    <bdi>{right[solution[row]!]!.text}</bdi>
                  </strong>
                </li>
              ),
          )}
        </ul>
      )}
      {check === 'at-end' && !done && (
        <button
          type="button"
          className="btn btn-primary mx-auto h-12"
          disabled={waiting || joins.includes(null)}
          onClick={() => send({ type: 'check' })}
        >
          {t('check')}
        </button>
      )}
      {done && !finished && (
        <NextButton className="mx-auto" disabled={waiting} onClick={() => send({ type: 'next' })}>
          {t('next')}
        </NextButton>
      )}
    </div>
  )
}
