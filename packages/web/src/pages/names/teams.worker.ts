import { randomFrom } from '@otter/core'
import { mixTeams } from '@otter/core/wall/mixedTeams'
import { makeTeams } from '@otter/core/wall/teamMaker'
import type { Wish } from '@otter/core/wall/teamWishes'

/** What teams are made of, and how. */
export interface TeamsRequest {
  by: 'chance' | 'results' | 'misses'
  students: { id: string; strength: number; missed: string[] }[]
  count: number
  wishes: Wish[]
  seed: string
}

/** Teams as they were made; `far` says how far the best is at most from what no teams go below, where that is known. */
export interface TeamsAnswer {
  teams: string[][]
  refused: Wish[]
  isBest: boolean
  spread: number | null
  bound: number | null
  alike: number | null
}

addEventListener('message', ({ data: { by, students, count, wishes, seed } }: MessageEvent<TeamsRequest>) => {
  const random = randomFrom(seed)
  if (by === 'misses') {
    const { teams, refused, isBest, alike } = mixTeams(students, count, wishes, random)
    postMessage({ teams, refused, isBest, alike, spread: null, bound: null } satisfies TeamsAnswer)
    return
  }
  // By chance all are alike: then any teams are the best, and chance alone decides.
  const alike = students.map(({ id, strength }) => ({ id, strength: by === 'results' ? strength : 0 }))
  const { teams, refused, isBest, spread, bound } = makeTeams(alike, count, wishes, random)
  const told = by === 'results'
  postMessage({
    teams,
    refused,
    isBest,
    alike: null,
    spread: told ? spread : null,
    bound: told ? bound : null,
  } satisfies TeamsAnswer)
})
