import type { ThingsReply } from '@otter/api'
import { NO_THINGS, type Things, type ThingsWanted } from '@otter/core'

const asked = new Map<string, Promise<Things>>()

/** Fetches what is known of things by their names; each set of names once. Knows nothing where it can't be fetched. */
export function fetchThings(wanted: ThingsWanted): Promise<Things> {
  if (wanted.names.length === 0) return Promise.resolve(NO_THINGS)
  const key = JSON.stringify(wanted)
  let things = asked.get(key)
  if (!things) {
    things = ask(key).catch(() => {
      asked.delete(key)
      return NO_THINGS
    })
    // The list changes as it is written: only what was asked last is asked again.
    asked.clear()
    asked.set(key, things)
  }
  return things
}

async function ask(wanted: string): Promise<Things> {
  const response = await fetch('/api/dictionary/things', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: wanted,
  })
  if (!response.ok) throw new Error(`things: ${response.status}`)
  return new Map(Object.entries(((await response.json()) as ThingsReply).things))
}
