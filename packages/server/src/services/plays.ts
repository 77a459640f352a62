import { createHash, randomBytes, randomUUID } from 'node:crypto'
import type { PlayReply, SendMove } from '@otter/api'
import { Asking, gameOf, randomFrom, type GameKind } from '@otter/core'
import { QueryTypes, type Transaction } from 'sequelize'
import type { z } from 'zod'
import type { Database } from '../db/database.ts'
import type { GameVersionRow, PlayerRow, PlayRow } from '../db/models.ts'
import { Problem } from '../problem.ts'

/** Most students on one link, and most attempts of one. */
const MAX_PLAYERS = 500
const MAX_ATTEMPTS = 200

const REFUSALS = {
  'no-such-link': 'There is no game with this code. Check the code and try again.',
  'link-closed': 'This game is closed. What was played is kept.',
  'link-full': 'This game has no room for more. Ask your teacher for a new link.',
  'who-are-you': 'Type your name first.',
}

function refusal(status: number, code: keyof typeof REFUSALS): Problem {
  return new Problem(status, REFUSALS[code], undefined, code)
}

interface OpenLink {
  id: string
  open: boolean
  gameId: string
  kind: GameKind
}

async function findLink(database: Database, code: string): Promise<OpenLink> {
  const [link] = await database.sequelize.query<OpenLink>(
    'SELECT k.id, k.open, k.game_id AS "gameId", g.kind FROM links k JOIN games g ON g.id = k.game_id WHERE k.code = :code',
    { type: QueryTypes.SELECT, replacements: { code: code.toUpperCase() } },
  )
  if (!link) throw refusal(404, 'no-such-link')
  return link
}

function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('base64')
}

async function findPlayer(database: Database, link: OpenLink, token: string | undefined): Promise<PlayerRow | null> {
  return token === undefined ? null : database.players.findOne({ where: { linkId: link.id, tokenHash: hashToken(token) } })
}

async function newestVersion(database: Database, gameId: string, transaction?: Transaction): Promise<GameVersionRow> {
  const version = await database.gameVersions.findOne({ where: { gameId }, order: [['number', 'DESC']], transaction })
  if (!version) throw new Error(`game ${gameId} has no version`)
  return version
}

async function reply(database: Database, link: OpenLink, version: GameVersionRow, player: PlayerRow | null, play: PlayRow | null, transaction?: Transaction): Promise<PlayReply> {
  const game = gameOf(link.kind)
  const opinions = play && game.opinions?.(version.puzzle, play.state)
  return {
    opinions: opinions && opinions.length > 0 ? await opinionsOf(database, link.id, opinions, transaction) : [],
    kind: link.kind, title: version.title, language: version.language, early: Asking.parse(version.options).early, open: link.open,
    player: player && { name: player.name },
    play: play && { attempt: play.attempt, moves: play.moves, view: game.view(version.puzzle, play.state), score: game.score(version.puzzle, play.state) },
  }
}

/** Counts what the players of a link gave, for entries without a right answer: each player's last word, the most frequent first. */
async function opinionsOf(database: Database, linkId: string, entryIds: string[], transaction?: Transaction): Promise<PlayReply['opinions']> {
  return database.sequelize.query<PlayReply['opinions'][number]>(
    `SELECT o.entry_id AS "entryId", o.given, count(*)::int AS count
     FROM (SELECT DISTINCT ON (r.entry_id, p.player_id) r.entry_id, r.given FROM responses r JOIN plays p ON p.id = r.play_id JOIN players q ON q.id = p.player_id
           WHERE q.link_id = :linkId AND r.entry_id IN (:entryIds) AND r.outcome = 'unscored' AND r.given <> '' ORDER BY r.entry_id, p.player_id, r.id DESC) o
     GROUP BY o.entry_id, o.given ORDER BY o.entry_id, count DESC, o.given`,
    { type: QueryTypes.SELECT, replacements: { linkId, entryIds }, transaction },
  )
}

/** Gives a link as one device sees it: with the play that goes on, where its token has one. */
export async function openPlay(database: Database, code: string, token: string | undefined): Promise<PlayReply> {
  const link = await findLink(database, code)
  const player = await findPlayer(database, link, token)
  const play = player && await database.plays.findOne({ where: { playerId: player.id }, order: [['attempt', 'DESC']] })
  if (!player || !play) return reply(database, link, await newestVersion(database, link.gameId), null, null)
  const version = await database.gameVersions.findByPk(play.gameVersionId, { rejectOnEmpty: true })
  await play.update({ lastSeenAt: new Date() })
  return reply(database, link, version, player, play)
}

/** Adds a student to a link and starts the first attempt; gives the token that its device keeps. */
export async function joinLink(database: Database, code: string, name: string, at = new Date()): Promise<{ token: string; reply: PlayReply }> {
  const link = await findLink(database, code)
  if (!link.open) throw refusal(403, 'link-closed')
  if (await database.players.count({ where: { linkId: link.id } }) >= MAX_PLAYERS) throw refusal(403, 'link-full')
  const token = randomBytes(18).toString('base64url')
  return database.sequelize.transaction(async (transaction) => {
    const player = await database.players.create({ id: randomUUID(), linkId: link.id, name, tokenHash: hashToken(token) }, { transaction })
    const version = await newestVersion(database, link.gameId, transaction)
    const play = await startPlay(database, link, version, player, 1, at, transaction)
    return { token, reply: await reply(database, link, version, player, play, transaction) }
  })
}

async function startPlay(database: Database, link: OpenLink, version: GameVersionRow, player: PlayerRow, attempt: number, at: Date, transaction: Transaction, before?: PlayRow): Promise<PlayRow> {
  const state = gameOf(link.kind).start(version.puzzle, randomFrom(`${player.id} ${attempt}`), at.getTime(), before?.state)
  return database.plays.create({ id: randomUUID(), playerId: player.id, gameVersionId: version.id, attempt, state, moves: 0, startedAt: at, lastSeenAt: at }, { transaction })
}

async function lockPlay(database: Database, code: string, token: string | undefined, transaction: Transaction): Promise<{ link: OpenLink; player: PlayerRow; play: PlayRow; version: GameVersionRow }> {
  const link = await findLink(database, code)
  const player = await findPlayer(database, link, token)
  const play = player && await database.plays.findOne({ where: { playerId: player.id }, order: [['attempt', 'DESC']], lock: true, transaction })
  if (!player || !play) throw refusal(401, 'who-are-you')
  if (!link.open) throw refusal(403, 'link-closed')
  return { link, player, play, version: await database.gameVersions.findByPk(play.gameVersionId, { rejectOnEmpty: true, transaction }) }
}

/** Applies a move and keeps the responses it made. A move that was applied before changes nothing. */
export async function sendMove(database: Database, code: string, token: string | undefined, { attempt, after, move: given }: z.output<typeof SendMove>, at = new Date()): Promise<PlayReply> {
  return database.sequelize.transaction(async (transaction) => {
    const { link, player, play, version } = await lockPlay(database, code, token, transaction)
    const game = gameOf(link.kind)
    const move = game.moves.parse(given)
    if (attempt === play.attempt && after === play.moves) {
      const step = game.move(version.puzzle, play.state, move, at.getTime())
      await play.update({ state: step.play, moves: play.moves + 1, lastSeenAt: at }, { transaction })
      if (step.responses.length > 0) {
        await database.responses.bulkCreate(step.responses.map((response) => ({ ...response, playId: play.id, at })), { transaction })
      }
    }
    return reply(database, link, version, player, play, transaction)
  })
}

/** Starts another attempt, on the newest version of the game, once the last one is finished. */
export async function playAgain(database: Database, code: string, token: string | undefined): Promise<PlayReply> {
  return database.sequelize.transaction(async (transaction) => {
    const { link, player, play, version } = await lockPlay(database, code, token, transaction)
    if (!gameOf(link.kind).score(version.puzzle, play.state).finished) return reply(database, link, version, player, play, transaction)
    if (play.attempt >= MAX_ATTEMPTS) throw refusal(403, 'link-full')
    const newest = await newestVersion(database, link.gameId, transaction)
    const next = await startPlay(database, link, newest, player, play.attempt + 1, new Date(), transaction, play)
    return reply(database, link, newest, player, next, transaction)
  })
}
