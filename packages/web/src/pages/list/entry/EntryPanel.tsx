import type { PlacedEntry } from '@otter/api'
import {
  MAX_CHOICES,
  MAX_GROUP,
  MAX_GROUPS,
  MAX_STANDARD,
  MAX_STANDARDS,
  type CheckNote,
  type Choice,
  type Entry,
  type Mend,
} from '@otter/core'
import { ChevronDown, ChevronUp, Plus, Trash2, X } from 'lucide-react'
import { useEffect, useId, useRef, type ReactNode } from 'react'
import { nameOfMend, sentenceForCheck } from '../table/checkSentences.ts'
import { FaceEditor } from './FaceEditor.tsx'
import { LabelsField } from './LabelsField.tsx'

interface EntryPanelProps {
  entry: PlacedEntry
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
  const section = useRef<HTMLElement>(null)
  useEffect(() => section.current?.querySelector('textarea')?.focus(), [])
  const set = <Name extends keyof Entry>(name: Name, value: Entry[Name]): void =>
    onChange({ [name]: value }, `${entry.id} ${name}`)
  const word = entry.answer.text || entry.prompt.text
  const line = (name: 'hint' | 'fact', label: string, placeholder: string, most: number) => (
    <Field label={label}>
      {(own) => (
        <textarea
          id={own}
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
      {(own) => (
        <input
          id={own}
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
      aria-label={`All of row ${row + 1}`}
      className="panel flex flex-col gap-3 p-4"
      onKeyDown={(event) => event.key === 'Escape' && !(event.target as HTMLElement).closest('dialog') && onClose()}
    >
      <div className="flex items-center gap-1">
        <h2 className="min-w-0 flex-1 truncate text-2xl" dir="auto">
          {row + 1} · {word || 'new entry'}
        </h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="The entry before"
          disabled={row === 0}
          onClick={() => onGo(row - 1)}
        >
          <ChevronUp size={18} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="The next entry"
          disabled={row >= rows - 1}
          onClick={() => onGo(row + 1)}
        >
          <ChevronDown size={18} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Close"
          title="Esc"
          onClick={onClose}
        >
          <X size={18} aria-hidden="true" />
        </button>
      </div>
      {notes.map((note) => (
        <p
          key={note.code}
          className={`flex flex-wrap gap-x-2 text-sm ${note.weight === 'harm' ? 'text-error' : 'quiet'}`}
        >
          {sentenceForCheck(note)}
          {note.mends.map((mend) => (
            <button
              key={JSON.stringify(mend)}
              type="button"
              className="link min-h-6 px-1 font-bold"
              onClick={() => onMend(note, mend)}
            >
              {nameOfMend(mend)}
            </button>
          ))}
        </p>
      ))}
      <fieldset>
        <legend className="quiet text-sm">Answer</legend>
        <FaceEditor
          face={entry.answer}
          name="the answer"
          language={answerLanguage}
          withSound
          word={word}
          onChange={(answer) => set('answer', answer)}
        />
      </fieldset>
      <fieldset>
        <legend className="quiet text-sm">Prompt</legend>
        <FaceEditor
          face={entry.prompt}
          name="the prompt"
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
      <Field label="Also accepted, one a line">
        {(own) => (
          <textarea
            id={own}
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
      <div className="grid grid-cols-2 gap-3">
        {line('hint', 'Hint', 'shown on request', 2000)}
        {line('fact', 'Fact', 'shown after answering', 2000)}
        <LabelsField
          label="Groups, one a line"
          labels={entry.groups}
          most={MAX_GROUPS}
          longest={MAX_GROUP}
          placeholder="the main one first"
          known={groups}
          onChange={(next) => set('groups', next)}
        />
        <LabelsField
          label="Standards, one a line"
          labels={entry.standards}
          most={MAX_STANDARDS}
          longest={MAX_STANDARD}
          placeholder="codes, such as 4.NF.2"
          onChange={(next) => set('standards', next)}
        />
        {number('worth', 'Worth, in points', 'as the game says', 0, 10_000)}
        {number('seconds', 'Time, in seconds', 'as the game says', 1, 3600)}
      </div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={entry.scored}
          onChange={(event) => set('scored', event.target.checked)}
        />
        Counts for the score<span className="quiet text-sm">(an opinion question does not)</span>
      </label>
    </section>
  )
}

function Field({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return (
    <div className="flex flex-col">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      {children(id)}
    </div>
  )
}

interface ChoicesEditorProps {
  entry: Entry
  language: string
  onChange: (choices: Choice[]) => void
  /** Marks a choice as the answer, where there is none yet. */
  onRight: (index: number) => void
}

function ChoicesEditor({ entry, language, onChange, onRight }: ChoicesEditorProps) {
  const { choices, answer } = entry
  const hasAnswer = answer.text.trim() !== '' || answer.picture !== undefined || answer.sound !== undefined
  const change = (index: number, choice: Choice): void =>
    onChange(choices.map((other, place) => (place === index ? choice : other)))
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="quiet text-sm">
        Choices beside the answer · where there are none, a quiz draws them from the list
      </legend>
      {hasAnswer && choices.length > 0 && (
        <p className="flex items-center gap-2 text-sm text-success" dir="auto">
          ✓ right: {answer.text || 'the answer'}
        </p>
      )}
      {choices.map((choice, index) => (
        <div key={index} className="flex items-start gap-2">
          <label className="flex h-10 items-center gap-1 text-sm">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={choice.right}
              aria-label={`Choice ${index + 1} is right`}
              onChange={(event) =>
                hasAnswer || !event.target.checked
                  ? change(index, { ...choice, right: event.target.checked })
                  : onRight(index)
              }
            />
            right
          </label>
          <div className="flex-1">
            <FaceEditor
              face={choice}
              name={`choice ${index + 1}`}
              language={language}
              withSound={false}
              word=""
              onChange={(next) => change(index, next)}
            />
          </div>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={`Delete choice ${index + 1}`}
            onClick={() => onChange(choices.filter((_, place) => place !== index))}
          >
            <Trash2 size={16} aria-hidden="true" />
          </button>
        </div>
      ))}
      {choices.length < MAX_CHOICES && (
        <button
          type="button"
          className="btn btn-sm self-start"
          onClick={() => onChange([...choices, { text: '', right: false }])}
        >
          <Plus size={15} aria-hidden="true" />
          Add a choice
        </button>
      )}
    </fieldset>
  )
}
