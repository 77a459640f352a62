import { z } from 'zod'
import { WAY_KINDS, wayOf } from './index.ts'

/** How a session ends by itself; null and false for not by this. */
export const LiveEnd = z.strictObject({
  minutes: z.number().int().min(1).max(600).nullable().default(null),
  points: z.number().int().min(1).max(1_000_000).nullable().default(null),
  /** Whether it ends when all who are here are done. */
  allDone: z.boolean().default(false),
})
export type LiveEnd = z.infer<typeof LiveEnd>

/** How students come to teams: not at all, drawn, by earlier results, or as each chooses among names typed in or new ones. */
export const LiveTeams = z.strictObject({
  by: z.enum(['none', 'drawn', 'balanced', 'chosen']).default('none'),
  names: z.array(z.string().min(1).max(40)).max(12).default([]),
  /** Names of students who come to each team, in the order of the teams; whoever is in none is drawn. */
  members: z
    .array(z.array(z.string().min(1).max(40)).max(60))
    .max(12)
    .default([]),
})
export type LiveTeams = z.infer<typeof LiveTeams>

/** What a teacher chooses for a live session, beside the game and how it is played. */
export const LiveRules = z
  .strictObject({
    way: z.enum(WAY_KINDS).default('ownpace'),
    /** What is chosen for the way of playing. */
    wayOptions: z.unknown().optional(),
    end: LiveEnd.prefault({}),
    /** Whether students can join once it has begun. */
    late: z.boolean().default(true),
    /** Names as students type them, made up by the house, or tapped from a list. */
    names: z.enum(['typed', 'given', 'list']).default('typed'),
    /** Who sees the ranking; each student always sees their own place. */
    ranking: z.enum(['everyone', 'first-five', 'teacher', 'nobody']).default('first-five'),
    teams: LiveTeams.prefault({}),
    /** What happens once no host has been there for a while. */
    hostAway: z.enum(['pause', 'go-on']).default('go-on'),
  })
  .refine(({ teams }) => teams.by === 'none' || teams.names.length >= 2, { path: ['teams', 'names'] })
  .transform((rules, context) => {
    const options = wayOf(rules.way).options.safeParse(rules.wayOptions ?? {})
    if (!options.success) {
      for (const { message, path } of options.error.issues)
        context.addIssue({ code: 'custom', message, path: ['wayOptions', ...path] })
      return z.NEVER
    }
    return { ...rules, wayOptions: options.data }
  })
export type LiveRules = z.infer<typeof LiveRules>
