import type { RosterReply } from '@otter/api'
import { X } from 'lucide-react'
import { useState } from 'react'
import { namesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface WishesProps {
  roster: RosterReply
  onWishes: (wishes: RosterReply['wishes']) => void
}

/** Who is to be in one team, and who is not: kept with the names. */
export function Wishes({ roster: { students, wishes }, onWishes }: WishesProps) {
  const t = useTexts(namesTexts)
  const [type, setType] = useState<'together' | 'apart'>('apart')
  const [one, setOne] = useState('')
  const [other, setOther] = useState('')
  const nameOf = (id: string): string => students.find((student) => student.id === id)?.name ?? ''
  const choice = (label: string, value: string, onChange: (id: string) => void) => (
    <select
      className="select h-11 w-auto"
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">…</option>
      {students.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  )
  return (
    <details open={wishes.length > 0} className="print:hidden">
      <summary className="cursor-pointer py-1">{t('wishes.title', { count: wishes.length })}</summary>
      <form
        className="flex flex-wrap items-center gap-2 py-2"
        onSubmit={(event) => {
          event.preventDefault()
          onWishes([...wishes, { type, ids: [one, other] }])
          setOne('')
          setOther('')
        }}
      >
        {choice(t('wishes.one'), one, setOne)}
        <select
          className="select h-11 w-auto"
          aria-label={t('wishes.how')}
          value={type}
          onChange={(event) => setType(event.target.value as 'together' | 'apart')}
        >
          <option value="together">{t('wishes.together')}</option>
          <option value="apart">{t('wishes.apart')}</option>
        </select>
        {choice(t('wishes.other'), other, setOther)}
        <button type="submit" className="btn h-11" disabled={one === '' || other === '' || one === other}>
          {t('wishes.add')}
        </button>
      </form>
      <ul className="flex flex-wrap gap-2">
        {wishes.map((wish, index) => {
          const said = t(`wishes.said.${wish.type}`, { one: nameOf(wish.ids[0]), other: nameOf(wish.ids[1]) })
          return (
            <li key={index} className="panel flex items-center gap-1 ps-3">
              {said}
              <button
                type="button"
                className="btn btn-ghost h-9 w-9 p-0"
                aria-label={t('wishes.remove', { wish: said })}
                onClick={() => onWishes(wishes.filter((_, at) => at !== index))}
              >
                <X size={16} aria-hidden="true" />
              </button>
            </li>
          )
        })}
      </ul>
    </details>
  )
}
