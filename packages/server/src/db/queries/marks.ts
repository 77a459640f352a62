/**
 * Returns, in SQL, the marks of a play: a letter for each question of its set in their order, as the core's cells are written.
 * A miss is mended where it was right later in the same play.
 *
 * @param setId of the play's set of questions
 * @param responses that hold: rows with entry_id, round, occasion, outcome and reached
 */
export function marksIn(setId: string, responses: string): string {
  return `(SELECT coalesce(string_agg(CASE WHEN NOT q.counts THEN ' ' ELSE coalesce(k.letter, '.') END, '' ORDER BY q.place), '')
    FROM questions q LEFT JOIN (
      SELECT entry_id, CASE WHEN bool_or(outcome = 'right' AND round = 'first' AND occasion = 0) THEN 'r'
        WHEN bool_or(outcome = 'right') THEN 'm' WHEN bool_or(outcome = 'wrong') THEN 'w' ELSE 'p' END AS letter
      FROM ${responses} WHERE reached AND outcome <> 'opinion' GROUP BY entry_id) k ON k.entry_id = q.entry_id
    WHERE q.set_id = ${setId})`
}
