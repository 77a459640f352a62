/**
 * Tells, in SQL, whether a response `r` is to something that its player has reached: what was left when a play was stopped,
 * or its time was up, was passed over by that alone, and says nothing of what is known.
 */
export const REACHED = `NOT (r.outcome = 'passed' AND EXISTS (SELECT 1 FROM moves f WHERE f.play_id = r.play_id
  AND f.number = r.move_number AND f.move ->> 'type' = 'finish'))`
