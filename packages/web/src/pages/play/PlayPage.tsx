import { lazy, Suspense, useState, type ReactNode } from 'react'
import { cleanText, directionOf } from '@otter/core'
import type { ApiError } from '../../api/client.ts'
import { LANGUAGES, type Language } from '@otter/api'
import { playTexts } from '../../texts/namespaces.ts'
import { changeLanguage, useTexts, useWriting } from '../../texts/texts.ts'
import { Otter, OtterAfloat } from '../../ui/Otter.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { KnownName } from './KnownName.tsx'
import { Playing } from './Playing.tsx'
import { usePlay } from './usePlay.ts'
import { useProblemText } from './useProblemText.ts'

/** Fetched for a live session alone. */
const LivePage = lazy(async () => ({ default: (await import('./live/LivePage.tsx')).LivePage }))

/** What students see: a code to type, a name to give, then the game. */
export function PlayPage({ code }: { code: string | undefined }) {
  return code === undefined ? (
    <Frame>
      <CodeForm />
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
        <Suspense fallback={<p className="quiet">{t('loading')}</p>}>
          <LivePage reply={reply} live={reply.live} state={play} />
        </Suspense>
      </Frame>
    )
  }
  if (!reply.play || !reply.player) {
    return (
      <Frame title={reply.title}>
        {reply.player?.waits ? (
          <Waiting name={reply.player.name} onLeave={() => void play.leave()} />
        ) : reply.open ? (
          <NameForm onJoin={(name, same) => play.join({ name, same })} problem={problem} />
        ) : (
          <ClosedForNewcomers />
        )}
      </Frame>
    )
  }
  return (
    <Frame title={reply.title}>
      <Suspense fallback={<p className="quiet">{t('loading')}</p>}>
        <Playing reply={reply} play={reply.play} state={play} playerName={reply.player.name} />
      </Suspense>
    </Frame>
  )
}

function Frame({ title, children }: { title?: string; children: ReactNode }) {
  const t = useTexts(playTexts)
  const { language } = useWriting()
  return (
    <div className="mx-auto flex min-h-dvh max-w-2xl flex-col gap-3 px-3 pb-6 pt-2 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-2">
        <Otter size={30} />
        <h1
          className="min-w-0 grow basis-24 truncate text-xl"
          dir={title === undefined ? undefined : directionOf(title)}
        >
          {title || 'Jolly Otter'}
        </h1>
        <select
          className="select select-ghost h-11 w-auto"
          aria-label={t('language')}
          value={language}
          onChange={(event) => void changeLanguage(event.target.value as Language)}
        >
          {Object.entries(LANGUAGES).map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </header>
      <main className="student flex flex-1 flex-col gap-3">{children}</main>
    </div>
  )
}

function Rest({ children }: { children: ReactNode }) {
  return (
    <div className="mt-8 flex flex-col items-center gap-6 text-center text-lg">
      <OtterAfloat />
      <p>{children}</p>
    </div>
  )
}

/** Who says to be somebody already there waits until the teacher has said so. */
function Waiting({ name, onLeave }: { name: string; onLeave: () => void }) {
  const t = useTexts(playTexts)
  return (
    <>
      <Rest>
        <strong>{t('waits', { name })}</strong>
        <br />
        {t('waitsHelp')}
      </Rest>
      <button type="button" className="btn mx-auto h-11" onClick={onLeave}>
        {t('anotherName')}
      </button>
    </>
  )
}

/** A newcomer has played nothing here: that something is kept would be no word for them. */
function ClosedForNewcomers() {
  const t = useTexts(playTexts)
  return (
    <>
      <Rest>{t('closedForNew')}</Rest>
      <div className="flex justify-center">
        <a className="btn btn-primary h-12" href="/in">
          {t('anotherCode')}
        </a>
      </div>
    </>
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

function CodeForm() {
  const t = useTexts(playTexts)
  return (
    <form
      className="mt-6 flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const code = String(new FormData(event.currentTarget).get('code'))
          .replace(/[^a-z0-9]/gi, '')
          .toUpperCase()
        if (code !== '') location.href = `/p/${code}`
      }}
    >
      <label className="text-lg font-bold" htmlFor="code">
        {t('code')}
      </label>
      <input
        id="code"
        name="code"
        required
        autoFocus
        autoComplete="off"
        autoCapitalize="characters"
        spellCheck={false}
        maxLength={12}
        aria-describedby="code-help"
        className="input h-16 w-full text-center text-3xl font-bold uppercase tracking-[0.3em]"
      />
      <p id="code-help" className="quiet">
        {t('codeHelp')}
      </p>
      <button type="submit" className="btn btn-primary h-14 text-lg">
        {t('open')}
      </button>
    </form>
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
        <KnownName name={name.trim()} busy={busy} onJoin={join} />
      ) : (
        <button type="submit" className="btn btn-primary h-14 text-lg" disabled={busy}>
          {t('begin')}
        </button>
      )}
    </form>
  )
}
