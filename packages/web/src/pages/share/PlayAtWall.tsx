import { GAME_KINDS, gameOf, MOST_TEAMS, type GameKind } from '@otter/core'
import { Presentation } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useCreateWallPlay } from '../../api/wall.ts'
import { useGameWords } from '../../games/words.ts'
import { wallPlayTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { numbers } from '../../ui/numbers.ts'
import { useUsualTeams } from '../../wall/atWall.ts'
import { FEWEST_TEAMS, keepTeams, keptTeams } from '../../wall/keptTeams.ts'
import { TeamFields, type WrittenTeam } from '../../wall/TeamFields.tsx'
import { choiceOf } from '../list/games/choiceOf.ts'
import { keptChoices } from '../list/games/gameChoice.ts'

const USUAL_COUNT = 4
/** The games that teams can play at one wall: those made for it first. */
const TEAM_GAMES = [...GAME_KINDS].reverse().filter((kind) => gameOf(kind).teams !== undefined)

/** The way from a list to a game for teams at the wall: the teams as they were chosen last. */
export function PlayAtWall({ listId }: { listId: string }) {
  const t = useTexts(wallPlayTexts)
  const words = useGameWords()
  const navigate = useNavigate()
  const usual = useUsualTeams()
  const [kept] = useState(() => keptChoices(listId))
  const [kind, setKind] = useState<GameKind>(TEAM_GAMES.includes(kept.kind) ? kept.kind : TEAM_GAMES[0]!)
  const [teams, setTeams] = useState<WrittenTeam[]>(
    () => keptTeams() ?? usual.slice(0, USUAL_COUNT).map((team) => ({ ...team, members: [] })),
  )
  const [requestId] = useState(newId)
  const create = useCreateWallPlay(listId)
  const setCount = (count: number): void =>
    setTeams(
      Array.from({ length: count }, (_, index) => teams[index] ?? { ...unused(usual, teams, index), members: [] }),
    )
  const open = (): void => {
    keepTeams(teams)
    const { options, seed } = choiceOf(kept, kind)
    create.mutate(
      { kind, options, seed, requestId, teams: teams.map((team, index) => named(team, usual[index]!.name)) },
      { onSuccess: ({ id }) => void navigate(`/wall/${id}`) },
    )
  }
  return (
    <section aria-labelledby="play-at-wall" className="panel flex flex-col gap-3 p-5">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div className="min-w-0">
          <h2 id="play-at-wall" className="text-2xl">
            {t('title')}
          </h2>
          <p className="quiet">{t('help')}</p>
        </div>
        <button type="button" className="btn btn-primary h-12" disabled={create.isPending} onClick={open}>
          <Presentation size={20} aria-hidden="true" />
          {t('open')}
        </button>
      </div>
      <Notice error={create.error} />
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <Select
          label={t('game')}
          value={kind}
          options={TEAM_GAMES.map((game) => [game, words.name(game)] as const)}
          onChange={setKind}
        />
        <Select
          label={t('teamCount')}
          value={teams.length}
          options={numbers(FEWEST_TEAMS, MOST_TEAMS)}
          onChange={setCount}
        />
        <p className="quiet self-end text-sm sm:col-span-2">
          <Link className="link" to={`/lists/${listId}/games/${kind}`}>
            {t('changeGame')}
          </Link>
        </p>
      </div>
      <details>
        <summary className="cursor-pointer py-1">{t('names')}</summary>
        <div className="flex max-w-3xl flex-col gap-2 pt-2">
          {teams.map((team, index) => (
            <TeamFields
              key={index}
              team={team}
              number={index + 1}
              onChange={(changed) => setTeams(teams.map((one, at) => (at === index ? changed : one)))}
            />
          ))}
        </div>
      </details>
    </section>
  )
}

function named(team: WrittenTeam, usual: string): WrittenTeam {
  return team.name.trim() === '' ? { ...team, name: usual } : team
}

/** Returns a team that no other is like yet. */
function unused(
  usual: readonly Omit<WrittenTeam, 'members'>[],
  teams: readonly WrittenTeam[],
  index: number,
): Omit<WrittenTeam, 'members'> {
  return usual.find(({ emblem }) => !teams.some((team) => team.emblem === emblem)) ?? usual[index]!
}
