import type { HangmanOptions, HangmanPuzzle, WordDifficulty } from '@otter/core/games/hangman'
import { useEffect, useRef, useState } from 'react'
import type { DifficultyAnswer, DifficultyRequest } from './difficulty.worker.ts'
import type { WorkbenchProps } from '../contract.ts'
import { texts } from './texts.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { openWorker, type WorkerClient } from '../../ui/openWorker.ts'

/** How hard each word is to guess by letters, and how many misses suit a class. */
export function Difficulties({ puzzle, list, options, onChange }: WorkbenchProps<HangmanOptions, HangmanPuzzle>) {
  const t = useTexts(texts)
  const { list: listed } = useWriting()
  const [words, setWords] = useState<WordDifficulty[]>()
  const [failed, setFailed] = useState(false)
  const worker = useRef<WorkerClient<DifficultyRequest>>(undefined)
  const { ask, take, group, first, from, to, entries, early } = options
  const isEnglish = /^(en\b|$)/.test(ask === 'answer' ? list.answerLanguage : list.promptLanguage)
  useEffect(() => () => worker.current?.close(), [])
  useEffect(() => {
    if (!isEnglish) return
    worker.current ??= openWorker<DifficultyRequest, DifficultyAnswer>(
      () => new Worker(new URL('./difficulty.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: (answer) => {
          if ('words' in answer) setWords(answer.words)
          setFailed(!('words' in answer))
        },
        onDied: () => {
          worker.current = undefined
          setFailed(true)
        },
      },
    )
    worker.current.ask({ list, options: { ask, take, group, first, from, to, entries, early } })
  }, [isEnglish, list, ask, take, group, first, from, to, entries, early])
  if (!isEnglish) return <p className="quiet text-sm">{t('hard.englishOnly')}</p>
  if (failed) return <p className="text-sm text-error">{t('hard.noDictionary')}</p>
  if (!words) return null
  const judged = words.flatMap(({ difficulty }) => difficulty ?? [])
  const suggested = Math.max(0, ...judged.map(({ missesSuggested }) => missesSuggested))
  const stuck = words.filter(({ difficulty }) => difficulty?.needsHelp).map(({ text }) => text)
  return (
    <div className="flex flex-col gap-2 text-sm">
      {suggested > 0 && (
        <p className="flex flex-wrap items-center gap-2">
          <span>
            <Rich texts={texts} id="hard.suggested" values={{ misses: suggested }} marks={{ strong: <strong /> }} />
          </span>
          {suggested !== puzzle.misses && (
            <button type="button" className="btn btn-sm" onClick={() => onChange({ ...options, misses: suggested })}>
              {t('hard.use', { misses: suggested })}
            </button>
          )}
        </p>
      )}
      {stuck.length > 0 && <p>{t('hard.stuck', { words: listed(stuck) })}</p>}
      <details>
        <summary className="cursor-pointer">{t('hard.each')}</summary>
        <table className="table table-sm">
          <thead className="text-base-content">
            <tr>
              <th scope="col">{t('hard.word')}</th>
              <th scope="col">{t('hard.toGuess')}</th>
              <th scope="col">{t('hard.known')}</th>
              <th scope="col">{t('hard.unknownList')}</th>
            </tr>
          </thead>
          <tbody>
            {words.map(({ entryId, text, difficulty }) => (
              <tr key={entryId}>
                <th scope="row">{text}</th>
                <td className="whitespace-nowrap">
                  {difficulty?.band ? (
                    <>
                      <span aria-hidden="true">
                        {'●'.repeat(difficulty.band)}
                        {'○'.repeat(5 - difficulty.band)}
                      </span>{' '}
                      {t.coded(`hard.band.${difficulty.band}`)}
                    </>
                  ) : (
                    t('hard.unknown')
                  )}
                </td>
                <td>{difficulty?.missesKnown ?? '–'}</td>
                <td>{difficulty?.missesUnknown ?? '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </div>
  )
}
