import type { MoveFate, PlayReply } from '@otter/api'
import { clockAt } from '@otter/core'
import type { Reader } from '../db/scope.ts'
import type { OpenOffer, Person } from './doors.ts'
import { liveViews } from './liveViews.ts'
import { clockOf, sessionAt, type OpenPlay } from './storedPlays.ts'
import { hidesAnswers, workTold } from './workDoors.ts'

/** One who plays, and the play; undefined before a name is given, or before a play began. */
export interface Player {
  person: Person | undefined
  play: OpenPlay | undefined
}

/** Returns what a device is told of an offer, of who plays there, and of the play. */
export async function reply(
  scope: Reader,
  offer: OpenOffer,
  person: Person | undefined,
  play: OpenPlay | undefined,
  fate: MoveFate | null = null,
): Promise<PlayReply> {
  return (await replies(scope, offer, [{ person, play }], fate))[0]!
}

/** Returns what each of many devices is told, in their order; what all are told is read once. */
export async function replies(
  scope: Reader,
  offer: OpenOffer,
  players: readonly Player[],
  fate: MoveFate | null = null,
): Promise<PlayReply[]> {
  const newest = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  const shown = players.map(({ person, play }) => ({ person, play: play && asShown(offer, play) }))
  const plays = shown.flatMap(({ play }) => (play ? [play] : []))
  // Who is shown how it stands, and the answer with it, can't answer any more as if the time had not run out.
  const seen = plays.filter(({ beforeTimeUp }) => beforeTimeUp).map(({ id }) => id)
  if (seen.length > 0)
    await scope.query('UPDATE plays SET before_time_up = NULL WHERE id = ANY ($seen::uuid[])', { seen })
  const missed = await missedIn(scope, plays)
  const live = await liveViews(scope, offer, newest, shown)
  return Promise.all(
    shown.map(async ({ person, play }, index): Promise<PlayReply> => {
      const { kind, title, language, early } = play?.made ?? newest
      return {
        kind,
        title,
        language,
        early,
        open: offer.open,
        work: workTold(offer, person, play),
        door: null,
        fate,
        player: person ? { name: person.name, waits: person.waits } : null,
        live: live[index]!,
        board: offer.rules.type === 'link' && offer.rules.board !== null,
        ...(play && live[index]?.phase !== 'lobby'
          ? await played(scope, offer, play, missed.get(play.id) ?? null)
          : { opinions: [], play: null }),
      }
    }),
  )
}

/** Returns a play as its player is shown it: over, where its session is. */
function asShown(offer: OpenOffer, play: OpenPlay): OpenPlay {
  if (play.ended || sessionAt(offer, play.made, play.now)?.phase !== 'over') return play
  const { game, puzzle } = play.made
  const turn = { ...play.context, clock: clockAt(clockOf(play), play.now, null), now: play.now }
  return { ...play, state: game.end(puzzle, play.state, turn).play }
}

async function played(
  scope: Reader,
  offer: OpenOffer,
  play: OpenPlay,
  missed: string[] | null,
): Promise<Pick<PlayReply, 'opinions' | 'play'>> {
  const { state, attempt, moves, context } = play
  const { game, puzzle } = play.made
  const score = game.score(puzzle, state, context.shared)
  if (hidesAnswers(offer, play))
    return {
      opinions: [],
      play: { attempt, moves, moment: null, left: null, view: null, ahead: [], missed: null, score },
    }
  const asked = game.opinions?.(puzzle, state) ?? []
  const sight = { ...context, audience: 'player' as const }
  return {
    opinions: asked.length > 0 ? await opinionsOf(scope, offer.id, asked) : [],
    play: {
      attempt,
      moves,
      moment: game.moment?.(puzzle, state) ?? null,
      left: timeLeft(play),
      view: game.view(puzzle, state, sight),
      ahead: game.ahead?.(puzzle, state, sight) ?? [],
      missed,
      score,
    },
  }
}

/** Returns, for each play that is over, the answers of what it asked, counts and was not right, each once. */
async function missedIn(scope: Reader, plays: readonly OpenPlay[]): Promise<Map<string, string[]>> {
  const over = plays.filter(({ made: { game, puzzle }, state }) => game.score(puzzle, state).finished)
  if (over.length === 0) return new Map()
  const rows = await scope.query<{ playId: string } & Met>(
    `SELECT play_id AS "playId", array_agg(DISTINCT entry_id) AS met, coalesce(array_agg(DISTINCT entry_id)
       FILTER (WHERE outcome = 'right'), '{}') AS right FROM responses WHERE play_id = ANY ($ids::uuid[]) AND counts
       AND withdrawn_at IS NULL GROUP BY play_id`,
    { ids: over.map(({ id }) => id) },
  )
  const met = new Map(rows.map(({ playId, ...rest }) => [playId, rest]))
  return new Map(over.map((play) => [play.id, missedOf(play, met.get(play.id) ?? { met: [], right: [] })]))
}

/** Entries that a play has met, and those that were right. */
interface Met {
  met: string[]
  right: string[]
}

/** What all are asked at once can end before everything was: what was not asked is not missed. */
function missedOf({ made: { game, puzzle }, state, followed, context }: OpenPlay, { met, right }: Met): string[] {
  const asked = context.shared?.inStep ? new Set([...met, ...followed.map(({ entryId }) => entryId)]) : null
  const missed = game
    .questions(puzzle, state)
    .filter(({ entryId, counts }) => counts && !right.includes(entryId) && (asked?.has(entryId) ?? true))
  return [...new Set(missed.map(({ text }) => text).filter((text) => text !== ''))]
}

/** Returns the milliseconds until what stands in a play is over, as its player is told; null where it has all the time. */
function timeLeft(play: OpenPlay): number | null {
  const { game, puzzle } = play.made
  const deadline = play.ended ? null : (game.timed?.deadline(puzzle, play.state, play.context) ?? null)
  if (!game.timed || deadline === null) return null
  const left = deadline - game.timed.grace - clockAt(clockOf(play), play.now, deadline)
  return Math.max(0, Math.round(left * play.factor))
}

/**
 * Counts what the players of an offer gave, for entries without a right answer: each player's last word, the most
 * frequent first.
 */
async function opinionsOf(scope: Reader, offerId: string, entryIds: string[]): Promise<PlayReply['opinions']> {
  return scope.query<PlayReply['opinions'][number]>(
    `SELECT o.entry_id AS "entryId", o.given, count(*)::int AS count
     FROM (SELECT DISTINCT ON (r.entry_id, r.participant_id) r.entry_id, r.given FROM responses r JOIN plays y
       ON y.id = r.play_id
           WHERE y.offer_id = $offerId AND y.given_back_at IS NULL AND r.entry_id = ANY ($entryIds::uuid[])
             AND r.outcome = 'opinion' AND r.withdrawn_at IS NULL AND r.given <> ''
           ORDER BY r.entry_id, r.participant_id, r.id DESC) o
     GROUP BY o.entry_id, o.given ORDER BY o.entry_id, count DESC, o.given`,
    { offerId, entryIds },
  )
}
