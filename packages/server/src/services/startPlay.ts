import { randomUUID } from 'node:crypto'
import { randomFrom, type PlayContext, type PlayRules } from '@otter/core'
import type { Reader } from '../db/scope.ts'
import { serverKnowledge } from '../dictionary/knowledge.ts'
import type { OpenOffer, Person } from './doors.ts'
import { questionSet } from './questionSets.ts'
import { workOf } from './workDoors.ts'
import { takenOutOf } from './corrections.ts'
import { dueMoment, endOf, sharedBy, type OpenPlay, type Origin } from './storedPlays.ts'

/** Returns how games are played: where right answers are kept back at the end, nothing is told before. */
function playRules(offer: OpenOffer): PlayRules {
  const { play } = offer.rules
  return workOf(offer).shown === 'all' ? play : { ...play, telling: 'at-end' }
}

/** Begins a person's next attempt, on a version of the game: the one that the offer has now, unless said otherwise. */
export async function startPlay(
  scope: Reader,
  offer: OpenOffer,
  person: Person,
  before: OpenPlay | undefined,
  version: { versionId: string; correction: number } = offer,
): Promise<OpenPlay> {
  const made = await scope.puzzles.read(scope, version.versionId, version.correction)
  const { game, kind, puzzle } = made
  const attempt = (before?.attempt ?? 0) + 1
  const memory = before?.made.kind === kind ? before.made.game.memory?.(before.state) : undefined
  const context: PlayContext = {
    seat: person.seat,
    rules: playRules(offer),
    shared: sharedBy(offer, made, offer.now),
    knowledge: serverKnowledge,
    ...(offer.rules.type === 'wall' && { teams: offer.rules.teams }),
  }
  const origin: Origin = {
    random: `${person.id} ${attempt}`,
    seat: person.seat,
    now: offer.now,
    memory,
    rules: game.version,
    play: context.rules,
    knowledge: serverKnowledge.version,
    shared: context.shared,
    paused: offer.paused,
    ...(context.teams !== undefined && { teams: context.teams }),
  }
  const state = game.start(puzzle, { ...context, random: randomFrom(origin.random), now: offer.now, memory })
  const play: OpenPlay = {
    id: randomUUID(),
    offerId: offer.id,
    participantId: person.participantId,
    attempt,
    versionId: made.versionId,
    correction: version.correction,
    rules: game.version,
    moves: 0,
    state,
    milliseconds: 0,
    movedAt: offer.now,
    factor: person.factor,
    pausedBefore: offer.paused,
    paused: offer.paused,
    now: offer.now,
    ended: false,
    beforeTimeUp: null,
    atEnd: null,
    doing: { ...game.doing(puzzle, state), last: [] },
    made,
    context,
    followed: [],
    corrected: 0,
    given: 0,
    corrections: offer.corrections,
    endsAt: endOf(offer, person.factor, { now: offer.now, paused: offer.paused }),
  }
  const { setId, total } = await questionSet(scope, made, state)
  await scope.query(
    `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, origin, state, total,
      started_at, moved_at, last_seen_at, paused_ms, due_at, doing)
     VALUES ($id, $offerId, $participantId, $versionId, $setId, $rules, $origin::jsonb, $state::jsonb, $total
       - (SELECT count(*) FROM questions WHERE set_id = $setId AND counts AND entry_id = ANY ($takenOut::uuid[])), $at,
       $at, $at, $paused, $dueAt, $doing::jsonb)`,
    {
      id: play.id,
      offerId: offer.id,
      participantId: person.participantId,
      versionId: made.versionId,
      setId,
      rules: game.version,
      origin: JSON.stringify(origin),
      state: JSON.stringify(state),
      total,
      takenOut: takenOutOf(offer.corrections),
      at: new Date(offer.now),
      paused: Math.round(offer.paused),
      dueAt: dueMoment(play),
      doing: JSON.stringify(play.doing),
    },
  )
  return play
}
