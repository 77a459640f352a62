import type { PlayReply } from '@otter/api'
import { lazy, Suspense, useMemo, useState, type ReactNode } from 'react'
import { PLAY } from '../../games/play.ts'
import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { EarlyReaders } from '../../games/early.ts'
import { useLanding } from '../../ui/useLanding.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import type { PlayState } from './usePlay.ts'
import { useProblemText } from './useProblemText.ts'

/** Fetched for work of a class, and boards, alone. */
const parts = () => import('../class/workParts.ts')
const WorkClock = lazy(async () => ({ default: (await parts()).WorkClock }))
const WorkEnd = lazy(async () => ({ default: (await parts()).WorkEnd }))

interface PlayingProps {
  reply: PlayReply
  play: NonNullable<PlayReply['play']>
  state: PlayState
  playerName: string
  /** Whether the player may end the game early. */
  stops?: boolean
  /** What playing once more is called, and what it means; null where there is no more to play. */
  again?: { name: string; help: string } | null
  /** What stands below the game. */
  children?: ReactNode
}

/** The game under way, with how far it has come; and the result once it is finished. */
export function Playing({ reply, play, state, playerName, stops = true, again, children }: PlayingProps) {
  const t = useTexts(playTexts)
  const { score } = play
  const early = useMemo(() => ({ early: reply.early, language: reply.language }), [reply.early, reply.language])
  const Screen = PLAY[reply.kind]
  return (
    <>
      <Progress kind={reply.kind} play={play} playerName={playerName} />
      {typeof reply.work?.left === 'number' && !score.finished && (
        <Suspense>
          <WorkClock key={`${play.attempt} ${play.moves}`} left={reply.work.left} onUp={state.reload} />
        </Suspense>
      )}
      <PlayNews reply={reply} state={state} finished={score.finished} />
      {score.finished && (
        <Result
          kind={reply.kind}
          score={score}
          missed={play.missed ?? []}
          again={again !== undefined ? again : reply.open ? { name: t('again'), help: t('againHelp') } : null}
          onAgain={() => void state.again()}
        />
      )}
      {!reply.work?.hidesAnswers && (
        <EarlyReaders value={early}>
          <div className={reply.early ? 'early' : undefined}>
            <Suspense fallback={<p className="quiet">{t('loading')}</p>}>
              <Screen
                key={play.attempt}
                view={play.view as never}
                send={(move) => state.send(move as { type: string })}
                waiting={state.waiting}
                left={play.left}
                opinions={reply.opinions}
              />
            </Suspense>
          </div>
        </EarlyReaders>
      )}
      {(reply.work || reply.board) && (
        <Suspense>
          <WorkEnd reply={reply} state={state} name={playerName} />
        </Suspense>
      )}
      {children}
      <footer className="mt-auto flex flex-wrap items-center justify-between gap-2 pt-2">
        <NotMe name={playerName} onLeave={() => void state.leave()} />
        {!score.finished && stops && (
          <StopGame left={score.total - score.right} onFinish={() => state.send({ type: 'finish' })} />
        )}
      </footer>
    </>
  )
}

/** How far a play has come, and whose it is. */
function Progress({ kind, play, playerName }: { kind: PlayReply['kind'] } & Pick<PlayingProps, 'play' | 'playerName'>) {
  const t = useTexts(playTexts)
  const { score, attempt } = play
  const progress = useResultWords(kind).progress(score)
  const owner = t('playingAs', { name: playerName })
  const facts = [
    ...(score.hints > 0 ? [t('hints', { count: score.hints })] : []),
    owner,
    ...(attempt > 1 ? [t('attempt', { count: attempt })] : []),
  ]
  return (
    <div>
      <p className="flex justify-between gap-2 text-sm">
        <strong>{score.total > 0 && progress}</strong>
        <span className="quiet">{facts.join(' · ')}</span>
      </p>
      <Waterline
        filled={score.total === 0 ? 0 : score.right / score.total}
        label={score.total === 0 ? owner : progress}
      />
    </div>
  )
}

/** What a student must know beside the game: no connection, a move refused, a link closed. `UnsentNews` says why moves wait. */
function PlayNews({ reply, state, finished }: Pick<PlayingProps, 'reply' | 'state'> & { finished: boolean }) {
  const t = useTexts(playTexts)
  const problemText = useProblemText()
  const isClosed = !reply.live && (!reply.open || state.problem?.code === 'link-closed')
  return (
    <>
      {state.offline && (
        <p role="status" className="panel border-warning p-2 text-sm">
          {t('offline')}
          {state.goAhead && (
            <button type="button" className="btn mt-2 h-11 w-full" onClick={state.goAhead}>
              {t('goAhead')}
            </button>
          )}
        </p>
      )}
      {(reply.fate === 'late' || (reply.fate === 'passed' && !finished)) && (
        <p role="status" className="panel p-2 text-sm">
          {t(reply.fate === 'late' ? 'cameLate' : 'movedOn')}
        </p>
      )}
      {state.problem && state.held === 0 && state.problem.code !== 'link-closed' && (
        <p role="alert" className="panel border-error p-2 text-sm">
          {problemText(state.problem)}
        </p>
      )}
      {isClosed && state.held === 0 && !finished && (
        <p role="status" className="panel p-2 text-sm">
          {t('closed')}
        </p>
      )}
    </>
  )
}

/** Lets somebody else play at this device, once it is sure. */
function NotMe({ name, onLeave }: { name: string; onLeave: () => void }) {
  const t = useTexts(playTexts)
  const [asking, setAsking] = useState(false)
  if (!asking)
    return (
      <button type="button" className="btn btn-ghost h-11 px-2 font-normal" onClick={() => setAsking(true)}>
        {t('notMe', { name })}
      </button>
    )
  return (
    <div role="group" aria-label={t('notMe', { name })} className="flex flex-wrap items-center gap-2">
      <span>{t('notMeSure', { name })}</span>
      <button type="button" className="btn h-11" autoFocus onClick={() => setAsking(false)}>
        {t('stayAs', { name })}
      </button>
      <button type="button" className="btn btn-secondary h-11" onClick={onLeave}>
        {t('leave')}
      </button>
    </div>
  )
}

/** Ends a game early, once it is sure. */
function StopGame({ left, onFinish }: { left: number; onFinish: () => void }) {
  const t = useTexts(playTexts)
  const [asking, setAsking] = useState(false)
  if (!asking)
    return (
      <button type="button" className="btn h-11" onClick={() => setAsking(true)}>
        {t('stop')}
      </button>
    )
  return (
    <div role="group" aria-label={t('stop')} className="flex flex-wrap items-center justify-end gap-2">
      <span>{t('stopSure', { left })}</span>
      <button type="button" className="btn h-11" autoFocus onClick={() => setAsking(false)}>
        {t('keepPlaying')}
      </button>
      <button
        type="button"
        className="btn btn-secondary h-11"
        onClick={() => {
          setAsking(false)
          onFinish()
        }}
      >
        {t('finish')}
      </button>
    </div>
  )
}

function Result({
  kind,
  score,
  missed,
  again,
  onAgain,
}: {
  kind: PlayReply['kind']
  score: PlayingProps['play']['score']
  /** Answers to look at once more. */
  missed: readonly string[]
  again: { name: string; help: string } | null
  onAgain: () => void
}) {
  const t = useTexts(playTexts)
  const words = useResultWords(kind)
  const result = useLanding<HTMLElement>('')
  const seconds = Math.round(score.milliseconds / 1000)
  return (
    <section
      ref={result}
      tabIndex={-1}
      data-landing
      aria-label={t('done')}
      className="panel flex scroll-mt-2 flex-wrap items-center justify-between gap-3 p-4 outline-none"
    >
      <div>
        <h2 className="text-2xl">{words.title(score)}</h2>
        <p>
          {[
            ...(score.total > 0 ? [words.progress(score)] : []),
            ...(score.points > 0 ? [t('score', { points: score.points })] : []),
            t('time', { minutes: Math.floor(seconds / 60), seconds: seconds % 60 }),
            ...(score.hints > 0 ? [t('hints', { count: score.hints })] : []),
          ].join(' · ')}
        </p>
        {missed.length > 0 && (
          <p>
            <span className="quiet">{t('missedTitle')}:</span> <bdi>{missed.join(' · ')}</bdi>
          </p>
        )}
      </div>
      {again && (
        <div>
          <button type="button" className="btn btn-primary h-12" onClick={onAgain}>
            {again.name}
          </button>
          <p className="quiet text-center text-sm">{again.help}</p>
        </div>
      )}
    </section>
  )
}

/** Returns how a result is told: in the game's own words where it has some. */
function useResultWords(kind: PlayReply['kind']): {
  progress: (score: { right: number; total: number }) => string
  /** What stands over the result. */
  title: (score: { right: number; total: number; bonus: number }) => string
} {
  const t = useTexts(playTexts)
  const game = useTexts<unknown>({ name: kind })
  return {
    progress: ({ right, total }) => (game.has('progress') ? game : t).coded('progress', { right, total }),
    title: ({ right, total, bonus }) => {
      if (bonus > 0 && game.has('bonus')) return game.coded('bonus')
      if (total === 0 || right < total) return t('done')
      return game.has('allRight') ? game.coded('allRight') : t('allFound')
    },
  }
}
