import type { LiveRules, Session, SessionSetting } from '@otter/core'
import type { OfferRules } from '@otter/api'
import type { Scope } from '../db/scope.ts'
import type { MadeGame } from './puzzleCache.ts'

/** A live session as its row has it. */
export interface StoredSession {
  session: Session
  /** Counts its changes. */
  revision: number
}

/** Number of the shape in which sessions are stored, with those of their ways of playing. */
export const SESSION_VERSION = 1

/** Returns a stored session as today's version has it. Throws where the version is not known. */
export function storedSession(state: unknown, revision: number, version: number): StoredSession {
  if (version !== SESSION_VERSION) throw new Error(`a session of version ${version} is not known here`)
  return { session: state as Session, revision }
}

/** Returns what a session of an offer is played by. */
export function settingOf(rules: LiveRules, { game, puzzle }: MadeGame): SessionSetting {
  return {
    rules,
    game: { steps: game.inStep?.questions(puzzle) ?? [], hasBoard: game.inStep?.hasBoard ?? false },
  }
}

/** Returns the rules of an offer's live session; undefined where each plays alone. */
export function liveRulesOf(rules: OfferRules): LiveRules | undefined {
  return rules.type === 'live' ? rules.live : undefined
}

/**
 * Holds a session for a change until the scope ends: whoever answers in it is waited for, and answers that come meanwhile
 * wait.
 */
export async function holdSession(scope: Scope, offerId: string): Promise<void> {
  await scope.query('SELECT 1 FROM live_sessions WHERE offer_id = $offerId FOR UPDATE', { offerId })
}
