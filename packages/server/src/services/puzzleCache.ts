import { Asking, gameOf, upgradedPuzzle, type AnyGame, type GameKind } from '@otter/core'
import { LRUCache } from 'lru-cache'
import type { Query } from '../db/query.ts'

/** Most letters of puzzles (as JSON) that are kept in memory. */
const ROOM = 64_000_000

/** A version of a game: its puzzle with the answers, as today's rules have it. */
export interface MadeGame {
  versionId: string
  kind: GameKind
  game: AnyGame
  title: string
  /** BCP 47 code of the words. */
  language: string
  /** Whether the players learn to read. */
  early: boolean
  puzzle: unknown
}

/**
 * Keeps made puzzles in memory. They never change, so that nothing here is ever out of date; the least used go first.
 */
export class PuzzleCache {
  private readonly kept = new LRUCache<string, MadeGame>({ maxSize: ROOM })

  /** Returns a version of a game, by its id and how often its key was corrected. Throws where there is none. */
  async read({ query }: { query: Query }, versionId: string, correction: number): Promise<MadeGame> {
    const key = `${versionId} ${correction}`
    const known = this.kept.get(key)
    if (known) return known
    const [row] = await query<{
      kind: GameKind
      title: string
      language: string
      options: unknown
      rules: number
      puzzle: string
    }>(
      `SELECT g.kind, v.title, v.language, v.options, v.rules, v.puzzle::text AS puzzle FROM game_versions v
        JOIN games g ON g.id = v.game_id WHERE v.id = $versionId`,
      { versionId },
    )
    if (!row) throw new Error(`there is no version ${versionId} of a game`)
    const game = gameOf(row.kind)
    const made: MadeGame = {
      versionId,
      kind: row.kind,
      game,
      title: row.title,
      language: row.language,
      early: Asking.parse(row.options).early,
      puzzle: upgradedPuzzle(game, JSON.parse(row.puzzle), row.rules),
    }
    this.kept.set(key, made, { size: row.puzzle.length + 1 })
    return made
  }
}
