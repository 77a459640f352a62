import { lazy, Suspense, useState } from 'react'
import { cleanText } from '@otter/core'
import type { ApiError } from '../../api/client.ts'
import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import { Frame, Rest } from './Frame.tsx'
import { Playing } from './Playing.tsx'
import { usePlay, type PlayState } from './usePlay.ts'
import { useProblemText } from './useProblemText.ts'

/** Fetched where the server has not got what was answered: it is there, and has said why. */
const UnsentNews = lazy(async () => ({ default: (await import('./UnsentNews.tsx')).UnsentNews }))

/** Fetched where somebody has to wait for the teacher. */
const outside = () => import('./Outside.tsx')
const Waiting = lazy(async () => ({ default: (await outside()).Waiting }))
const ClosedForNewcomers = lazy(async () => ({ default: (await outside()).ClosedForNewcomers }))

/** Fetched where somebody has the name already. */
const KnownName = lazy(async () => ({ default: (await import('./KnownName.tsx')).KnownName }))

/** Fetched where a code is typed alone. */
const CodeForm = lazy(async () => ({ default: (await import('./CodeForm.tsx')).CodeForm }))

/** Fetched for work of a class, and for a live session, alone. */
const ClassDoor = lazy(async () => ({ default: (await import('../class/ClassDoor.tsx')).ClassDoor }))
const LivePage = lazy(async () => ({ default: (await import('./live/LivePage.tsx')).LivePage }))

/** What students see: a code to type, a name to give, then the game. */
export function PlayPage({ code }: { code: string | undefined }) {
  const t = useTexts(playTexts)
  return code === undefined ? (
    <Frame>
      <Suspense>
        <CodeForm label={t('code')} help={t('codeHelp')} place="/p/" />
      </Suspense>
    </Frame>
  ) : (
    <LinkPage code={code} />
  )
}

function LinkPage({ code }: { code: string }) {
  const t = useTexts(playTexts)
  const play = usePlay(code)
  const { reply, problem } = play
  if (!reply) {
    return (
      <Frame>
        {problem ? (
          <Trouble problem={problem} onRetry={play.reload} />
        ) : (
          <>
            <p className="quiet">{t('loading')}</p>
            <Waterline filled={undefined} label={t('loading')} />
          </>
        )}
      </Frame>
    )
  }
  if (reply.live && !reply.player?.waits && (reply.player || reply.live.phase !== 'over')) {
    return (
      <Frame title={reply.title}>
        <Unsent state={play} />
        <Suspense fallback={<p className="quiet">{t('loading')}</p>}>
          <LivePage reply={reply} live={reply.live} state={play} />
        </Suspense>
      </Frame>
    )
  }
  if (!reply.play || !reply.player) {
    return (
      <Frame title={reply.title}>
        <Unsent state={play} />
        {reply.player?.waits ? (
          <Suspense>
            <Waiting name={reply.player.name} onLeave={() => void play.leave()} />
          </Suspense>
        ) : reply.open ? (
          reply.door ? (
            <Suspense fallback={<p className="quiet">{t('loading')}</p>}>
              <ClassDoor
                code={code}
                door={reply.door}
                work={reply.work}
                problem={problem}
                picked={play.picked}
                onPick={play.pick}
                onJoin={(wish) => void play.join(wish)}
                onSignedOut={play.reload}
              >
                <NameForm onJoin={(name, same) => play.join({ name, same })} problem={problem} />
              </ClassDoor>
            </Suspense>
          ) : (
            <NameForm onJoin={(name, same) => play.join({ name, same })} problem={problem} />
          )
        ) : (
          <Suspense>
            <ClosedForNewcomers opensAt={reply.work?.isEarly ? reply.work.opensAt : null} />
          </Suspense>
        )}
      </Frame>
    )
  }
  return (
    <Frame title={reply.title}>
      <Unsent state={play} />
      <Suspense fallback={<p className="quiet">{t('loading')}</p>}>
        <Playing
          reply={reply}
          play={reply.play}
          state={play}
          playerName={reply.player.name}
          {...(reply.work?.attemptsLeft === 0 && { again: null })}
        />
      </Suspense>
    </Frame>
  )
}

function Unsent({ state }: { state: PlayState }) {
  return (
    (state.held > 0 || state.aside > 0) && (
      <Suspense>
        <UnsentNews state={state} />
      </Suspense>
    )
  )
}

function Trouble({ problem, onRetry }: { problem: ApiError; onRetry: () => void }) {
  const t = useTexts(playTexts)
  const text = useProblemText()
  return (
    <>
      <Rest>{text(problem)}</Rest>
      <div className="flex justify-center gap-3">
        {problem.status === 404 ? (
          <a className="btn btn-primary h-12" href="/in">
            {t('anotherCode')}
          </a>
        ) : (
          <button type="button" className="btn btn-primary h-12" onClick={onRetry}>
            {t('tryAgain')}
          </button>
        )}
      </div>
    </>
  )
}

interface NameFormProps {
  onJoin: (name: string, same?: 'back' | 'other') => Promise<void>
  problem: ApiError | undefined
}

function NameForm({ onJoin, problem }: NameFormProps) {
  const t = useTexts(playTexts)
  const text = useProblemText()
  const [busy, setBusy] = useState(false)
  const [name, setName] = useState('')
  const [given, setGiven] = useState('')
  const [empty, setEmpty] = useState(false)
  const isKnown = problem?.code === 'name-here' && given === name
  const join = (same?: 'back' | 'other'): void => {
    if (busy) return
    // Spaces, and what no screen shows, are no name.
    if (cleanText(name).trim() === '') return setEmpty(true)
    setBusy(true)
    setGiven(name)
    void onJoin(name, same).finally(() => setBusy(false))
  }
  return (
    <form
      className="mt-6 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        join()
      }}
    >
      <label className="text-lg font-bold" htmlFor="name">
        {t('name')}
      </label>
      <input
        id="name"
        name="name"
        autoFocus
        autoComplete="off"
        maxLength={40}
        dir="auto"
        aria-describedby="name-help"
        className="input h-14 w-full text-xl"
        value={name}
        onChange={(event) => {
          setName(event.target.value)
          setEmpty(false)
        }}
      />
      <p id="name-help" className="quiet">
        {t('nameHelp')}
      </p>
      {empty && (
        <p role="alert" className="text-error">
          {t('noName')}
        </p>
      )}
      {problem && !empty && !isKnown && (
        <p role="alert" className="text-error">
          {text(problem)}
        </p>
      )}
      {isKnown ? (
        <Suspense>
          <KnownName name={name.trim()} busy={busy} onJoin={join} />
        </Suspense>
      ) : (
        <button type="submit" className="btn btn-primary h-14 text-lg" disabled={busy}>
          {t('begin')}
        </button>
      )}
    </form>
  )
}
