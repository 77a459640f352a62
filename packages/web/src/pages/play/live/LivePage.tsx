import type { LiveView, PlayReply } from '@otter/api'
import { Suspense, useEffect, useRef } from 'react'
import { livePlayTexts, playTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { Playing } from '../Playing.tsx'
import type { PlayState } from '../usePlay.ts'
import { JoinLive } from './JoinLive.tsx'
import { LiveNews, RankingList, RoundNews } from './LiveNews.tsx'
import { useSounds, type Sounds } from '../../../live/useSounds.ts'
import { WaitingRoom } from './WaitingRoom.tsx'

interface LivePageProps {
  reply: PlayReply
  live: LiveView
  state: PlayState
}

/** A live session on a student's device: the way in, the waiting room, the game with what all share, and its end. */
export function LivePage({ reply, live, state }: LivePageProps) {
  const t = useTexts(livePlayTexts)
  const play = useTexts(playTexts)
  const sounds = useSounds(false)
  useRightCue(reply, sounds)
  if (!live.me || !reply.player) return <JoinLive live={live} problem={state.problem} onJoin={state.join} />
  if (live.phase === 'lobby' || !reply.play)
    return <WaitingRoom me={live.me} name={reply.player.name} onChange={state.changeMe} />
  return (
    <>
      <LiveNews live={live} sounds={sounds} />
      {live.phase === 'over' && (
        <p role="status" className="text-center text-lg">
          <strong>{t('over')}</strong> ·{' '}
          {live.me.rank && t('place', { place: live.me.rank.place, of: live.me.rank.of })}
          <br />
          <span className="quiet">{t('overHelp')}</span>
        </p>
      )}
      <fieldset disabled={live.phase === 'paused'} className="contents">
        <Suspense fallback={<p className="quiet">{play('loading')}</p>}>
          <Playing
            reply={reply}
            play={reply.play}
            state={state}
            playerName={reply.player.name}
            stops={!live.inStep && live.phase === 'running'}
            again={live.phase === 'running' && live.rounds ? { name: t('round'), help: t('roundHelp') } : null}
          >
            <RoundNews live={live} />
            {live.ranking && (live.round?.phase === 'told' || reply.play.score.finished) && (
              <RankingList ranking={live.ranking} />
            )}
          </Playing>
        </Suspense>
      </fieldset>
    </>
  )
}

/** A right answer is heard too, where this device has its sounds on. */
function useRightCue({ play }: PlayReply, { cue }: Sounds): void {
  const right = play?.score.right ?? 0
  const before = useRef(right)
  useEffect(() => {
    if (right > before.current) cue('right')
    before.current = right
  }, [right, cue])
}
