import { MAX_CHOICES, type Choice, type Entry } from '@otter/core'
import { Plus, Trash2 } from 'lucide-react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { FaceEditor } from './FaceEditor.tsx'

interface ChoicesEditorProps {
  entry: Entry
  language: string
  onChange: (choices: Choice[]) => void
  /** Marks a choice as the answer, where there is none yet. */
  onRight: (index: number) => void
}

/** The choices beside an entry's answer. */
export function ChoicesEditor({ entry, language, onChange, onRight }: ChoicesEditorProps) {
  const t = useTexts(listTexts)
  const { choices, answer } = entry
  const hasAnswer = answer.text.trim() !== '' || answer.picture !== undefined || answer.sound !== undefined
  const change = (index: number, choice: Choice): void =>
    onChange(choices.map((other, place) => (place === index ? choice : other)))
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="quiet text-sm">{t('entry.choices')}</legend>
      {hasAnswer && choices.length > 0 && (
        <p className="flex items-center gap-2 text-sm text-success" dir="auto">
          {t('entry.right', { text: answer.text || t('entry.theAnswer') })}
        </p>
      )}
      {choices.map((choice, index) => (
        <div key={index} className="flex items-start gap-2">
          <label className="flex h-10 items-center gap-1 text-sm">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={choice.right}
              aria-label={t('entry.choiceIsRight', { number: index + 1 })}
              onChange={(event) =>
                hasAnswer || !event.target.checked
                  ? change(index, { ...choice, right: event.target.checked })
                  : onRight(index)
              }
            />
            {t('entry.isRight')}
          </label>
          <div className="flex-1">
            <FaceEditor
              face={choice}
              name={t('face.choice', { number: index + 1 })}
              language={language}
              withSound={false}
              word=""
              onChange={(next) => change(index, next)}
            />
          </div>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={t('entry.deleteChoice', { number: index + 1 })}
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
          {t('entry.addChoice')}
        </button>
      )}
    </fieldset>
  )
}
