import type { EntryList } from '@otter/core'
import { MOST_COLUMNS, type QuizboardOptions, type QuizboardPuzzle } from '@otter/core/games/quizboard'
import { useState } from 'react'
import type { WorkbenchProps } from '../contract.ts'
import { useTexts } from '../../texts/texts.ts'
import { useDrag } from '../../ui/useDrag.ts'
import { moved, type LaidColumn } from './laid.ts'
import { texts } from './texts.ts'

/** Where a question is dropped that is to be on the board no more. */
const REST = 'rest'

/** The board as the teacher lays it: questions are dragged from column to column, or pressed and put. */
export function Laying(props: WorkbenchProps<QuizboardOptions, QuizboardPuzzle>) {
  const t = useTexts(texts)
  const { options, onChange } = props
  return (
    <details className="text-sm" open={options.laid.length > 0}>
      <summary className="cursor-pointer py-1">{t('lay.title')}</summary>
      <Columns {...props} />
      {options.laid.length > 0 && (
        <button type="button" className="btn btn-sm" onClick={() => onChange({ ...options, laid: [] })}>
          {t('lay.reset')}
        </button>
      )}
    </details>
  )
}

function Columns({ puzzle, list, options, onChange }: WorkbenchProps<QuizboardOptions, QuizboardPuzzle>) {
  const t = useTexts(texts)
  const [chosen, setChosen] = useState<string | null>(null)
  const columns: LaidColumn[] = puzzle.columns.map(({ name, items }) => ({
    name,
    entryIds: items.map((item) => puzzle.questions[item]!.entryId),
  }))
  const lay = (laid: LaidColumn[]): void => onChange({ ...options, laid })
  const put = (entryId: string, column: number | null): void => {
    setChosen(null)
    lay(moved(columns, entryId, column, options.tiles))
  }
  const { dragged, handlers } = useDrag<string>((entryId, { drop }) => {
    if (drop !== undefined) put(entryId, drop === REST ? null : Number(drop))
  })
  const onBoard = new Set(columns.flatMap(({ entryIds }) => entryIds))
  const rest = list.entries.filter(({ id, scored }) => scored && !onBoard.has(id))
  const slip = (id: string) => (
    <li
      key={id}
      className={`touch-none ${dragged?.id === id ? 'relative z-20' : ''}`}
      style={
        dragged?.id === id
          ? { transform: `translate(${dragged.x}px, ${dragged.y}px)`, pointerEvents: 'none' }
          : undefined
      }
    >
      <button
        type="button"
        aria-pressed={chosen === id}
        className={`slip w-full truncate rounded border px-2 py-1 text-start ${chosen === id ? 'border-secondary bg-accent' : 'border-base-300'}`}
        onClick={() => setChosen(chosen === id ? null : id)}
        {...handlers(id)}
      >
        <bdi>{textOf(list, id)}</bdi>
      </button>
    </li>
  )
  return (
    <div className="flex flex-col gap-2 py-2">
      <p className="quiet">{t('lay.help')}</p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {columns.map(({ name, entryIds }, column) => (
          <div key={column} data-drop={column} className="panel flex min-w-0 flex-col gap-1 p-2">
            <input
              className="input input-sm w-full"
              aria-label={t('lay.column', { number: column + 1 })}
              dir="auto"
              maxLength={200}
              defaultValue={name}
              onBlur={({ target }) =>
                target.value !== name &&
                lay(columns.map((one, at) => (at === column ? { ...one, name: target.value } : one)))
              }
            />
            <ul className="flex flex-col gap-1">{entryIds.map(slip)}</ul>
            {chosen !== null && !entryIds.includes(chosen) && (
              <button
                type="button"
                className="btn btn-sm"
                disabled={entryIds.length >= options.tiles}
                onClick={() => put(chosen, column)}
              >
                {entryIds.length >= options.tiles ? t('lay.full') : t('lay.put', { number: column + 1 })}
              </button>
            )}
          </div>
        ))}
      </div>
      {columns.length < MOST_COLUMNS && rest.length > 0 && (
        <button
          type="button"
          className="btn btn-sm self-start"
          onClick={() =>
            lay([...columns, { name: '', entryIds: [chosen !== null && !onBoard.has(chosen) ? chosen : rest[0]!.id] }])
          }
        >
          {t('lay.add')}
        </button>
      )}
      <section aria-label={t('lay.rest')} data-drop={REST} className="panel border-dashed p-2">
        <p className="quiet">{t('lay.rest')}</p>
        <ul className="flex flex-wrap gap-1">{rest.map(({ id }) => slip(id))}</ul>
        {chosen !== null && onBoard.has(chosen) && (
          <button type="button" className="btn btn-sm" onClick={() => put(chosen, null)}>
            {t('lay.rest')}
          </button>
        )}
      </section>
    </div>
  )
}

function textOf({ entries }: EntryList, id: string): string {
  const entry = entries.find((one) => one.id === id)
  return entry ? entry.answer.text || entry.prompt.text : ''
}
