import type { CrosswordMove, CrosswordView } from '@otter/core/games/crossword'
import { Check, ChevronLeft, ChevronRight, Lightbulb } from 'lucide-react'
import { useState } from 'react'
import { Enlarged } from '../Enlarged.tsx'
import { ShownFace } from '../ShownFace.tsx'
import type { PlayProps } from '../contract.ts'
import { Board } from './Board.tsx'
import { useCursor } from './useCursor.ts'
import { useWriting } from './useWriting.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

const SCOPES = ['letter', 'word', 'all'] as const

/** A crossword as it is played: by link, in the preview, anywhere. */
export function Play({ view, send, waiting }: PlayProps<CrosswordView, CrosswordMove>) {
  const t = useTexts(texts)
  const { letterAt, write, flush } = useWriting(view, waiting, send)
  const cursor = useCursor(view, letterAt)
  const [active, setActive] = useState(false)
  const clue = view.clues[cursor.clue]!
  const [givingUp, setGivingUp] = useState(false)
  const [checked, setChecked] = useState(false)
  const ask = (move: CrosswordMove): void => {
    flush()
    send(move)
    setChecked(move.type === 'check')
  }
  const news = newsOf(view, letterAt, checked && !waiting)
  const lists = (['across', 'down'] as const).map((dir) => ({
    dir,
    indexes: [...view.clues.keys()]
      .filter((index) => view.clues[index]!.dir === dir)
      .sort((one, two) => view.clues[one]!.number - view.clues[two]!.number),
  }))
  return (
    <div className="wall-split">
      <div className="wall-main">
        {!view.finished && (
          <div className="panel sticky top-0 z-10 flex items-center gap-1 p-1">
            <button
              type="button"
              className="btn btn-ghost h-11 w-11 p-0"
              aria-label={t('before')}
              onClick={() => cursor.nextClue(-1)}
            >
              <ChevronLeft size={20} aria-hidden="true" className="rtl:rotate-180" />
            </button>
            <p aria-live="polite" className="min-w-0 flex-1 leading-tight">
              <strong>
                {clue.number} {t(clue.dir)}
              </strong>{' '}
              <ShownFace face={clue.prompt} /> <span className="quiet">({clue.pattern})</span>
              {clue.hint && (
                <span className="block text-sm">
                  {t('hint')}: {clue.hint}
                </span>
              )}
            </p>
            {clue.hasHint && clue.hint === null && (
              <button
                type="button"
                className="btn btn-ghost h-11 w-11 p-0"
                aria-label={t('askHint')}
                title={t('askHint')}
                onClick={() => ask({ type: 'hint', word: cursor.clue })}
              >
                <Lightbulb size={20} aria-hidden="true" />
              </button>
            )}
            <button
              type="button"
              className="btn btn-ghost h-11 w-11 p-0"
              aria-label={t('next')}
              onClick={() => cursor.nextClue(1)}
            >
              <ChevronRight size={20} aria-hidden="true" className="rtl:rotate-180" />
            </button>
          </div>
        )}
        <Enlarged cols={view.cols} rows={view.rows}>
          {() => (
            <Board
              view={view}
              cursor={cursor}
              letterAt={letterAt}
              write={write}
              active={active}
              onActivate={() => setActive(true)}
            />
          )}
        </Enlarged>
        {view.canHint && !view.finished && (
          <div className="flex flex-wrap justify-center gap-x-4 gap-y-2">
            {(['check', 'reveal'] as const).map((type) => (
              <div key={type} role="group" aria-label={t(type)} className="flex flex-wrap items-center gap-1">
                <span className="quiet text-sm">{t(type)}</span>
                {SCOPES.map((scope) => (
                  <button
                    key={scope}
                    type="button"
                    className="btn h-11 px-2.5 font-normal"
                    onClick={() =>
                      type === 'reveal' && scope === 'all'
                        ? setGivingUp(true)
                        : ask({ type, scope, cell: cursor.cell, word: cursor.clue })
                    }
                  >
                    {t(`scope.${scope}`)}
                  </button>
                ))}
              </div>
            ))}
          </div>
        )}
        {givingUp && !view.finished && (
          <div role="group" aria-label={t('showAllSure')} className="panel flex flex-wrap items-center gap-2 p-3">
            <span className="flex-1">{t('showAllSure')}</span>
            <button type="button" autoFocus className="btn h-11" onClick={() => setGivingUp(false)}>
              {t('goOn')}
            </button>
            <button
              type="button"
              className="btn btn-secondary h-11"
              onClick={() => {
                setGivingUp(false)
                ask({ type: 'reveal', scope: 'all', cell: cursor.cell, word: cursor.clue })
              }}
            >
              {t('showAll')}
            </button>
          </div>
        )}
        <p role="status" className="min-h-6 text-center">
          {news && t(news.code, { count: news.count })}
        </p>
      </div>
      <div className="wall-list grid gap-x-6 gap-y-3 sm:grid-cols-2">
        {lists.map(
          ({ dir, indexes }) =>
            indexes.length > 0 && (
              <section key={dir} aria-label={t(dir)}>
                <h2 className="text-xl">{t(dir)}</h2>
                <ol>
                  {indexes.map((index) => {
                    const { number, prompt, pattern, solved, answer, length, row, col } = view.clues[index]!
                    return (
                      <li
                        key={index}
                        className={`flex gap-2 rounded py-1 ${index === cursor.clue && !view.finished ? 'bg-accent/50' : ''}`}
                      >
                        <button
                          type="button"
                          className="btn btn-ghost h-auto min-h-11 w-full justify-start gap-2 px-1.5 text-start font-normal"
                          disabled={view.finished}
                          onClick={() => {
                            setActive(true)
                            cursor.goTo(row * view.cols + col, index)
                          }}
                        >
                          <strong className="w-6 shrink-0">{number}</strong>
                          <span className="min-w-0 flex-1 text-base-content">
                            {prompt.picture && prompt.text === '' ? t('pictureClue') : prompt.text || t('soundClue')}{' '}
                            <span className="quiet">({pattern === String(length) ? length : pattern})</span>
                            {answer && <strong className="block">{answer.text}</strong>}
                            {answer?.fact && <span className="block text-sm">{answer.fact}</span>}
                          </span>
                          {solved && view.finished && (
                            <Check size={18} aria-label={t('solved')} className="text-success" />
                          )}
                        </button>
                      </li>
                    )
                  })}
                </ol>
              </section>
            ),
        )}
      </div>
    </div>
  )
}

/** Returns what a player should hear of the letters: what a check has found, and that a full grid is not right yet. */
function newsOf(
  { marks, open, finished }: CrosswordView,
  letterAt: (cell: number) => string,
  checked: boolean,
): { code: 'wrongLetters' | 'noneWrong' | 'fullButWrong'; count: number } | undefined {
  if (finished) return undefined
  const wrong = marks.filter((mark) => mark === 'wrong').length
  if (wrong > 0) return { code: 'wrongLetters', count: wrong }
  if (open.every((isOpen, cell) => !isOpen || letterAt(cell) !== '')) return { code: 'fullButWrong', count: 0 }
  return checked ? { code: 'noneWrong', count: 0 } : undefined
}
