import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { dictionary } from '@zxcvbn-ts/language-common'
import pLimit from 'p-limit'

/** Cost of scrypt (RFC 7914), as its N: 64 MB and about a fifth of a second. */
export const PASSWORD_COST = 2 ** 16
const COST = { r: 8, p: 1, maxmem: 128 * 2 ** 20 }
const KEY_BYTES = 32

/** So many at once: files and pictures need the same few threads, also when a whole staff signs in. */
const atOnce = pLimit(2)

/** Returns a salted hash of a password, with the cost it was made with. */
export async function hashPassword(password: string, cost: number): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt, cost)
  return ['scrypt', cost, salt.toString('base64'), key.toString('base64')].join('$')
}

/** Tells whether a password is the one that was hashed; takes as long where there is no hash, of the cost given. */
export async function passwordMatches(password: string, hash: string | undefined, cost: number): Promise<boolean> {
  const [, N, salt, key] = (hash ?? `scrypt$${cost}$${NOBODY}`).split('$')
  const expected = Buffer.from(key!, 'base64')
  const given = await derive(password, Buffer.from(salt!, 'base64'), Number(N))
  return hash !== undefined && timingSafeEqual(given, expected)
}

const NOBODY = `${randomBytes(16).toString('base64')}$${randomBytes(KEY_BYTES).toString('base64')}`

function derive(password: string, salt: Buffer, N: number): Promise<Buffer> {
  return atOnce(
    () =>
      new Promise((resolve, reject) => {
        scrypt(password.normalize('NFKC'), salt, KEY_BYTES, { ...COST, N }, (error, key) =>
          error ? reject(error) : resolve(key),
        )
      }),
  )
}

const COMMON = new Set<unknown>(dictionary['passwords-common'])

/**
 * Tells whether a password is among those that are tried first: common ones, one letter over and over, or the person's
 * own words.
 */
export function isCommonPassword(password: string, personal: readonly string[]): boolean {
  const plain = password.normalize('NFKC').toLowerCase().trim()
  // "manchester1" and "Manchester!" are tried right after "manchester".
  const bare = plain.replace(/[\d\p{P}\p{S}]+$/u, '')
  return (
    COMMON.has(plain) ||
    COMMON.has(bare) ||
    new Set(plain).size <= 2 ||
    personal.some((word) => word !== '' && [plain, bare].includes(word.toLowerCase()))
  )
}
