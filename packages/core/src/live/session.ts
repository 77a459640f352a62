import { z } from 'zod'
import type { Shared } from '../games/contract.ts'
import type { LiveGame } from './contract.ts'
import { wayOf, type WayKind } from './index.ts'
import { LiveEnd, type LiveRules } from './rules.ts'

/** How a session stands, as all its servers share it. Moments are milliseconds since 1970 by the database's clock. */
export interface Session {
  phase: 'lobby' | 'running' | 'paused' | 'over'
  /** Whether the door is locked: nobody new comes in. */
  locked: boolean
  end: LiveEnd
  startedAt: number | null
  /** When its time is over; null for no limit. Pauses have moved it on. */
  endsAt: number | null
  pausedAt: number | null
  pausedBy: 'host' | 'absence' | null
  endedAt: number | null
  endedBy: 'host' | 'time' | 'points' | 'all-done' | 'played-out' | 'absence' | null
  /** State of its way of playing; null before the start. */
  way: unknown
}

/** What a host can do. */
export const HostCommand = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('start') }),
  z.strictObject({ type: z.literal('pause') }),
  z.strictObject({ type: z.literal('resume') }),
  z.strictObject({ type: z.literal('next') }),
  z.strictObject({ type: z.literal('pick'), place: z.number().int().min(0).max(999) }),
  z.strictObject({ type: z.literal('add-time'), seconds: z.number().int().min(5).max(3600) }),
  z.strictObject({ type: z.literal('set-end'), end: LiveEnd }),
  z.strictObject({ type: z.literal('lock'), locked: z.boolean() }),
  z.strictObject({ type: z.literal('end') }),
])
export type HostCommand = z.infer<typeof HostCommand>

/** What a session is played by. */
export interface SessionSetting {
  rules: LiveRules
  game: LiveGame
}

const MINUTE = 60_000
/** Time that a slow connection may take: what stands closes so much later than any screen shows, in milliseconds. */
const GRACE = 1000

/** Returns a session as it is opened: with its door open, and nothing asked yet. */
export function openSession({ end }: LiveRules): Session {
  return {
    phase: 'lobby',
    locked: false,
    end,
    startedAt: null,
    endsAt: null,
    pausedAt: null,
    pausedBy: null,
    endedAt: null,
    endedBy: null,
    way: null,
  }
}

/** Does what a host wants. Returns the very session where that does not fit how it stands. */
export function command(session: Session, wanted: HostCommand, setting: SessionSetting, now: number): Session {
  if (session.phase === 'over') return session
  switch (wanted.type) {
    case 'start':
      return session.phase === 'lobby' ? started(session, setting, now) : session
    case 'pause':
      return paused(session, 'host', now)
    case 'resume':
      return resumed(session, setting, now)
    case 'next':
      return session.phase === 'running' ? gone(session, setting, now) : session
    case 'pick':
      return session.phase === 'running' ? picked(session, setting, wanted.place, now) : session
    case 'add-time':
      return session.phase === 'lobby' ? session : withTime(session, setting, wanted.seconds * 1000)
    case 'set-end':
      return withEnd(session, wanted.end, now)
    case 'lock':
      return session.locked === wanted.locked ? session : { ...session, locked: wanted.locked }
    case 'end':
      return ended(session, 'host', now)
  }
}

function started(session: Session, { rules, game }: SessionSetting, now: number): Session {
  const way = wayOf(rules.way).start(game, rules.wayOptions, now)
  return { ...session, phase: 'running', startedAt: now, endsAt: endOf(session.end, now), way }
}

function endOf({ minutes }: LiveEnd, startedAt: number): number | null {
  return minutes === null ? null : startedAt + minutes * MINUTE
}

/** Stands still until a host lets it go on. */
function paused(session: Session, by: 'host' | 'absence', now: number): Session {
  return session.phase === 'running' ? { ...session, phase: 'paused', pausedAt: now, pausedBy: by } : session
}

function resumed(session: Session, { rules }: SessionSetting, now: number): Session {
  if (session.phase !== 'paused') return session
  const still = Math.max(0, now - session.pausedAt!)
  return {
    ...session,
    phase: 'running',
    pausedAt: null,
    pausedBy: null,
    endsAt: session.endsAt === null ? null : session.endsAt + still,
    way: wayOf(rules.way).shift(session.way, still),
  }
}

function gone(session: Session, { rules, game }: SessionSetting, now: number): Session {
  const { state, isOver } = wayOf(rules.way).next(session.way, game, rules.wayOptions, now)
  if (state === session.way && !isOver) return session
  const next = { ...session, way: state }
  return isOver ? ended(next, 'played-out', now) : next
}

function picked(session: Session, { rules, game }: SessionSetting, place: number, now: number): Session {
  const way = wayOf(rules.way).pick(session.way, game, rules.wayOptions, place, now)
  return way === session.way ? session : { ...session, way }
}

/** More time for what all are asked, or for the whole where that has the limit. */
function withTime(session: Session, { rules }: SessionSetting, milliseconds: number): Session {
  const way = wayOf(rules.way).addTime(session.way, milliseconds)
  if (way !== session.way) return { ...session, way }
  return session.endsAt === null ? session : { ...session, endsAt: session.endsAt + milliseconds }
}

/** Ends otherwise: minutes are counted from now where it has begun. */
function withEnd(session: Session, end: LiveEnd, now: number): Session {
  if (session.phase === 'lobby') return { ...session, end }
  const still = session.pausedAt === null ? now : session.pausedAt
  return { ...session, end, endsAt: end.minutes === session.end.minutes ? session.endsAt : endOf(end, still) }
}

function ended(session: Session, by: NonNullable<Session['endedBy']>, now: number): Session {
  if (session.phase === 'over') return session
  return { ...session, phase: 'over', endedAt: now, endedBy: by, pausedAt: null, pausedBy: null }
}

/** Returns the moment at which something happens by itself; null for none. */
export function dueOf({ phase, endsAt, way }: Session, { rules }: SessionSetting): number | null {
  if (phase !== 'running') return null
  const due = earlier(wayOf(rules.way).due(way), endsAt)
  return due === null ? null : due + GRACE
}

function earlier(one: number | null, other: number | null): number | null {
  return one === null ? other : other === null ? one : Math.min(one, other)
}

/** Milliseconds that are left at a moment, as screens show them: for the whole, and for what all are asked. */
export interface TimeLeft {
  whole: number | null
  asked: number | null
}

/** Returns how much time is left; null where there is no limit, or nothing runs yet. */
export function timeLeft({ phase, endsAt, pausedAt, way }: Session, kind: WayKind, now: number): TimeLeft {
  if (phase !== 'running' && phase !== 'paused') return { whole: null, asked: null }
  const left = (moment: number | null): number | null =>
    moment === null ? null : Math.max(0, moment - (pausedAt ?? now))
  return { whole: left(endsAt), asked: left(wayOf(kind).due(way)) }
}

/** Does what is due by now, each thing at its own moment, however late it is seen; the very session where nothing is. */
export function passTime(session: Session, setting: SessionSetting, now: number): Session {
  const due = dueOf(session, setting)
  return due === null || due > now ? session : passTime(passed(session, setting, due), setting, now)
}

function passed(session: Session, setting: SessionSetting, now: number): Session {
  return session.endsAt !== null && session.endsAt + GRACE <= now
    ? ended(session, 'time', now)
    : gone(session, setting, now)
}

/** How far those who are here have come. */
export interface SessionCount {
  /** Who is connected, or done already. */
  here: number
  /** Of those, how many are done. */
  done: number
  /** Most points that anyone has. */
  points: number
}

/** Ends a session whose end has come by what was done; the very session where it has not. */
export function noticeCount(session: Session, count: SessionCount, now: number): Session {
  if (session.phase !== 'running') return session
  if (session.end.points !== null && count.points >= session.end.points) return ended(session, 'points', now)
  if (session.end.allDone && count.here > 0 && count.done >= count.here) return ended(session, 'all-done', now)
  return session
}

/** No host was there for a while: it stands still, or ends after a long time. */
export function noticeAbsence(
  session: Session,
  kind: 'short' | 'long',
  { rules }: SessionSetting,
  now: number,
): Session {
  if (kind === 'long') return ended(session, 'absence', now)
  return rules.hostAway === 'pause' ? paused(session, 'absence', now) : session
}

/** Returns what all plays of a session share. */
export function sharedOf(
  { phase, way }: Session,
  { way: kind, wayOptions }: Pick<LiveRules, 'way' | 'wayOptions'>,
  calls: number | null,
): Shared {
  const { inStep, standing, asked } = wayOf(kind)
  const stands = way === null ? null : standing(way, wayOptions)
  return {
    phase: phase === 'lobby' ? 'waiting' : phase === 'over' ? 'over' : 'open',
    calls,
    inStep,
    standing: stands && phase !== 'running' && phase !== 'paused' ? { ...stands, open: false } : stands,
    asked: way === null ? [] : asked(way),
  }
}
