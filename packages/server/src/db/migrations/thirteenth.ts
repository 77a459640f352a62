import type { QueryInterface } from 'sequelize'

/** Classes that teachers may share, their students, and work that is set for them. */
export const thirteenth = {
  name: '013-classes',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `CREATE TABLE classes (
     id uuid PRIMARY KEY, name text NOT NULL, grade text NOT NULL DEFAULT '', language text NOT NULL DEFAULT '',
     year text NOT NULL DEFAULT '', code text NOT NULL UNIQUE, inviting boolean NOT NULL DEFAULT false,
     secret text NOT NULL DEFAULT 'pictures' CHECK (secret IN ('pictures', 'word')), archived_at timestamptz,
     created_at timestamptz NOT NULL DEFAULT now())`,
  `CREATE TABLE class_teachers (
     class_id uuid NOT NULL REFERENCES classes (id) ON DELETE CASCADE,
     teacher_id uuid NOT NULL REFERENCES teachers (id) ON DELETE CASCADE, is_owner boolean NOT NULL,
     PRIMARY KEY (class_id, teacher_id))`,
  'CREATE INDEX class_teachers_of_teacher ON class_teachers (teacher_id)',
  `CREATE TABLE students (
     id uuid PRIMARY KEY, name text NOT NULL, secret_hash text, secret_kind text
       CHECK (secret_kind IN ('pictures', 'word')), wrong_secrets integer NOT NULL DEFAULT 0, merged_into uuid REFERENCES students (id) ON DELETE CASCADE,
     seen_at timestamptz, created_at timestamptz NOT NULL DEFAULT now(),
     CHECK ((secret_hash IS NULL) = (secret_kind IS NULL)))`,
  'CREATE INDEX students_merged ON students (merged_into) WHERE merged_into IS NOT NULL',
  `CREATE TABLE enrollments (
     class_id uuid NOT NULL REFERENCES classes (id) ON DELETE CASCADE,
     student_id uuid NOT NULL REFERENCES students (id) ON DELETE CASCADE,
     state text NOT NULL CHECK (state IN ('asked', 'in', 'merged')), created_at timestamptz NOT NULL DEFAULT now(),
     PRIMARY KEY (class_id, student_id))`,
  'CREATE INDEX enrollments_of_student ON enrollments (student_id)',
  `CREATE TABLE student_sessions (
     token_hash text PRIMARY KEY, student_id uuid NOT NULL REFERENCES students (id) ON DELETE CASCADE,
     is_own boolean NOT NULL, expires_at timestamptz NOT NULL)`,
  'CREATE INDEX student_sessions_of_student ON student_sessions (student_id)',
  'CREATE INDEX student_sessions_by_end ON student_sessions (expires_at)',
  `ALTER TABLE offers ADD COLUMN class_id uuid REFERENCES classes (id) ON DELETE SET NULL,
     ADD COLUMN due_at timestamptz, ADD COLUMN note text NOT NULL DEFAULT ''`,
  'CREATE INDEX offers_of_class ON offers (class_id, created_at DESC) WHERE class_id IS NOT NULL',
  'ALTER TABLE participants ADD COLUMN student_id uuid REFERENCES students (id) ON DELETE CASCADE',
  `CREATE UNIQUE INDEX participants_of_student ON participants (offer_id, student_id)
     WHERE student_id IS NOT NULL AND merged_into IS NULL`,
  // A shared device forgets who played on it as its student is signed out.
  'ALTER TABLE devices ADD COLUMN session_hash text',
  'CREATE INDEX participants_by_student ON participants (student_id) WHERE student_id IS NOT NULL',
]
