import { LOOK_PARTS, type JoinOffer, type LiveView, type Look } from '@otter/api'
import { cleanText } from '@otter/core'
import { lazy, Suspense, useState, type ReactNode } from 'react'
import type { ApiError } from '../../../api/client.ts'
import { livePlayTexts, playTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { useProblemText } from '../useProblemText.ts'
import { OtterBuilder } from './OtterBuilder.tsx'

/** Fetched where somebody has the name already. */
const KnownName = lazy(async () => ({ default: (await import('../KnownName.tsx')).KnownName }))

interface JoinLiveProps {
  live: LiveView
  problem: ApiError | undefined
  onJoin: (wishes: JoinOffer) => Promise<void>
}

/** The way into a live session: a name, as the teacher wants it, and an otter; or back in with a code. */
export function JoinLive({ live, problem, onJoin }: JoinLiveProps) {
  const t = useTexts(livePlayTexts)
  const [isBack, setBack] = useState(false)
  const [busy, setBusy] = useState(false)
  const join = (wishes: JoinOffer): void => {
    if (busy) return
    setBusy(true)
    void onJoin(wishes).finally(() => setBusy(false))
  }
  return (
    <div className="mt-2 flex flex-col gap-3">
      {isBack ? (
        <ComeBack busy={busy} problem={problem} onJoin={join} />
      ) : (
        <Newcomer live={live} busy={busy} problem={problem} onJoin={join} />
      )}
      <button type="button" className="btn btn-ghost h-11 self-center font-normal" onClick={() => setBack(!isBack)}>
        {t(isBack ? 'notBefore' : 'wasHere')}
      </button>
    </div>
  )
}

interface FormProps {
  busy: boolean
  problem: ApiError | undefined
  onJoin: (wishes: JoinOffer) => void
}

function ComeBack({ busy, problem, onJoin }: FormProps) {
  const t = useTexts(livePlayTexts)
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const code = String(new FormData(event.currentTarget).get('code')).trim()
        if (code !== '') onJoin({ returnCode: code })
      }}
    >
      <label className="text-lg font-bold" htmlFor="return-code">
        {t('returnCode')}
      </label>
      <input
        id="return-code"
        name="code"
        autoFocus
        autoComplete="off"
        autoCapitalize="characters"
        spellCheck={false}
        maxLength={8}
        aria-describedby="return-help"
        className="input h-16 w-full text-center text-3xl font-bold uppercase tracking-[0.3em]"
      />
      <p id="return-help" className="quiet">
        {t('returnHelp')}
      </p>
      <Trouble problem={problem} />
      <button type="submit" className="btn btn-primary h-14 text-lg" disabled={busy}>
        {t('backIn')}
      </button>
    </form>
  )
}

function Newcomer({ live, busy, problem, onJoin }: FormProps & { live: LiveView }) {
  const t = useTexts(livePlayTexts)
  const play = useTexts(playTexts)
  const [name, setName] = useState('')
  const [given, setGiven] = useState('')
  const [look, setLook] = useState<Look>(anyLook)
  const [teamId, setTeamId] = useState<string>()
  const [isEmpty, setEmpty] = useState(false)
  const join = (wishes: JoinOffer): void => {
    const wanted = wishes.name ?? name
    if (live.names === 'typed' && cleanText(wanted).trim() === '') return setEmpty(true)
    setGiven(wanted)
    onJoin({
      ...(live.names !== 'given' && { name: wanted }),
      look,
      ...(live.teams.length > 0 && { teamId: teamId ?? live.teams[0]!.teamId }),
      ...wishes,
    })
  }
  const isKnown = problem?.code === 'name-here' && given !== '' && (live.names === 'list' || given === name)
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        join({})
      }}
    >
      {live.names === 'typed' && (
        <>
          <label className="text-lg font-bold" htmlFor="name">
            {play('name')}
          </label>
          <input
            id="name"
            autoFocus
            autoComplete="off"
            maxLength={40}
            dir="auto"
            className="input h-14 w-full text-xl"
            value={name}
            onChange={(event) => {
              setName(event.target.value)
              setEmpty(false)
            }}
          />
          {isEmpty && (
            <p role="alert" className="text-error">
              {play('noName')}
            </p>
          )}
        </>
      )}
      {live.names === 'given' && <p className="text-lg">{t('nameGivenHelp')}</p>}
      {live.teams.length > 0 && (
        <Teams teams={live.teams} chosen={teamId ?? live.teams[0]!.teamId} onChoose={setTeamId} />
      )}
      {isKnown ? (
        <Suspense>
          <KnownName name={given.trim()} busy={busy} onJoin={(same) => join({ name: given, same })} />
        </Suspense>
      ) : (
        <>
          <Trouble problem={problem} />
          {live.names === 'list' ? (
            <NamesToTap names={live.roster} busy={busy} onTap={(tapped) => join({ name: tapped })} />
          ) : (
            <button type="submit" className="btn btn-primary h-14 text-lg" disabled={busy}>
              {t(live.names === 'given' ? 'getName' : 'join')}
            </button>
          )}
        </>
      )}
      <OtterBuilder look={look} onChange={setLook} />
    </form>
  )
}

function anyLook(): Look {
  const below = (bound: number): number => Math.floor(Math.random() * bound)
  return { fur: below(LOOK_PARTS.fur), hat: below(LOOK_PARTS.hat), thing: below(LOOK_PARTS.thing) }
}

function NamesToTap({ names, busy, onTap }: { names: string[]; busy: boolean; onTap: (name: string) => void }) {
  const t = useTexts(livePlayTexts)
  if (names.length === 0) return <p>{t('nobodyLeft')}</p>
  return (
    <fieldset>
      <legend className="pb-2 text-lg font-bold">{t('tapName')}</legend>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {names.map((name) => (
          <li key={name}>
            <button
              type="button"
              className="btn h-auto min-h-12 w-full py-2 text-lg"
              disabled={busy}
              onClick={() => onTap(name)}
            >
              <bdi>{name}</bdi>
            </button>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}

function Teams({
  teams,
  chosen,
  onChoose,
}: {
  teams: LiveView['teams']
  chosen: string
  onChoose: (teamId: string) => void
}) {
  const t = useTexts(livePlayTexts)
  return (
    <fieldset>
      <legend className="pb-2 text-lg font-bold">{t('chooseTeam')}</legend>
      <div className="grid grid-cols-2 gap-2">
        {teams.map(({ teamId, name }) => (
          <label key={teamId} className="btn h-auto min-h-12 justify-start gap-2 py-2 text-lg font-normal">
            <input
              type="radio"
              name="team"
              className="radio radio-sm"
              checked={chosen === teamId}
              onChange={() => onChoose(teamId)}
            />
            <bdi>{name}</bdi>
          </label>
        ))}
      </div>
    </fieldset>
  )
}

function Trouble({ problem }: { problem: ApiError | undefined }): ReactNode {
  const text = useProblemText()
  return problem && problem.code !== 'name-here' ? (
    <p role="alert" className="text-error">
      {text(problem)}
    </p>
  ) : null
}
