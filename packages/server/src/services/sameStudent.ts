/** Students who are one with `$studentId`, as an array in SQL: each is looked up by an index. */
export const SAME_STUDENT = `ARRAY(SELECT id FROM students WHERE id = $studentId UNION ALL
    SELECT id FROM students WHERE merged_into = $studentId)`
