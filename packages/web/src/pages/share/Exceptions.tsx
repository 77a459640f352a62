import { useState } from 'react'
import { useClass } from '../../api/classes.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import type { WorkChoice } from './workChoice.ts'

interface ExceptionsProps {
  classId: string
  work: WorkChoice['work']
  onChange: (change: Partial<WorkChoice['work']>) => void
}

/** More time, and another number of attempts, for named students of a class. */
export function Exceptions({ classId, work: { factorOf, attemptsOf }, onChange }: ExceptionsProps) {
  const t = useTexts(classesTexts)
  const [open, setOpen] = useState(false)
  const roll = useClass(classId).data?.roll.filter(({ state }) => state === 'in') ?? []
  if (roll.length === 0) return null
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="w-fit cursor-pointer py-1">{t('set.exceptions')}</summary>
      <p className="quiet text-sm">{t('set.exceptionsHelp')}</p>
      <ul className="flex flex-col gap-1">
        {(open ? roll : []).map(({ id, name }) => (
          <li key={id} className="flex flex-wrap items-center gap-2">
            <bdi className="w-40 truncate">{name}</bdi>
            <select
              className="select h-11 w-auto"
              aria-label={`${name}: ${t('set.minutes')}`}
              value={factorOf[id] ?? 1}
              onChange={(event) => onChange({ factorOf: without(factorOf, id, Number(event.target.value), 1) })}
            >
              {[1, 1.25, 1.5, 2, 3].map((factor) => (
                <option key={factor} value={factor}>
                  {factor === 1 ? t('set.sameTime') : t('set.moreTime', { factor })}
                </option>
              ))}
            </select>
            <select
              className="select h-11 w-auto"
              aria-label={`${name}: ${t('set.attempts')}`}
              value={attemptsOf[id] ?? 0}
              onChange={(event) => onChange({ attemptsOf: without(attemptsOf, id, Number(event.target.value), 0) })}
            >
              {[0, 1, 2, 3, 5, 10, 20].map((count) => (
                <option key={count} value={count}>
                  {count === 0 ? t('set.sameAttempts') : t('attempts', { count })}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </details>
  )
}

/** Returns values with a student's own, or without one where it is what holds for all. */
function without(values: Readonly<Record<string, number>>, id: string, value: number, common: number) {
  const rest = Object.entries(values).filter(([key]) => key !== id)
  return Object.fromEntries(value === common ? rest : [...rest, [id, value]])
}
