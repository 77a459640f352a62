import { EMBLEMS, type Emblem } from '@otter/api'
import { createContext, useContext } from 'react'
import { teamsTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'

/** A team as screens show it. */
export interface ShownTeam {
  name: string
  emblem: Emblem
}

/** Where a game that teams play is shown. */
interface AtWall {
  teams: readonly ShownTeam[]
  /** Whether it can be steered here: a display only shows. */
  steers: boolean
  /** Whether it has a whole wall to itself, or is held in a hand. */
  isLarge: boolean
}

/** The wall that a game stands on; null where it is tried out, or played on one device. */
export const AtWall = createContext<AtWall | null>(null)

/** Returns the names that teams have where nobody gave them others. */
export function useUsualTeams(): ShownTeam[] {
  const t = useTexts(teamsTexts)
  return EMBLEMS.map((emblem) => ({ name: t(`names.${emblem}`), emblem }))
}

/** Returns the teams of a game as they are shown here, and whether it can be steered. */
export function useTeams(): AtWall {
  const usual = useUsualTeams()
  return useContext(AtWall) ?? { teams: usual, steers: true, isLarge: false }
}
