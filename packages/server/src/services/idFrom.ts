import { createHash } from 'node:crypto'

/** Returns an id (RFC 9562, version 8) that is the same for the same values. */
export function idFrom(values: unknown): string {
  const hex = createHash('sha256').update(JSON.stringify(values)).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}
