import { GAME_KINDS, gameOf, WAY_KINDS, wayOf, type GameKind, type WayKind } from '@otter/core'
import { Radio } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useCreateLive } from '../../api/live.ts'
import { WAYS } from '../../live/ways.ts'
import { useGameWords } from '../../games/words.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { choiceOf } from '../list/games/choiceOf.ts'
import { keptChoices } from '../list/games/gameChoice.ts'
import { keepLiveChoice, keptLiveChoice, liveOf, type LiveChoice } from './liveChoice.ts'
import { LiveChoices } from './LiveChoices.tsx'

/** The way from a list to a live session: the game and the way as they were chosen last, and all else by choice. */
export function PlayLive({ listId }: { listId: string }) {
  const t = useTexts(liveTexts)
  const words = useGameWords()
  const navigate = useNavigate()
  const [kept] = useState(() => keptChoices(listId))
  const [kind, setKind] = useState<GameKind>(kept.kind)
  const [choice, setChoice] = useState<LiveChoice>(keptLiveChoice)
  const [requestId] = useState(newId)
  const create = useCreateLive(listId)
  const way: WayKind = suits(choice.way, kind) ? choice.way : 'ownpace'
  const set = (change: Partial<LiveChoice>): void => setChoice({ ...choice, ...change })
  const { Options } = WAYS[way]
  // A board is played by teams: they are drawn where nothing else was chosen.
  const choose = (next: WayKind): void =>
    set({
      way: next,
      ...(next === 'board' && choice.teams === 'none'
        ? { teams: 'drawn' as const, teamNames: choice.teamNames || t('setup.teamsDefault') }
        : {}),
    })
  const open = (): void => {
    keepLiveChoice(choice)
    const { options, seed } = choiceOf(kept, kind)
    create.mutate(
      { kind, options, seed, requestId, ...liveOf({ ...choice, way }) },
      { onSuccess: ({ id }) => void navigate(`/live/${id}`) },
    )
  }
  return (
    <section aria-labelledby="play-live" className="panel flex flex-col gap-3 p-5">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div className="min-w-0">
          <h2 id="play-live" className="text-2xl">
            {t('title')}
          </h2>
          <p className="quiet">{t('help')}</p>
        </div>
        <button type="button" className="btn btn-primary h-12" disabled={create.isPending} onClick={open}>
          <Radio size={20} aria-hidden="true" />
          {t('openLobby')}
        </button>
      </div>
      <Notice error={create.error} />
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <Select
          label={t('game')}
          value={kind}
          options={GAME_KINDS.map((game) => [game, words.name(game)] as const)}
          onChange={setKind}
        />
        <Select
          label={t('way')}
          value={way}
          options={WAY_KINDS.filter((one) => suits(one, kind)).map((one) => [one, t(`ways.${one}`)])}
          onChange={choose}
        />
        <p className="quiet self-end text-sm sm:col-span-2">
          {t(`wayHelp.${way}`)}{' '}
          <Link className="link" to={`/lists/${listId}/games/${kind}`}>
            {t('changeGame')}
          </Link>
        </p>
      </div>
      <details>
        <summary className="cursor-pointer py-1">{t('more')}</summary>
        <div className="grid gap-3 pt-2 sm:grid-cols-2 lg:grid-cols-4">
          <LiveChoices choice={choice} way={way} onChange={set} />
          <Options
            options={choice.wayOptions[way] as never}
            onChange={(options) => set({ wayOptions: { ...choice.wayOptions, [way]: options } })}
          />
        </div>
      </details>
    </section>
  )
}

/** Whether a game can be played in a way. */
function suits(way: WayKind, kind: GameKind): boolean {
  const { inStep } = gameOf(kind)
  return wayOf(way).suits({ steps: inStep ? [{ seconds: 0 }] : [], hasBoard: inStep?.hasBoard ?? false })
}
