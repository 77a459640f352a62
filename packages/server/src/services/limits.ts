import { createHash } from 'node:crypto'
import type { ProblemCode } from '@otter/api'
import type { Pool } from 'pg'
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { Problem } from '../problem.ts'

/** How often something may be tried in a time, by one key. Counted in the database, so that it holds over servers. */
export interface Limit {
  /** Counts a try. Throws a Problem where there were too many. */
  take(key: string): Promise<void>
  /** Takes a try back: it was no guess. */
  giveBack(key: string): Promise<void>
  /** Tells whether no try is left. */
  isSpent(key: string): Promise<boolean>
}

/** What is limited: always by what is being guessed or filled, and never for who holds a valid token. */
export interface Limits {
  /** Unknown codes, by address: wide enough for a school, too narrow to find one. */
  codes: Limit
  /** Students who join a link, or a live session, by address and code. */
  joins: Limit
  liveJoins: Limit
  /** Wrong passwords: by address, by account from devices that never signed in to it, and by device that did. */
  signInsByAddress: Limit
  signInsByAccount: Limit
  signInsByDevice: Limit
  signUps: Limit
  /** Wrong secrets: by student, within minutes and within a day, and by class. */
  secrets: Limit
  secretsOfDay: Limit
  secretsOfClass: Limit
  /** Mails that are asked for: by address, and by the account that they would open. */
  mailsByAddress: Limit
  mailsByAccount: Limit
  uploads: Limit
  /** Games that a student makes to practise with. */
  practice: Limit
  /** Downloads of all that a teacher has. */
  archives: Limit
}

const MINUTE = 60

/** Opens the limits on the store of guesses. */
export function openLimits(pool: Pool): Limits {
  const limit = (name: string, points: number, seconds: number, code: ProblemCode): Limit => {
    const settings = { keyPrefix: name, points, duration: seconds }
    const store = new RateLimiterPostgres({
      ...settings,
      storeClient: pool,
      tableName: 'guesses',
      tableCreated: true,
      clearExpiredByTimeout: false,
      // Where the database does not answer, guessing is still slow.
      insuranceLimiter: new RateLimiterMemory(settings),
    })
    return {
      take: async (key) => {
        try {
          await store.consume(hashOf(key))
        } catch (error) {
          if (!(error instanceof RateLimiterRes)) throw error
          throw new Problem(429, code)
        }
      },
      giveBack: async (key) => {
        await store.reward(hashOf(key))
      },
      isSpent: async (key) => ((await store.get(hashOf(key)))?.consumedPoints ?? 0) >= points,
    }
  }
  return {
    codes: limit('code', 120, MINUTE, 'too-many'),
    joins: limit('join', 90, MINUTE, 'too-many'),
    liveJoins: limit('live-join', 1200, MINUTE, 'too-many'),
    signInsByAddress: limit('address', 60, 10 * MINUTE, 'too-many-sign-ins'),
    signInsByAccount: limit('account', 10, 10 * MINUTE, 'too-many-sign-ins'),
    signInsByDevice: limit('device', 10, 10 * MINUTE, 'too-many-sign-ins'),
    mailsByAddress: limit('mail-address', 60, 60 * MINUTE, 'too-many-mails'),
    mailsByAccount: limit('mail-account', 4, 60 * MINUTE, 'too-many-mails'),
    signUps: limit('sign-up', 60, 60 * MINUTE, 'too-many-accounts'),
    secrets: limit('secret', 5, 5 * MINUTE, 'too-many-secrets'),
    secretsOfDay: limit('secret-day', 20, 24 * 60 * MINUTE, 'too-many-secrets'),
    secretsOfClass: limit('secret-class', 120, 10 * MINUTE, 'too-many-secrets'),
    practice: limit('practice', 60, 60 * MINUTE, 'too-many'),
    archives: limit('archive', 5, 60 * MINUTE, 'too-many-files'),
    uploads: limit('upload', 300, MINUTE, 'too-many-files'),
  }
}

/**
 * Does what is limited, and returns its value. It is counted beforehand, so that many at once are many, and taken back
 * where it was no try: `isTry` gets the error, or undefined where it went well. Throws what the work throws, and a
 * Problem where there were too many.
 */
export async function withinLimits<Value>(
  held: readonly (readonly [Limit, string])[],
  isTry: (error: unknown) => boolean,
  work: () => Promise<Value>,
): Promise<Value> {
  for (const [limit, key] of held) await limit.take(key)
  let error: unknown
  try {
    return await work()
  } catch (thrown) {
    error = thrown
    throw thrown
  } finally {
    if (!isTry(error)) for (const [limit, key] of held) await limit.giveBack(key)
  }
}

/** Keys are kept as hashes: an address or an account is nobody's business. */
function hashOf(key: string): string {
  return createHash('sha256').update(key).digest('base64url')
}
