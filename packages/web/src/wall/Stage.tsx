import type { WallPlayReply } from '@otter/api'
import { Suspense, useMemo } from 'react'
import { EarlyReaders } from '../games/early.ts'
import { PLAY } from '../games/play.ts'
import { AtWall } from './atWall.ts'

interface StageProps {
  state: WallPlayReply
  /** Absent on a display. */
  onMove?: ((move: unknown) => void) | undefined
}

/** The game that stands on the wall, as it is played everywhere. */
export function Stage({ state: { kind, view, teams, early, language }, onMove }: StageProps) {
  const readers = useMemo(() => ({ early, language }), [early, language])
  const steers = onMove !== undefined
  const wall = useMemo(() => ({ teams, steers }), [teams, steers])
  const Play = PLAY[kind]
  return (
    <EarlyReaders value={readers}>
      <AtWall value={wall}>
        <Suspense>
          <Play
            view={view as never}
            waiting={false}
            left={null}
            opinions={[]}
            send={(move: unknown) => onMove?.(move)}
          />
        </Suspense>
      </AtWall>
    </EarlyReaders>
  )
}
