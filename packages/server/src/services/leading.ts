import type { CallTerms, HereReply, LeadReply } from '@otter/api'
import type { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { readOffer } from './offers.ts'

/**
 * Returns an offer's game with its answers, how many terms were called, and whose claims were right: the first one first.
 * Throws a Problem where it is another's.
 */
export async function readLead(scope: TeacherScope, offerId: string): Promise<LeadReply> {
  const { kind } = await readOffer(scope, offerId)
  const [game] = await scope.query<{ versionId: string; correction: number; calls: number | null }>(
    `SELECT m.game_version_id AS "versionId", v.correction, m.calls FROM offer_games m JOIN game_versions v
      ON v.id = m.game_version_id WHERE m.offer_id = $offerId AND m.position = 0`,
    { offerId },
  )
  const { puzzle } = await scope.puzzles.read(scope, game!.versionId, game!.correction)
  const winners = await scope.query<LeadReply['winners'][number]>(
    `SELECT p.id AS "participantId", p.name, q.seat FROM plays y JOIN participants q ON q.id = y.participant_id
      JOIN participants p ON p.id = coalesce(q.merged_into, q.id) WHERE y.offer_id = $offerId
      AND y.game_version_id = $versionId AND y.bonus > 0 AND y.given_back_at IS NULL AND p.removed_at IS NULL
      ORDER BY y.ended_at, p.id`,
    { offerId, versionId: game!.versionId },
  )
  return { kind, puzzle, calls: game!.calls ?? 0, winners }
}

/** So recently a student's page must have been open for the student to be here, as PostgreSQL writes it. */
const HERE = "interval '30 seconds'"

/** Returns who takes part in an offer, by name, and who is here now. Throws a Problem where it is another's. */
export async function readHere(scope: TeacherScope, offerId: string): Promise<HereReply> {
  await readOffer(scope, offerId)
  const students = await scope.query<HereReply['students'][number]>(
    `SELECT p.id AS "participantId", p.name, coalesce((SELECT max(q.here_at) FROM participants q
      WHERE q.id = p.id OR q.merged_into = p.id) > now() - ${HERE}, false) AS here
      FROM participants p WHERE p.offer_id = $offerId AND p.removed_at IS NULL AND p.merged_into IS NULL
      AND p.returns_to IS NULL ORDER BY p.name, p.seat`,
    { offerId },
  )
  return { students }
}

/** Keeps how many terms were called for all who play. Throws a Problem where the offer is another's. */
export async function callTerms(
  scope: TeacherScope,
  offerId: string,
  { calls }: z.output<typeof CallTerms>,
): Promise<void> {
  const [called] = await scope.query(
    `UPDATE offer_games m SET calls = $calls FROM offers o WHERE o.id = m.offer_id AND o.id = $offerId
      AND o.teacher_id = $teacherId AND m.position = 0 RETURNING m.offer_id`,
    { offerId, teacherId: scope.teacherId, calls },
  )
  if (!called) throw notFound()
}
