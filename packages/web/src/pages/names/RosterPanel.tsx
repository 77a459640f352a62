import type { RosterReply } from '@otter/api'
import { X } from 'lucide-react'
import { useState } from 'react'
import { namesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'

interface RosterPanelProps {
  roster: RosterReply
  /** `onKept` is told once the server has it. */
  onSave: (change: Partial<Pick<RosterReply, 'name' | 'students' | 'wishes'>>, onKept?: () => void) => void
  onDelete: () => void
}

/** The names of a list: pasted, and each here today or away. */
export function RosterPanel({ roster: { name, students, counts, wishes }, onSave, onDelete }: RosterPanelProps) {
  const t = useTexts(namesTexts)
  const [pasted, setPasted] = useState('')
  const [isDeleting, setDeleting] = useState(false)
  const add = (): void => {
    const known = new Set(students.map((student) => student.name.toLowerCase()))
    const fresh = namesIn(pasted).filter((one) => !known.has(one.toLowerCase()))
    const added = fresh.map((one) => ({ id: newId(), name: one, absent: false }))
    // What was pasted stays until it is kept.
    if (added.length > 0) onSave({ students: [...students, ...added] }, () => setPasted(''))
    else setPasted('')
  }
  const remove = (id: string): void =>
    onSave({
      students: students.filter((student) => student.id !== id),
      wishes: wishes.filter(({ ids }) => !ids.includes(id)),
    })
  return (
    <section aria-labelledby="roster" className="panel flex flex-col gap-3 p-4">
      <h2 id="roster" className="sr-only">
        {t('names')}
      </h2>
      <label className="flex flex-col">
        <span className="quiet text-sm">{t('listName')}</span>
        <input
          className="input h-11 w-full"
          dir="auto"
          maxLength={40}
          defaultValue={name}
          onBlur={(event) => {
            const typed = event.target.value.trim()
            if (typed !== '' && typed !== name) onSave({ name: typed })
          }}
        />
      </label>
      <form
        className="flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          add()
        }}
      >
        <label className="flex flex-col">
          <span className="quiet text-sm">{t('paste')}</span>
          <textarea
            className="textarea w-full"
            rows={students.length === 0 ? 6 : 2}
            dir="auto"
            value={pasted}
            onChange={(event) => setPasted(event.target.value)}
          />
        </label>
        <button type="submit" className="btn h-11 self-start" disabled={pasted.trim() === ''}>
          {t('add')}
        </button>
      </form>
      <p className="quiet text-sm">
        {t('here', { count: students.filter(({ absent }) => !absent).length, of: students.length })}
      </p>
      <ul className="flex max-h-96 flex-col overflow-y-auto" tabIndex={students.length > 8 ? 0 : undefined}>
        {students.map((student) => (
          <li key={student.id} className="flex items-center justify-between gap-2 border-b border-base-300">
            <label className="flex min-h-11 min-w-0 flex-1 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={!student.absent}
                onChange={(event) =>
                  onSave({
                    students: students.map((one) =>
                      one.id === student.id ? { ...one, absent: !event.target.checked } : one,
                    ),
                  })
                }
              />
              <bdi className={`truncate ${student.absent ? 'quiet line-through' : ''}`}>{student.name}</bdi>
            </label>
            <span className="quiet text-sm">{t('times', { count: counts[student.id] ?? 0 })}</span>
            <button
              type="button"
              className="btn btn-ghost h-9 w-9 p-0"
              aria-label={t('remove', { name: student.name })}
              onClick={() => remove(student.id)}
            >
              <X size={16} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      {isDeleting ? (
        <p className="flex flex-wrap items-center gap-2">
          {t('deleteSure')}
          <button type="button" className="btn btn-sm" onClick={onDelete}>
            {t('deleteYes')}
          </button>
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => setDeleting(false)}>
            {t('deleteNo')}
          </button>
        </p>
      ) : (
        <button type="button" className="btn btn-ghost btn-sm self-start" onClick={() => setDeleting(true)}>
          {t('delete')}
        </button>
      )}
    </section>
  )
}

/** Returns the names of a text, one a line or the first column of a table, each once. */
function namesIn(text: string): string[] {
  const names = text.split('\n').map((line) => line.split('\t')[0]!.trim().replace(/\s+/gu, ' ').slice(0, 40))
  return [...new Map(names.filter((name) => name !== '').map((name) => [name.toLowerCase(), name])).values()]
}
