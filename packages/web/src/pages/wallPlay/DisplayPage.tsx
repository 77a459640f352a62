import { useMemo } from 'react'
import { useParams } from 'react-router'
import type { WallSource } from '../../api/wall.ts'
import { useScreenScale } from '../../games/Wall.tsx'
import { commonTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { ScoreStrip } from '../../wall/ScoreStrip.tsx'
import { Stage } from '../../wall/Stage.tsx'
import { useWallPlay } from '../../wall/useWallPlay.ts'
import { WallTimer } from '../../wall/WallTimer.tsx'

/** A game for teams as a second screen shows it: it follows, and steers nothing. */
export function DisplayPage() {
  const common = useTexts(commonTexts)
  const { id = '' } = useParams()
  const source = useMemo((): WallSource => ({ path: `/wall/${id}`, query: '', token: undefined }), [id])
  const { state, error } = useWallPlay(source)
  const scale = useScreenScale()
  if (!state) return <Notice error={error} />
  return (
    <main className="fixed inset-0 z-10 overflow-hidden bg-base-200">
      <div className="on-wall student flex flex-col gap-2" style={{ zoom: scale }}>
        <header className="flex items-center justify-between gap-2 px-4 pt-2">
          <h1 className="min-w-0 truncate text-2xl" dir="auto">
            {state.title || common('untitled')}
          </h1>
          <WallTimer standing={state.standing} now={state.now} />
        </header>
        <div className="flex min-h-0 flex-1 flex-col px-4" inert>
          <Stage state={state} isLarge />
        </div>
        <ScoreStrip teams={state.teams} standing={state.standing} finished={state.finished} />
      </div>
    </main>
  )
}
