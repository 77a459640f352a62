import { directionOf } from '@otter/core'
import { type WordSearchMove, type WordSearchView } from '@otter/core/games/wordsearch'
import { Check, Lightbulb } from 'lucide-react'
import { useState } from 'react'
import { Enlarged } from '../Enlarged.tsx'
import { Said } from '../Said.tsx'
import { ShownFace } from '../ShownFace.tsx'
import type { PlayProps } from '../contract.ts'
import { LetterBoard, type Cell } from './LetterBoard.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { playTexts } from '../../texts/namespaces.ts'

/** A word search as it is played: by link, in the preview, anywhere. */
export function Play({ view, send, waiting }: PlayProps<WordSearchView, WordSearchMove>) {
  const t = useTexts(texts)
  const play = useTexts(playTexts)
  const [asked, setAsked] = useState<number>()
  const shown = asked === undefined ? undefined : view.items[asked]
  const [marked, setMarked] = useState<{ from: Cell; to: Cell }>()
  const mark = (from: Cell, to: Cell): void => {
    setMarked({ from, to })
    send({ type: 'mark', from, to })
  }
  return (
    <div className="wall-split">
      <div className="wall-main">
        <Enlarged cols={view.rows[0]!.length} rows={view.rows.length}>
          {(isLarge) => (
            <LetterBoard view={view} pending={waiting ? marked : undefined} isLarge={isLarge} onMark={mark} />
          )}
        </Enlarged>
        <Said>
          {shown?.hint
            ? t('hintAt', {
                label: shown.face.text || play('picture'),
                row: shown.hint.row + 1,
                col: shown.hint.col + 1,
              })
            : ''}
        </Said>
        <p id="board-help" className="sr-only">
          {t('help')}
        </p>
        <p aria-live="polite" className="min-h-6 text-center text-sm">
          {waiting ? play('sending') : view.lastMark === 'none' ? t('howTo') : t(view.lastMark)}
        </p>
      </div>
      <div className="wall-list flex flex-col gap-3">
        <ul
          className={
            view.show === 'clues' ? 'flex flex-col gap-1.5' : 'wall-words grid grid-cols-2 gap-1.5 sm:grid-cols-3'
          }
          dir={view.show === 'words' ? view.direction : undefined}
        >
          {view.items.map(({ face, length, found, hint }, item) => (
            <li key={item} className="panel flex min-h-11 items-center gap-1 ps-3">
              <span className="min-w-0 flex-1 py-1 leading-tight" dir={directionOf(face.text)}>
                <span className={found ? 'text-neutral line-through decoration-1' : ''}>
                  <ShownFace face={face} />
                </span>
                {view.show === 'clues' && !found && <span className="quiet"> ({length})</span>}
                {view.show === 'clues' && found && (
                  <strong className="ms-2" dir={directionOf(found.text)}>
                    {found.text}
                  </strong>
                )}
              </span>
              {found ? (
                <span
                  className={`flex items-center gap-1 pe-2 text-sm ${found.given ? 'text-neutral' : 'text-success'}`}
                >
                  {found.given ? (
                    t('missed')
                  ) : (
                    <>
                      <Check size={18} aria-hidden="true" />
                      <span className="sr-only">{t('isFound')}</span>
                    </>
                  )}
                </span>
              ) : (
                view.canHint && (
                  <button
                    type="button"
                    className="btn btn-ghost h-11 w-11 p-0"
                    disabled={hint !== null || view.finished}
                    onClick={() => {
                      setAsked(item)
                      send({ type: 'hint', item })
                    }}
                    aria-label={t('hint', { label: face.text || play('picture') })}
                    title={t('hintTitle')}
                  >
                    <Lightbulb size={18} aria-hidden="true" className={hint ? 'text-warning' : ''} />
                  </button>
                )
              )}
            </li>
          ))}
        </ul>
        {view.message !== null && (
          <p className="panel p-3 text-center">
            <span className="quiet">{t('message')}</span>{' '}
            <strong dir={directionOf(view.message)}>{view.message}</strong>
          </p>
        )}
      </div>
    </div>
  )
}
