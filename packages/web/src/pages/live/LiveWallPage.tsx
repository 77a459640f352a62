import type { WallState } from '@otter/api'
import { useEffect, useRef } from 'react'
import { useParams } from 'react-router'
import { useHostCommand } from '../../api/live.ts'
import { SoundSwitch } from '../../live/SoundSwitch.tsx'
import { useWall } from '../../live/useHost.ts'
import { useSounds, type Sounds } from '../../live/useSounds.ts'
import { WAYS } from '../../live/ways.ts'
import { commonTexts, liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { clockText, useTimeLeft } from '../../ui/useTimeLeft.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import { Ashore } from './Ashore.tsx'
import { useForward } from './useForward.ts'
import { WallLobby } from './WallLobby.tsx'

/** A live session on the projector: the way in, what all do, and the finish. Nothing on it is private. */
export function LiveWallPage() {
  const t = useTexts(liveTexts)
  const { id = '' } = useParams()
  const { state, error } = useWall(id)
  const sounds = useSounds(state?.facts.phase === 'lobby')
  useWallCues(state, sounds)
  return (
    <main className="fixed inset-0 z-10 flex flex-col gap-[2vh] overflow-y-auto bg-base-200 p-[3vw] text-[max(28px,1.8vw)]">
      <SoundSwitch sounds={sounds} className="absolute! end-2 top-2 z-20" />
      {!state && <Notice error={error} />}
      {!state && !error && <Waterline filled={undefined} label={t('fetching')} />}
      {state?.facts.phase === 'lobby' && <WallLobby state={state} />}
      {state && (state.facts.phase === 'running' || state.facts.phase === 'paused') && <WallRunning state={state} />}
      {state?.facts.phase === 'over' && <Ashore state={state} />}
    </main>
  )
}

/** What is heard of what the wall shows: who comes in, a question that opens or closes, the finish. */
function useWallCues(state: WallState | undefined, { cue }: Sounds): void {
  const here = state?.here ?? 0
  const moment = state && `${state.facts.phase} ${state.facts.round?.number ?? ''} ${state.facts.round?.phase ?? ''}`
  const before = useRef({ here, moment })
  useEffect(() => {
    const was = before.current
    before.current = { here, moment }
    if (was.moment === undefined || moment === undefined) return
    if (moment !== was.moment) {
      if (moment.startsWith('over')) cue('ashore')
      else if (moment.endsWith('told')) cue('closed')
      else if (moment.startsWith('running')) cue('start')
    } else if (here > was.here && moment.startsWith('lobby')) cue('join')
  }, [here, moment, cue])
}

function WallRunning({ state }: { state: WallState }) {
  const t = useTexts(liveTexts)
  const common = useTexts(commonTexts)
  const { id, facts, title, code, door, way, here, answered } = state
  const { mutate } = useHostCommand(id)
  useForward(facts, () => mutate({ command: { type: 'next' }, revision: facts.revision }))
  const { round } = facts
  const isPaused = facts.phase === 'paused'
  const asked = useTimeLeft(facts.left.asked, facts.left, isPaused)
  const whole = useTimeLeft(facts.left.whole, facts.left, isPaused)
  const seconds = round?.phase === 'asking' ? (asked ?? whole) : whole
  const { Wall } = WAYS[way]
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-4">
        <h1 className="min-w-0 truncate text-[max(28px,2.6vw)]" dir="auto">
          {title || common('untitled')}
        </h1>
        {round && <span>{t('wall.question', { number: round.number, of: round.of })}</span>}
        {isPaused && <strong role="status">{t('wall.paused')}</strong>}
        {seconds !== null && (
          <strong role="timer" className="text-[max(40px,4vw)] leading-none tabular-nums" dir="ltr">
            {clockText(seconds)}
          </strong>
        )}
      </header>
      <Waterline
        filled={round ? (here === 0 ? 0 : answered / here) : 1}
        label={t('wall.answered', { answered, here })}
      />
      <div className="flex min-h-0 flex-1 flex-col">
        <Wall
          state={state}
          onPick={(place) => mutate({ command: { type: 'pick', place }, revision: facts.revision })}
        />
      </div>
      <footer className="quiet flex flex-wrap justify-between gap-4">
        <span dir="ltr">
          {door} · <strong>{code}</strong>
        </span>
        {round?.phase === 'asking' && <span role="status">{t('wall.answered', { answered, here })}</span>}
      </footer>
    </>
  )
}
