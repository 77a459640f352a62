import type { QueryInterface } from 'sequelize'

/** What was printed is kept: a sheet and its key can be printed again after the rules or the words have changed. */
export const twelfth = {
  name: '012-prints',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `CREATE TABLE prints (
     id uuid PRIMARY KEY, list_id uuid NOT NULL REFERENCES lists (id) ON DELETE CASCADE, kind text NOT NULL,
     seed text NOT NULL, rules integer NOT NULL, key text NOT NULL,
     printed_at timestamptz NOT NULL DEFAULT now(), UNIQUE (list_id, key))`,
  'CREATE INDEX prints_of_list ON prints (list_id, kind, printed_at DESC)',
  'CREATE INDEX prints_by_age ON prints (printed_at)',
  `CREATE TABLE print_versions (
     print_id uuid NOT NULL REFERENCES prints (id) ON DELETE CASCADE, number integer NOT NULL CHECK (number >= 1),
     game_version_id uuid NOT NULL REFERENCES game_versions (id) ON DELETE CASCADE, PRIMARY KEY (print_id, number))`,
  'CREATE INDEX print_versions_of_version ON print_versions (game_version_id)',
]
