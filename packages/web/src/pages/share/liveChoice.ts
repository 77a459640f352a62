import type { CreateLive } from '@otter/api'
import { LiveEnd, WAY_KINDS, wayOf, type LiveRules, type WayKind } from '@otter/core'
import { z } from 'zod'

/** What a teacher has chosen for live sessions, as the screen holds it; kept on this device. */
const LiveChoiceShape = z.object({
  way: z.enum(WAY_KINDS).catch('ownpace'),
  wayOptions: z.record(z.string(), z.unknown()).catch({}),
  end: LiveEnd.catch(LiveEnd.parse({})),
  late: z.boolean().catch(true),
  names: z.enum(['typed', 'given', 'list']).catch('typed'),
  roster: z.string().catch(''),
  /** Whose names are tapped; empty where they are typed. */
  classId: z.string().catch(''),
  order: z.enum(['made', 'mixed']).catch('made'),
  ranking: z.enum(['everyone', 'first-five', 'teacher', 'nobody']).catch('first-five'),
  teams: z.enum(['none', 'drawn', 'balanced', 'chosen']).catch('none'),
  teamNames: z.string().catch(''),
  hostAway: z.enum(['pause', 'go-on']).catch('go-on'),
})
export type LiveChoice = Omit<z.infer<typeof LiveChoiceShape>, 'wayOptions'> & { wayOptions: Record<WayKind, unknown> }

const KEPT = 'otter-live'

/** Returns what was chosen last on this device, with options of each way. */
export function keptLiveChoice(): LiveChoice {
  const kept = LiveChoiceShape.parse(JSON.parse(localStorage.getItem(KEPT) ?? '{}') ?? {})
  const optionsOf = (way: WayKind): unknown => {
    const read = wayOf(way).options.safeParse(kept.wayOptions[way] ?? {})
    return read.success ? read.data : wayOf(way).options.parse({})
  }
  return {
    ...kept,
    wayOptions: { ownpace: optionsOf('ownpace'), together: optionsOf('together'), board: optionsOf('board') },
  }
}

export function keepLiveChoice(choice: LiveChoice): void {
  localStorage.setItem(KEPT, JSON.stringify(choice))
}

/** Returns the lines of a text that say something. */
function linesOf(text: string): string[] {
  const lines = text.split('\n').map((line) => line.trim().slice(0, 40))
  return [...new Set(lines.filter((line) => line !== ''))]
}

/** Returns the teams of a text: one a line, with who is in it after a colon. */
function teamsOf(text: string): { names: string[]; members: string[][] } {
  const lines = text
    .split('\n')
    .map((line) => line.split(':'))
    .map(([name = '', members = '']) => ({ name: name.trim().slice(0, 40), members }))
    .filter(({ name }, index, all) => name !== '' && all.findIndex((one) => one.name === name) === index)
    .slice(0, 12)
  return {
    names: lines.map(({ name }) => name),
    members: lines.map(({ members }) => linesOf(members.replace(/[,;]/gu, '\n'))),
  }
}

/** Returns what of a choice is sent to open a session. */
export function liveOf(choice: LiveChoice): Pick<CreateLive, 'live' | 'roster' | 'classId' | 'rules'> {
  const { way, wayOptions, end, late, names, order, ranking, teams, hostAway } = choice
  const live = {
    way,
    wayOptions: wayOptions[way],
    end,
    late,
    names,
    ranking,
    teams: { by: teams, ...(teams === 'none' ? {} : teamsOf(choice.teamNames)) },
    hostAway,
  } satisfies z.input<typeof LiveRules>
  if (names === 'list' && choice.classId !== '') return { live, classId: choice.classId, rules: { order } }
  return { live, roster: names === 'list' ? linesOf(choice.roster) : [], rules: { order } }
}
