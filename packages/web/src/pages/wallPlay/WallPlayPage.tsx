import type { WallPlayReply } from '@otter/api'
import { useMemo, useState } from 'react'
import { useParams } from 'react-router'
import type { WallSource } from '../../api/wall.ts'
import { useScreenScale } from '../../games/Wall.tsx'
import { wallPlayTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ScoreStrip } from '../../wall/ScoreStrip.tsx'
import { Stage } from '../../wall/Stage.tsx'
import { useWallPlay, type WallPlay } from '../../wall/useWallPlay.ts'
import { RemoteDialog } from './RemoteDialog.tsx'
import { TeamsDialog } from './TeamsDialog.tsx'
import { useTeamKeys } from './useTeamKeys.ts'
import { WallTools } from './WallTools.tsx'

/** A game for teams on the wall, with all that its teacher steers it by. */
export function WallPlayPage() {
  const t = useTexts(wallPlayTexts)
  const { id = '' } = useParams()
  const source = useMemo((): WallSource => ({ path: `/wall/${id}`, query: '', token: undefined }), [id])
  const wall = useWallPlay(source)
  const { state, error, isCutOff } = wall
  return (
    <main className="fixed inset-0 z-10 overflow-hidden bg-base-200">
      {!state && <Notice error={error} />}
      {!state && !error && <Waterline filled={undefined} label={t('fetching')} />}
      {state && <Steered state={state} wall={wall} isCutOff={isCutOff} />}
    </main>
  )
}

function Steered({ state, wall, isCutOff }: { state: WallPlayReply; wall: WallPlay; isCutOff: boolean }) {
  const t = useTexts(wallPlayTexts)
  const scale = useScreenScale()
  const [open, setOpen] = useState<'none' | 'remote' | 'teams'>('none')
  const move = (made: unknown): void => wall.act({ type: 'move', move: made })
  useTeamKeys(state, wall.act, open === 'none')
  return (
    <div className="on-wall student flex flex-col gap-2" style={{ zoom: scale }}>
      <WallTools state={state} act={wall.act} onRemote={() => setOpen('remote')} onTeams={() => setOpen('teams')} />
      <Notice error={wall.error} />
      {isCutOff && (
        <p role="status" className="mx-4 panel border-warning p-2">
          {t('cutOff')}
        </p>
      )}
      <div className="flex min-h-0 flex-1 flex-col px-4">
        <Stage state={state} onMove={move} isLarge />
      </div>
      <ScoreStrip teams={state.teams} standing={state.standing} send={move} finished={state.finished} />
      {open === 'remote' && <RemoteDialog state={state} onClose={() => setOpen('none')} />}
      {open === 'teams' && <TeamsDialog state={state} onClose={() => setOpen('none')} />}
    </div>
  )
}
