import { EMBLEMS } from '@otter/api'
import { MOST_TEAMS } from '@otter/core'
import { z } from 'zod'
import type { WrittenTeam } from './TeamFields.tsx'

const KEPT = 'otter-teams'
export const FEWEST_TEAMS = 2

const KeptTeams = z
  .array(z.object({ name: z.string().max(40), emblem: z.enum(EMBLEMS), members: z.array(z.string()).default([]) }))
  .min(FEWEST_TEAMS)
  .max(MOST_TEAMS)
  .nullable()
  .catch(null)

/** Returns the teams that played last on this device; null where none did. */
export function keptTeams(): WrittenTeam[] | null {
  return KeptTeams.parse(JSON.parse(localStorage.getItem(KEPT) ?? 'null'))
}

/** Keeps teams for the next game at the wall. */
export function keepTeams(teams: readonly WrittenTeam[]): void {
  localStorage.setItem(KEPT, JSON.stringify(teams))
}
