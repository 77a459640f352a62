import type { QueryInterface } from 'sequelize'

/** Lists are given to colleagues by a link: each takes a copy, which knows where it comes from. */
export const twentieth = {
  name: '020-copies',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `CREATE TABLE list_copies (
     code text PRIMARY KEY, list_id uuid NOT NULL UNIQUE REFERENCES lists (id) ON DELETE CASCADE,
     with_work boolean NOT NULL, created_at timestamptz NOT NULL DEFAULT now())`,
  `ALTER TABLE lists ADD COLUMN origin_title text, ADD COLUMN origin_teacher text,
     ADD CHECK ((origin_title IS NULL) = (origin_teacher IS NULL))`,
]
