import type { Reader } from '../db/scope.ts'

/** Returns who may show an offer in a frame, as a source list of CSP (frame-ancestors); by its code. */
export async function frameAncestors(scope: Reader, code: string): Promise<string> {
  const [offer] = await scope.query<{ frames: string[] | null }>(
    `SELECT frames FROM offers WHERE code = $code AND rules ->> 'type' = 'link' AND archived_at IS NULL`,
    { code },
  )
  if (!offer?.frames) return "'none'"
  return offer.frames.length === 0 ? '*' : offer.frames.join(' ')
}
