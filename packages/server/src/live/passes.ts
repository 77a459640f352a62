import { createHmac, timingSafeEqual } from 'node:crypto'
import { ReportScope } from '@otter/api'
import { z } from 'zod'

/** Whose socket it is, in which session. */
const Holder = z.discriminatedUnion('audience', [
  z.object({ audience: z.literal('player'), offerId: z.uuid(), participantId: z.uuid(), personId: z.uuid() }),
  z.object({ audience: z.enum(['teacher', 'wall']), offerId: z.uuid(), teacherId: z.uuid() }),
  /** Screens of a game for teams at one wall. */
  z.object({ audience: z.literal('board'), offerId: z.uuid() }),
  /** A report that is open, of several offers. */
  z.object({ audience: z.literal('report'), teacherId: z.uuid(), scope: ReportScope }),
])
export type Holder = z.infer<typeof Holder>

/** How long a pass opens a socket, in milliseconds. */
const VALID = 60_000

/** Returns a pass by which any server with the same secret opens a socket, for a minute. */
export function signPass(secret: string, holder: Holder, now = Date.now()): string {
  const content = Buffer.from(JSON.stringify({ ...holder, until: now + VALID })).toString('base64url')
  return `${content}.${signatureOf(secret, content)}`
}

/** Returns whose pass it is; undefined where it is none, or too old. */
export function readPass(secret: string, pass: unknown, now = Date.now()): Holder | undefined {
  const [content, signature] = typeof pass === 'string' ? pass.split('.') : []
  if (content === undefined || signature === undefined) return undefined
  const expected = Buffer.from(signatureOf(secret, content))
  const given = Buffer.from(signature)
  if (expected.length !== given.length || !timingSafeEqual(expected, given)) return undefined
  const read = Holder.and(z.object({ until: z.number() })).safeParse(
    JSON.parse(Buffer.from(content, 'base64url').toString()),
  )
  return read.success && read.data.until > now ? read.data : undefined
}

function signatureOf(secret: string, content: string): string {
  return createHmac('sha256', `pass ${secret}`).update(content).digest('base64url')
}
