import { type Face } from '@otter/core'
import { checkClaim, type BingoPuzzle } from '@otter/core/games/bingo'
import { mediaPath, type LeadReply } from '@otter/api'
import { Eye, RotateCcw, Undo2, X } from 'lucide-react'
import { useState } from 'react'
import { Card } from './Card.tsx'
import { commonTexts } from '../../texts/namespaces.ts'
import { texts } from './texts.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'

interface CallerProps {
  puzzle: BingoPuzzle
  /** How many terms were called. */
  called: number
  onCall: (called: number) => void
  /** Students whose claims on their devices were right; absent where nobody plays on one. */
  winners?: LeadReply['winners'] | undefined
  /** Why the last call is not kept. */
  error?: Error | null
  onClose: () => void
}

/**
 * The caller's screen, for the wall: the call large, its answer on demand, all calls so far, and claims checked by
 * number.
 */
export function Caller({ puzzle, called, onCall, winners, error, onClose }: CallerProps) {
  const t = useTexts(texts)
  const { list } = useWriting()
  const common = useTexts(commonTexts)
  // What was called before the game was started over, to go on with it after all.
  const [wiped, setWiped] = useState(0)
  const [shown, setShown] = useState(false)
  const [cardNumber, setCardNumber] = useState('')
  const { terms, calls, plan, cards } = puzzle
  const term = terms[calls[called - 1]!]
  const claim = cardNumber === '' ? undefined : checkClaim(puzzle, Number(cardNumber), called)
  const card = cards.find(({ number }) => number === Number(cardNumber))
  const callSo = (next: number): void => {
    onCall(Math.max(0, Math.min(calls.length, next)))
    setShown(false)
    setCardNumber('')
  }
  const won = called === 0 ? 0 : plan.wonBy[called - 1]!
  return (
    <Dialog
      title={t('caller.label')}
      hidesTitle
      layout="caller grid h-[94vh] max-h-none w-[96vw] max-w-none grid-rows-[auto_1fr] gap-4 md:grid-cols-[2fr_1fr]"
      onClose={onClose}
    >
      <header className="flex items-center justify-between gap-2 md:col-span-2">
        <p>
          <Rich
            texts={texts}
            id="caller.at"
            values={{ number: called, of: calls.length }}
            marks={{ strong: <strong /> }}
          />{' '}
          <span role="status">{won === 0 ? t('caller.noBingo') : t('caller.bingos', { count: won })}</span>
        </p>
        <span className="ms-auto flex items-center">
          {called > 0 && (
            <>
              <button type="button" className="btn btn-ghost h-auto min-h-11" onClick={() => callSo(called - 1)}>
                <Undo2 size={16} aria-hidden="true" />
                {t('caller.back')}
              </button>
              <button
                type="button"
                className="btn btn-ghost h-auto min-h-11"
                onClick={() => {
                  setWiped(called)
                  callSo(0)
                }}
              >
                <RotateCcw size={16} aria-hidden="true" />
                {t('caller.startOver')}
              </button>
            </>
          )}
          {called === 0 && wiped > 0 && (
            <button type="button" className="btn h-auto min-h-11" onClick={() => callSo(wiped)}>
              <Undo2 size={16} aria-hidden="true" />
              {t('caller.goOn', { call: wiped })}
            </button>
          )}
          <button type="button" className="btn btn-ghost h-11 w-11 p-0" aria-label={common('close')} onClick={onClose}>
            <X size={20} aria-hidden="true" />
          </button>
        </span>
      </header>
      <section className="flex flex-col items-center justify-center gap-6 text-center" aria-live="polite">
        {term ? <Shown face={term.prompt} /> : <p className="quiet text-3xl">{t('caller.everyone')}</p>}
        {term &&
          (shown ? (
            <p className="text-[max(2.25rem,3vw)] font-bold text-success">{term.text}</p>
          ) : (
            <button type="button" className="btn h-auto min-h-12" onClick={() => setShown(true)}>
              <Eye size={18} aria-hidden="true" />
              {t('caller.show')}
            </button>
          ))}
        <button
          type="button"
          data-first
          className="btn btn-primary h-auto min-h-16 px-10"
          disabled={called === calls.length}
          onClick={() => callSo(called + 1)}
        >
          {called === 0 ? t('caller.first') : t('caller.next')}
        </button>
      </section>
      <aside className="flex min-h-0 flex-col gap-3 overflow-y-auto">
        <Notice error={error} />
        {winners && winners.length > 0 && (
          <ul role="status" className="panel border-success p-2">
            {winners.map(({ participantId, name, seat }) => (
              <li key={participantId}>
                {t('caller.winner', { name, card: cards[(seat - 1) % cards.length]!.number })}
              </li>
            ))}
          </ul>
        )}
        <label className="flex items-center gap-2">
          <span>{t('caller.claim')}</span>
          <input
            type="number"
            min={1}
            max={cards.length}
            className="input h-auto w-[4em] text-[1em]"
            value={cardNumber}
            onChange={(event) => setCardNumber(event.target.value)}
          />
        </label>
        {claim && card && (
          <div>
            <p role="status" className={claim.won ? 'font-bold text-success' : 'text-error'}>
              {claim.won
                ? t('caller.yes', { call: claim.call })
                : t('caller.notYet', {
                    terms: list(claim.missing.map((place) => terms[card.cells[place] ?? 0]!.text)),
                  })}
            </p>
            <Card
              size={puzzle.size}
              direction={puzzle.direction}
              squares={card.cells.map((cell) =>
                cell === null ? null : { text: terms[cell]!.text, picture: null, sound: null },
              )}
              marked={card.cells.flatMap((cell, place) =>
                cell !== null && calls.indexOf(cell) < called ? [place] : [],
              )}
              won={claim.won ? claim.places : []}
              free={t('free')}
            />
          </div>
        )}
        {cardNumber !== '' && !claim && <p className="text-error">{t('caller.noCard', { number: cardNumber })}</p>}
        <h2>{t('caller.soFar')}</h2>
        <ol className="flex flex-col-reverse gap-1 leading-snug">
          {calls.slice(0, called).map((drawn, index) => (
            <li key={drawn}>
              <span className="quiet">{index + 1}</span> {terms[drawn]!.text}
            </li>
          ))}
        </ol>
      </aside>
    </Dialog>
  )
}

function Shown({ face }: { face: Face }) {
  return (
    <div className="flex flex-col items-center gap-4">
      {face.picture && (
        <img
          src={mediaPath(face.picture.id)}
          alt={face.picture.alt}
          className="max-h-[34vh] rounded under-picture object-contain"
        />
      )}
      {face.text !== '' && (
        <p dir="auto" className="text-[max(3rem,4vw)] leading-tight">
          {face.text}
        </p>
      )}
      {face.sound && <audio controls src={mediaPath(face.sound.id)} />}
    </div>
  )
}
