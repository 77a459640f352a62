import type { ReactNode } from 'react'
import { NavLink } from 'react-router'
import { Waterline } from '../../ui/Waterline.tsx'

const STEPS = [['Words', ''], ['Games', '#game'], ['Play', '/play'], ['Results', '/results']] as const
type StepName = (typeof STEPS)[number][0]

interface ListHeaderProps {
  listId: string
  title: ReactNode
  facts: ReactNode
  step: StepName
  action?: ReactNode
}

/** The head of a list's pages: its title, the four steps of the work, and how far along it is. */
export function ListHeader({ listId, title, facts, step, action }: ListHeaderProps) {
  const reached = STEPS.findIndex(([name]) => name === step)
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div className="min-w-0 flex-1">{title}<p className="quiet" role="status">{facts}</p></div>
        <div className="flex flex-wrap gap-2">{action}</div>
      </div>
      <div className="max-w-2xl">
        <nav aria-label="Steps of this list" className="flex justify-between pb-1 font-bold">
          {STEPS.map(([name, path], index) => (
            <NavLink key={name} to={`/lists/${listId}${path}`} aria-current={index === reached ? 'step' : undefined} className={index === reached ? 'text-secondary' : 'quiet hover:text-base-content'}>{name}</NavLink>
          ))}
        </nav>
        <Waterline filled={(reached + 1) / STEPS.length} label={`Step ${reached + 1} of ${STEPS.length}: ${step}`} />
      </div>
    </div>
  )
}
