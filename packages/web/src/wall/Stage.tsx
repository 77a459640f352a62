import type { WallPlayReply } from '@otter/api'
import { Suspense, useMemo } from 'react'
import { EarlyReaders } from '../games/early.ts'
import { PLAY } from '../games/play.ts'
import { TEACHER } from '../games/teacher.ts'
import { Fitted } from '../games/Fitted.tsx'
import { AtWall } from './atWall.ts'

interface StageProps {
  state: WallPlayReply
  /** Absent on a display. */
  onMove?: ((move: unknown) => void) | undefined
  /** Whether it has a whole wall to itself. */
  isLarge?: boolean
}

/** The game that stands on the wall, as it is played everywhere. */
export function Stage({ state: { kind, view, teams, early, language }, onMove, isLarge = false }: StageProps) {
  const readers = useMemo(() => ({ early, language }), [early, language])
  const steers = onMove !== undefined
  const wall = useMemo(() => ({ teams, steers, isLarge }), [teams, steers, isLarge])
  const Play = PLAY[kind]
  const screen = (
    <Suspense>
      <Play view={view as never} waiting={false} left={null} opinions={[]} send={(move: unknown) => onMove?.(move)} />
    </Suspense>
  )
  return (
    <EarlyReaders value={readers}>
      <AtWall value={wall}>
        {!isLarge ? (
          screen
        ) : TEACHER[kind].fillsWall ? (
          <div className="flex min-h-0 flex-1 flex-col overflow-auto">{screen}</div>
        ) : (
          <Fitted>{screen}</Fitted>
        )}
      </AtWall>
    </EarlyReaders>
  )
}
