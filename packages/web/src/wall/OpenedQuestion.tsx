import { lazy, Suspense } from 'react'
import { Turns } from '../games/Turns.tsx'
import type { QuestionCardProps } from './QuestionCard.tsx'

/** Fetched when the first question is opened: until then a phone has less to fetch. */
const QuestionCard = lazy(async () => ({ default: (await import('./QuestionCard.tsx')).QuestionCard }))

interface OpenedQuestionProps extends Omit<QuestionCardProps, 'teamCount'> {
  teams: readonly { points: number; turn: boolean }[]
}

/** The open question in place of where questions are chosen. */
export function OpenedQuestion({ teams, ...card }: OpenedQuestionProps) {
  return (
    <div className="flex min-h-full flex-1 flex-col gap-3">
      <Turns teams={teams} finished={false} />
      <Suspense>
        <QuestionCard {...card} teamCount={Math.max(1, teams.length)} />
      </Suspense>
    </div>
  )
}
