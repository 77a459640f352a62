import type { PlacedEntry } from '@otter/api'
import {
  MAX_GROUP,
  MAX_GROUPS,
  MAX_STANDARD,
  MAX_STANDARDS,
  USUAL_WORTH,
  type CheckNote,
  type Entry,
  type EntryList,
  type Mend,
} from '@otter/core'
import { Suspense, useEffect, useRef } from 'react'
import { useCheckWords } from '../table/useCheckWords.ts'
import { ChoicesEditor } from './ChoicesEditor.tsx'
import { DrawnChoices } from './DrawnChoices.tsx'
import { EntryHead } from './EntryHead.tsx'
import { Field } from './Field.tsx'
import { FaceEditor } from './FaceEditor.tsx'
import { useStandards } from '../../../api/reports.ts'
import { TakeCase } from '../../report/TakeCase.tsx'
import { LabelsField } from './LabelsField.tsx'
import { TryAnswer } from './TryAnswer.tsx'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

export interface EntryPanelProps {
  entry: PlacedEntry
  list: EntryList
  row: number
  rows: number
  answerLanguage: string
  promptLanguage: string
  groups: readonly string[]
  notes: readonly CheckNote[]
  onChange: (change: Partial<Entry>, group: string) => void
  onMend: (note: CheckNote, mend: Mend) => void
  onGo: (row: number) => void
  onClose: () => void
}

/** All that one entry holds. */
export function EntryPanel({
  entry,
  list,
  row,
  rows,
  answerLanguage,
  promptLanguage,
  groups,
  notes,
  onChange,
  onMend,
  onGo,
  onClose,
}: EntryPanelProps) {
  const t = useTexts(listTexts)
  const check = useCheckWords()
  const standards = useStandards().data?.standards ?? []
  const section = useRef<HTMLElement>(null)
  // The page stays where the row is: the panel is in sight already.
  useEffect(() => section.current?.querySelector('textarea')?.focus({ preventScroll: true }), [])
  const set = <Name extends keyof Entry>(name: Name, value: Entry[Name]): void =>
    onChange({ [name]: value }, `${entry.id} ${name}`)
  const word = entry.answer.text || entry.prompt.text
  const line = (name: 'hint' | 'fact', label: string, placeholder: string, most: number) => (
    <Field label={label}>
      {(fieldId) => (
        <textarea
          id={fieldId}
          rows={1}
          dir="auto"
          maxLength={most}
          placeholder={placeholder}
          className="textarea field-sizing-content min-h-0 w-full leading-snug"
          value={entry[name]}
          onChange={(event) => set(name, event.target.value)}
        />
      )}
    </Field>
  )
  const number = (name: 'worth' | 'seconds', label: string, placeholder: string, least: number, most: number) => (
    <Field label={label}>
      {(fieldId) => (
        <input
          id={fieldId}
          type="number"
          min={least}
          max={most}
          step={1}
          placeholder={placeholder}
          className="input w-full"
          value={entry[name] ?? ''}
          onChange={(event) => {
            const value = event.target.value === '' ? null : event.target.valueAsNumber
            if (value === null || (Number.isInteger(value) && value >= least && value <= most)) set(name, value)
          }}
        />
      )}
    </Field>
  )
  return (
    <section
      ref={section}
      aria-label={t('entry.allOf', { row: row + 1 })}
      className="panel z-10 flex flex-col gap-3 overflow-y-auto p-4 max-lg:fixed max-lg:inset-x-2 max-lg:bottom-2 max-lg:max-h-[55dvh] max-lg:shadow-lg lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1.5rem)]"
      onKeyDown={(event) => event.key === 'Escape' && !(event.target as HTMLElement).closest('dialog') && onClose()}
    >
      <EntryHead title={word || t('entry.new')} row={row} rows={rows} onGo={onGo} onClose={onClose} />
      {notes.map((note) => (
        <p
          key={note.code}
          className={`flex flex-wrap gap-x-2 text-sm ${note.weight === 'harm' ? 'text-error' : 'quiet'}`}
        >
          {check.note(note)}
          {note.mends.map((mend) => (
            <button
              key={JSON.stringify(mend)}
              type="button"
              className="link min-h-6 px-1 font-bold"
              onClick={() => onMend(note, mend)}
            >
              {check.mend(mend)}
            </button>
          ))}
        </p>
      ))}
      <fieldset>
        <legend className="quiet text-sm">{t('column.answer')}</legend>
        <FaceEditor
          face={entry.answer}
          name={t('face.answer')}
          language={answerLanguage}
          withSound
          word={word}
          onChange={(answer) => set('answer', answer)}
        />
      </fieldset>
      <fieldset>
        <legend className="quiet text-sm">{t('column.prompt')}</legend>
        <FaceEditor
          face={entry.prompt}
          name={t('face.prompt')}
          language={promptLanguage}
          withSound
          word={word}
          onChange={(prompt) => set('prompt', prompt)}
        />
      </fieldset>
      <ChoicesEditor
        entry={entry}
        language={answerLanguage}
        onChange={(choices) => set('choices', choices)}
        onRight={(index) =>
          onMend(
            { code: 'no-right-choice', weight: 'harm', entryIds: [entry.id], values: {}, mends: [] },
            { code: 'mark-choice', values: { index } },
          )
        }
      />
      <Field label={t('entry.accepted')}>
        {(fieldId) => (
          <textarea
            id={fieldId}
            rows={1}
            dir="auto"
            className="textarea field-sizing-content min-h-0 w-full leading-snug"
            value={entry.accepted.join('\n')}
            onChange={(event) =>
              set('accepted', event.target.value === '' ? [] : event.target.value.split('\n').slice(0, 30))
            }
          />
        )}
      </Field>
      <Suspense>
        <TryAnswer entry={entry} list={list} />
      </Suspense>
      {entry.scored && !entry.choices.some(({ right }) => !right) && (
        <details>
          <summary className="quiet cursor-pointer text-sm">{t('entry.drawn')}</summary>
          <DrawnChoices entry={entry} list={list} onKeep={(choices) => set('choices', choices)} />
        </details>
      )}
      <div className="grid grid-cols-2 gap-3">
        {line('hint', t('entry.hint'), t('entry.hintHelp'), 2000)}
        {line('fact', t('entry.fact'), t('entry.factHelp'), 2000)}
        <LabelsField
          label={t('entry.groups')}
          labels={entry.groups}
          most={MAX_GROUPS}
          longest={MAX_GROUP}
          placeholder={t('entry.groupsHelp')}
          known={groups}
          onChange={(next) => set('groups', next)}
        />
        <LabelsField
          label={t('entry.standards')}
          labels={entry.standards}
          most={MAX_STANDARDS}
          longest={MAX_STANDARD}
          placeholder={t('entry.standardsHelp')}
          known={standards.map(({ code }) => code)}
          meanings={new Map(standards.map(({ code, label }) => [code, label]))}
          onChange={(next) => set('standards', next)}
        />
        <details className="col-span-2">
          <summary className="quiet cursor-pointer text-sm">{t('entry.standardsFile')}</summary>
          <TakeCase />
        </details>
        {number('worth', t('entry.worth'), String(USUAL_WORTH), 0, 10_000)}
        {number('seconds', t('entry.time'), t('entry.asGame'), 1, 3600)}
      </div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={entry.scored}
          onChange={(event) => set('scored', event.target.checked)}
        />
        {t('entry.counts')}
        <span className="quiet text-sm">{t('entry.countsHelp')}</span>
      </label>
    </section>
  )
}
