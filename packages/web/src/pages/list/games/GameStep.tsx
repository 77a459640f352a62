import { gameOf, type EntryList, type Fit, type FitNote, type GameKind } from '@otter/core'
import { Check, Dices } from 'lucide-react'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { AskingOptions } from '../../../games/AskingOptions.tsx'
import { usePuzzleFacts } from '../../../games/puzzleFacts.ts'
import { TEACHER } from '../../../games/teacher.ts'
import { useGameWords } from '../../../games/words.ts'
import { Rich } from '../../../texts/Rich.tsx'
import { usePuzzles } from '../../../workers/usePuzzles.ts'
import { useProved } from '../../../api/lists.ts'
import { choiceOf } from './choiceOf.ts'
import { newSeed, type Choices, type KeptChoice } from './gameChoice.ts'
import { PreviewPanel } from './PreviewPanel.tsx'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

export interface GameStepProps {
  listId: string
  kind: GameKind
  list: EntryList
  fit: Fit
  choices: Choices
  onChoose: (choice: KeptChoice) => void
}

/** The list as one game: how it is made, and as students will see and play it. */
export function GameStep({ listId, kind, list: asked, fit, choices, onChoose }: GameStepProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const choice = useMemo(() => choiceOf(choices, kind), [choices, kind])
  const { options, seed } = choice
  const proved = useProved(gameOf(kind).usesProved?.(options) ? listId : undefined)
  const list = useMemo((): EntryList => (proved ? { ...asked, proved } : asked), [asked, proved])
  const { Options, Workbench } = TEACHER[kind]
  const words = useGameWords()
  const name = words.name(kind)
  const sentenceFor = (about: FitNote): string => words.note(kind, about)
  const groups = useMemo(() => [...new Set(list.entries.flatMap((entry) => entry.groups))], [list])
  const seeds = useMemo(() => [seed], [seed])
  const { puzzles, note, busy, died } = usePuzzles<unknown>(kind, list, options, seeds)
  const puzzle = puzzles?.[0]
  const general = fit.notes.filter(({ entryIds }) => entryIds.length === 0)
  const byRow = fit.notes.filter(({ entryIds }) => entryIds.length > 0)
  const rowOf = (id: string): number => list.entries.findIndex((entry) => entry.id === id) + 1
  const made = usePuzzleFacts(kind, puzzle)
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
      <section aria-label={name} className="panel flex flex-col gap-3 p-4">
        <div className="flex items-baseline justify-between gap-2">
          <h2 className="text-2xl">{name}</h2>
          <p role="status" className={fit.ready ? 'flex items-center gap-1 text-success' : 'text-error'}>
            {fit.ready ? (
              <>
                <Check size={16} aria-hidden="true" />
                {made?.facts ?? sentenceFor(fit.summary)}
              </>
            ) : (
              sentenceFor(fit.summary)
            )}
          </p>
        </div>
        <AskingOptions
          options={options}
          groups={groups}
          onChange={(change) => onChoose({ ...choice, options: { ...options, ...change } })}
        />
        <Options
          options={options}
          language={list.answerLanguage}
          onChange={(next) => onChoose({ ...choice, options: next })}
        />
        <div className="flex flex-wrap items-center gap-2 text-sm">
          <button type="button" className="btn btn-sm" onClick={() => onChoose({ ...choice, seed: newSeed() })}>
            <Dices size={16} aria-hidden="true" />
            {t('game.another')}
          </button>
          <label className="flex items-center gap-2">
            <span className="quiet">{t('game.seed')}</span>
            <input
              className="input input-sm w-28"
              maxLength={40}
              value={seed}
              onChange={(event) => onChoose({ ...choice, seed: event.target.value })}
            />
          </label>
        </div>
        {Workbench && puzzle !== undefined && (
          <Workbench
            puzzle={puzzle}
            list={list}
            options={options}
            seed={seed}
            onChange={(next) => onChoose({ ...choice, options: next })}
          />
        )}
        {[...general, ...(note && !general.some(({ code }) => code === note.code) && fit.ready ? [note] : [])].map(
          (one) => (
            <p key={one.code} role="alert" className="text-sm text-error">
              {sentenceFor(one)}
            </p>
          ),
        )}
        {died && (
          <p role="alert" className="text-sm text-error">
            {common('workerDied')}
          </p>
        )}
        {made?.shortfall !== undefined && (
          <p role="alert" className="text-sm text-error">
            {made.shortfall}
          </p>
        )}
        {byRow.length > 0 && (
          <details className="text-sm" open={byRow.length < 6}>
            <summary className="cursor-pointer">{t('game.rowsToLook', { count: byRow.length })}</summary>
            <ul className="ms-4 list-disc">
              {byRow.slice(0, 50).map((one) => (
                <li key={`${one.code} ${one.entryIds[0]}`}>
                  <Rich
                    texts={listTexts}
                    id="game.rowNote"
                    values={{ row: rowOf(one.entryIds[0]!), note: sentenceFor(one) }}
                    marks={{ row: <Link className="link" to={`/lists/${listId}?row=${rowOf(one.entryIds[0]!)}`} /> }}
                  />
                </li>
              ))}
            </ul>
          </details>
        )}
      </section>
      <PreviewPanel
        listId={listId}
        kind={kind}
        puzzle={puzzle}
        busy={busy}
        early={options.early}
        language={list.answerLanguage}
        isReady={fit.ready}
      />
    </div>
  )
}
