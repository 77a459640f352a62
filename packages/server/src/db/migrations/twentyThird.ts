import type { QueryInterface } from 'sequelize'

/**
 * What was reached is a fact of each response; what a device was away for, and how often it was loaded anew, are facts of
 * each play; sums of an offer are kept by entry, and what the codes of standards mean by teacher.
 */
export const twentyThird = {
  name: '023-reports',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of [...REACHED, ...MARKS, ...ABSENCES, ...SUMS, ...STANDARDS])
      await context.sequelize.query(statement)
  },
}

const REACHED = [
  'ALTER TABLE responses ADD COLUMN reached boolean NOT NULL DEFAULT true',
  // Where all were asked in step, everyone was asked.
  `UPDATE responses r SET reached = false FROM moves f, plays y, offers o WHERE f.play_id = r.play_id
    AND f.number = r.move_number AND f.move ->> 'type' = 'finish' AND r.outcome = 'passed' AND y.id = r.play_id
    AND o.id = y.offer_id AND (o.rules ->> 'type' = 'link' OR o.rules #>> '{live,way}' = 'ownpace')`,
  // Of what a student has left, the first answer is the one that was given later.
  'UPDATE responses SET is_first = false WHERE is_first AND NOT reached',
  // Planned by what was there before, this statement would go through all responses for each of them.
  'ANALYZE responses',
  `UPDATE responses SET is_first = true WHERE id IN (
     SELECT DISTINCT ON (s.participant_id, s.entry_id) s.id FROM responses s JOIN plays y ON y.id = s.play_id
     WHERE s.round = 'first' AND s.reached AND s.withdrawn_at IS NULL AND y.given_back_at IS NULL
       AND s.participant_id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM responses f
         WHERE f.participant_id = s.participant_id AND f.entry_id = s.entry_id AND f.is_first)
     ORDER BY s.participant_id, s.entry_id, s.id)`,
]

/** What came of each question of a play, in a text: so a report reads plays, and not all their responses. */
const MARKS = [
  `ALTER TABLE plays ADD COLUMN marks text NOT NULL DEFAULT ''`,
  `UPDATE plays y SET marks = coalesce((
     SELECT string_agg(CASE WHEN NOT q.counts THEN ' ' ELSE coalesce(k.letter, '.') END, '' ORDER BY q.place)
     FROM questions q LEFT JOIN (
       SELECT entry_id, CASE WHEN bool_or(outcome = 'right' AND round = 'first' AND occasion = 0) THEN 'r'
         WHEN bool_or(outcome = 'right') THEN 'm' WHEN bool_or(outcome = 'wrong') THEN 'w' ELSE 'p' END AS letter
       FROM responses WHERE play_id = y.id AND withdrawn_at IS NULL AND reached AND outcome <> 'opinion'
       GROUP BY entry_id) k ON k.entry_id = q.entry_id
     WHERE q.set_id = y.question_set_id), '')`,
]

const ABSENCES = [
  `CREATE TABLE absences (
     id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
     play_id uuid NOT NULL REFERENCES plays (id) ON DELETE CASCADE,
     kind text NOT NULL CHECK (kind IN ('gone', 'reloaded')),
     milliseconds integer NOT NULL DEFAULT 0 CHECK (milliseconds >= 0), place integer NOT NULL CHECK (place >= 1),
     is_given_back boolean NOT NULL DEFAULT false, at timestamptz NOT NULL DEFAULT now())`,
  // What a device was away for can be given back.
  'ALTER TABLE plays ADD COLUMN given_ms integer NOT NULL DEFAULT 0 CHECK (given_ms >= 0)',
  'CREATE INDEX absences_of_play ON absences (play_id)',
]

const SUMS = [
  `CREATE TABLE entry_sums (
     offer_id uuid NOT NULL REFERENCES offers (id) ON DELETE CASCADE, entry_id uuid NOT NULL, text text NOT NULL,
     persons integer NOT NULL, "right" integer NOT NULL, wrong integer NOT NULL, passed integer NOT NULL,
     mended integer NOT NULL, milliseconds bigint NOT NULL, hints integer NOT NULL, PRIMARY KEY (offer_id, entry_id))`,
  'ALTER TABLE offers ADD COLUMN summed text',
]

const STANDARDS = [
  // What a student has entered on a link's board.
  'ALTER TABLE participants ADD COLUMN board_name text',
  `CREATE TABLE standards (
     teacher_id uuid NOT NULL REFERENCES teachers (id) ON DELETE CASCADE, code text NOT NULL, label text NOT NULL,
     PRIMARY KEY (teacher_id, code))`,
]
