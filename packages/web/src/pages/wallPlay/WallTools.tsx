import type { ActAtWall, WallPlayReply } from '@otter/api'
import { Flag, Maximize, MonitorPlay, Redo2, Smartphone, Undo2, Users, X } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { commonTexts, wallPlayTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { WallTimer } from '../../wall/WallTimer.tsx'
import { Help } from '../help/Help.tsx'
import { turnFull } from './useTeamKeys.ts'

interface WallToolsProps {
  state: WallPlayReply
  act: (act: ActAtWall['act']) => void
  onRemote: () => void
  onTeams: () => void
}

/** What a teacher steers any game by: back and forth, the timer, the teams, other screens, and the way out. */
export function WallTools({ state, act, onRemote, onTeams }: WallToolsProps) {
  const t = useTexts(wallPlayTexts)
  const common = useTexts(commonTexts)
  const { offerId, listId, title, canUndo, canRedo, standing, now, finished } = state
  return (
    <header className="flex flex-wrap items-center justify-between gap-2 px-4 pt-2">
      <h1 className="min-w-0 truncate text-2xl" dir="auto">
        {title || common('untitled')}
      </h1>
      <div className="flex flex-wrap items-center gap-1">
        <WallTimer standing={standing} now={now} send={(move) => act({ type: 'move', move })} />
        <Tool name={t('undo')} keys="Control+Z" isOff={!canUndo} onClick={() => act({ type: 'undo' })}>
          <Undo2 size={20} aria-hidden="true" />
        </Tool>
        <Tool name={t('redo')} keys="Control+Y" isOff={!canRedo} onClick={() => act({ type: 'redo' })}>
          <Redo2 size={20} aria-hidden="true" />
        </Tool>
        <Tool name={t('teams')} onClick={onTeams}>
          <Users size={20} aria-hidden="true" />
        </Tool>
        <Tool name={t('remote')} onClick={onRemote}>
          <Smartphone size={20} aria-hidden="true" />
        </Tool>
        <Tool name={t('display')} onClick={() => void window.open(`/wall/${offerId}/show`, '_blank', 'noopener')}>
          <MonitorPlay size={20} aria-hidden="true" />
        </Tool>
        <Tool name={t('full')} keys="," onClick={turnFull}>
          <Maximize size={20} aria-hidden="true" />
        </Tool>
        <Help listens={false} />
        {finished ? (
          <Link className="btn btn-primary h-11" to={`/lists/${listId}/results?link=${offerId}`}>
            {common('results')}
          </Link>
        ) : (
          <Tool name={t('end')} onClick={() => act({ type: 'move', move: { type: 'finish' } })}>
            <Flag size={20} aria-hidden="true" />
          </Tool>
        )}
        <Link
          className="btn btn-ghost h-11 w-11 p-0"
          aria-label={t('leave')}
          title={t('leave')}
          to={listId ? `/lists/${listId}/play` : '/'}
        >
          <X size={22} aria-hidden="true" />
        </Link>
      </div>
    </header>
  )
}

interface ToolProps {
  name: string
  keys?: string
  isOff?: boolean
  onClick: () => void
  children: ReactNode
}

function Tool({ name, keys, isOff = false, onClick, children }: ToolProps) {
  return (
    <button
      type="button"
      className="btn btn-ghost h-11 w-11 p-0"
      aria-label={name}
      title={name}
      aria-keyshortcuts={keys}
      disabled={isOff}
      onClick={onClick}
    >
      {children}
    </button>
  )
}
