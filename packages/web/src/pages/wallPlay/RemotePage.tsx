import type { ActAtWall, WallPlayReply } from '@otter/api'
import { Redo2, Undo2 } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { ApiError } from '../../api/client.ts'
import { usePairRemote, type WallSource } from '../../api/wall.ts'
import { commonTexts, wallPlayTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Otter } from '../../ui/Otter.tsx'
import { ScoreStrip } from '../../wall/ScoreStrip.tsx'
import { Stage } from '../../wall/Stage.tsx'
import { useWallPlay } from '../../wall/useWallPlay.ts'
import { WallTimer } from '../../wall/WallTimer.tsx'

const KEPT = 'otter-remote'

/** A phone as the remote control: paired by a code first, then with the game in hand, and its answers. */
export function RemotePage() {
  const [token, setToken] = useState(() => localStorage.getItem(KEPT))
  const [code] = useState(() => location.hash.slice(1))
  const paired = (next: string): void => {
    localStorage.setItem(KEPT, next)
    setToken(next)
  }
  const dropped = (): void => {
    localStorage.removeItem(KEPT)
    setToken(null)
  }
  // A code in the address pairs anew, whatever was steered before.
  const [isNew, setNew] = useState(code !== '')
  return token === null || isNew ? (
    <Pairing
      code={code}
      onPaired={(next) => {
        paired(next)
        setNew(false)
      }}
    />
  ) : (
    <Steering key={token} token={token} onDropped={dropped} />
  )
}

function Pairing({ code, onPaired }: { code: string; onPaired: (token: string) => void }) {
  const t = useTexts(wallPlayTexts)
  const [typed, setTyped] = useState(code)
  const { mutate, error, isPending } = usePairRemote()
  return (
    <main className="student mx-auto flex max-w-md flex-col gap-4 p-5">
      <Otter size={56} />
      <h1 className="text-3xl">{t('pairTitle')}</h1>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          mutate(typed, {
            onSuccess: ({ token }) => {
              history.replaceState(null, '', '/remote')
              onPaired(token)
            },
          })
        }}
      >
        <label className="flex flex-col gap-1">
          {t('pairCode')}
          <input
            className="input h-12 w-full text-2xl tracking-[0.15em] uppercase"
            autoComplete="off"
            autoCapitalize="characters"
            dir="ltr"
            maxLength={20}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <Notice error={error} />
        <button type="submit" className="btn btn-primary h-12" disabled={isPending || typed.trim() === ''}>
          {t('pair')}
        </button>
      </form>
    </main>
  )
}

function Steering({ token, onDropped }: { token: string; onDropped: () => void }) {
  const t = useTexts(wallPlayTexts)
  const source = useMemo((): WallSource => ({ path: '/remote', query: '', token }), [token])
  const { state, error, isCutOff, act } = useWallPlay(source)
  const isDropped = error instanceof ApiError && error.code === 'remote-dropped'
  useEffect(() => {
    if (isDropped) onDropped()
  }, [isDropped, onDropped])
  if (!state) return <Notice error={error} />
  return (
    <main className="student mx-auto flex min-h-dvh max-w-xl flex-col gap-3 p-3">
      <Notice error={error} />
      {isCutOff && (
        <p role="status" className="panel border-warning p-2">
          {t('cutOff')}
        </p>
      )}
      <InHand state={state} act={act} />
    </main>
  )
}

function InHand({ state, act }: { state: WallPlayReply; act: (act: ActAtWall['act']) => void }) {
  const t = useTexts(wallPlayTexts)
  const common = useTexts(commonTexts)
  const move = (made: unknown): void => act({ type: 'move', move: made })
  return (
    <>
      <h1 className="sr-only">{state.title || common('untitled')}</h1>
      <header className="flex items-center justify-between gap-2">
        <WallTimer standing={state.standing} now={state.now} send={move} />
        <span className="flex gap-1">
          <button type="button" className="btn h-11" disabled={!state.canUndo} onClick={() => act({ type: 'undo' })}>
            <Undo2 size={20} aria-hidden="true" />
            {t('undo')}
          </button>
          <button
            type="button"
            className="btn btn-ghost h-11 w-11 p-0"
            aria-label={t('redo')}
            disabled={!state.canRedo}
            onClick={() => act({ type: 'redo' })}
          >
            <Redo2 size={20} aria-hidden="true" />
          </button>
        </span>
      </header>
      <div className="flex flex-1 flex-col">
        <Stage state={state} onMove={move} />
      </div>
      <ScoreStrip teams={state.teams} standing={state.standing} send={move} finished={state.finished} />
    </>
  )
}
