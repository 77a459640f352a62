import type { QueryInterface } from 'sequelize'

/** Answers that came too late are told from other moves for what has passed, and can be counted; teams are balanced. */
export const ninth = {
  name: '009-late-answers-and-teams',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `ALTER TABLE moves DROP CONSTRAINT moves_fate_check,
     ADD CONSTRAINT moves_fate_check CHECK (fate IN ('taken', 'void', 'passed', 'late', 'counted'))`,
  `CREATE INDEX moves_late ON moves (play_id, number) WHERE fate = 'late'`,
  // How a play stood when its session ended: what came later can be counted from there.
  'ALTER TABLE plays ADD COLUMN at_end jsonb',
  // Whether its player has made a move: the clock makes some for those who did not.
  'ALTER TABLE plays ADD COLUMN begun boolean NOT NULL DEFAULT false',
  `UPDATE plays y SET begun = true WHERE EXISTS (SELECT 1 FROM moves w WHERE w.play_id = y.id AND w.author = 'player'
     AND w.fate = 'taken')`,
  // Share of what a student had right in the teacher's other games, by name, where teams are balanced by it.
  'ALTER TABLE participants ADD COLUMN strength double precision CHECK (strength BETWEEN 0 AND 1)',
]
