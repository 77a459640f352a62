import type { GameKind } from '@otter/core'
import { memo, useState, type ReactNode } from 'react'
import { NavLink } from 'react-router'
import { keptChoices } from './games/gameChoice.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import { listTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

const STEPS = ['words', 'games', 'play', 'results'] as const
type StepName = (typeof STEPS)[number]
const PATHS: Record<StepName, (game: GameKind) => string> = {
  words: () => '',
  games: (game) => `/games/${game}`,
  play: () => '/play',
  results: () => '/results',
}

interface ListHeaderProps {
  listId: string
  title: ReactNode
  facts: ReactNode
  step: StepName
  /** The game last looked at; the one kept on this device where it is not given. */
  game?: GameKind
  action?: ReactNode
}

/** The head of a list's pages: its title, the four steps of the work, and how far along it is. */
export function ListHeader({ listId, title, facts, step, game, action }: ListHeaderProps) {
  const [kept] = useState(() => keptChoices(listId).kind)
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div className="min-w-0 flex-1">
          {title}
          <p className="quiet" role="status">
            {facts}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">{action}</div>
      </div>
      <Steps listId={listId} step={step} game={game ?? kept} />
    </div>
  )
}

const Steps = memo(function Steps({ listId, step, game }: { listId: string; step: StepName; game: GameKind }) {
  const t = useTexts(listTexts)
  const reached = STEPS.indexOf(step)
  return (
    <div className="max-w-2xl">
      <nav aria-label={t('steps.label')} className="flex justify-between pb-1 font-bold">
        {STEPS.map((name, index) => (
          <NavLink
            key={name}
            to={`/lists/${listId}${PATHS[name](game)}`}
            aria-current={index === reached ? 'step' : undefined}
            className={index === reached ? 'text-secondary' : 'quiet hover:text-base-content'}
          >
            {t(`steps.${name}`)}
          </NavLink>
        ))}
      </nav>
      <Waterline
        filled={(reached + 1) / STEPS.length}
        label={t('steps.at', { number: reached + 1, of: STEPS.length, name: t(`steps.${step}`) })}
      />
    </div>
  )
})
