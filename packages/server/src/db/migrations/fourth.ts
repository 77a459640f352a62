import type { QueryInterface } from 'sequelize'

/**
 * Offers, participants and their devices; every move, what each play asks, and responses that say all a report needs.
 */
export const fourth = {
  name: '004-one-record',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of [
      ...ENTRIES,
      ...GAMES,
      ...OFFERS,
      ...PARTICIPANTS,
      ...QUESTIONS,
      ...PLAYS,
      ...RESPONSES,
      ...TOTALS,
      ...WORK,
    ])
      await context.sequelize.query(statement)
  },
}

const ENTRIES = [
  `ALTER TABLE entries ADD COLUMN groups jsonb NOT NULL DEFAULT '[]',
    ADD COLUMN standards jsonb NOT NULL DEFAULT '[]', ADD COLUMN origin_id uuid`,
  `UPDATE entries SET groups = CASE WHEN "group" = '' THEN '[]' ELSE jsonb_build_array("group") END, standards = CASE
    WHEN standard = '' THEN '[]' ELSE jsonb_build_array(standard) END`,
  'ALTER TABLE entries DROP COLUMN "group", DROP COLUMN standard',
]

/** A game outlives the list that it was made from. A version says by which version of its game's rules it was made. */
const GAMES = [
  'ALTER TABLE games ADD COLUMN teacher_id uuid REFERENCES teachers (id) ON DELETE CASCADE, ADD COLUMN key text',
  'UPDATE games g SET teacher_id = l.teacher_id, key = g.id::text FROM lists l WHERE l.id = g.list_id',
  `ALTER TABLE games ALTER COLUMN teacher_id SET NOT NULL, ALTER COLUMN key SET NOT NULL,
    ALTER COLUMN list_id DROP NOT NULL, DROP CONSTRAINT games_list_id_fkey`,
  `ALTER TABLE games ADD FOREIGN KEY (list_id) REFERENCES lists (id) ON DELETE SET NULL,
    ADD CONSTRAINT games_of_one_key UNIQUE (teacher_id, key)`,
  // Renewing a game whose list had not changed used to make the same version again.
  `UPDATE game_versions v SET fingerprint = v.fingerprint || ' ' || v.number
   WHERE EXISTS (SELECT 1 FROM game_versions o WHERE o.game_id = v.game_id AND o.fingerprint = v.fingerprint
     AND o.number > v.number)`,
  `ALTER TABLE game_versions ADD COLUMN rules integer NOT NULL DEFAULT 1,
    ADD COLUMN correction integer NOT NULL DEFAULT 0, ADD CONSTRAINT game_versions_of_one_fingerprint UNIQUE (game_id,
    fingerprint)`,
  'ALTER TABLE game_versions ALTER COLUMN rules DROP DEFAULT',
]

const OFFERS = [
  'ALTER TABLE links RENAME TO offers',
  `ALTER TABLE offers ADD COLUMN teacher_id uuid REFERENCES teachers (id) ON DELETE CASCADE,
    ADD COLUMN name text NOT NULL DEFAULT '', ADD COLUMN rules jsonb NOT NULL DEFAULT '{"type":"link"}',
   ADD COLUMN opens_at timestamptz, ADD COLUMN closes_at timestamptz, ADD COLUMN request_id uuid,
     ADD COLUMN seats integer NOT NULL DEFAULT 0, ADD COLUMN changed_at timestamptz NOT NULL DEFAULT now()`,
  'UPDATE offers o SET teacher_id = g.teacher_id FROM games g WHERE g.id = o.game_id',
  `ALTER TABLE offers ALTER COLUMN teacher_id SET NOT NULL, ADD CONSTRAINT offers_of_one_request UNIQUE (teacher_id,
    request_id)`,
  'CREATE INDEX offers_of_teacher ON offers (teacher_id, created_at DESC)',
  `CREATE TABLE offer_games (
     offer_id uuid NOT NULL REFERENCES offers (id) ON DELETE CASCADE, position integer NOT NULL CHECK (position >= 0),
     game_version_id uuid NOT NULL REFERENCES game_versions (id), PRIMARY KEY (offer_id, position))`,
  'CREATE INDEX offer_games_of_version ON offer_games (game_version_id)',
  `INSERT INTO offer_games SELECT o.id, 0, v.id FROM offers o JOIN LATERAL (SELECT id FROM game_versions
    WHERE game_id = o.game_id ORDER BY number DESC LIMIT 1) v ON true`,
  'ALTER TABLE offers DROP COLUMN game_id',
]

const PARTICIPANTS = [
  `CREATE TABLE teams (
     id uuid PRIMARY KEY, offer_id uuid NOT NULL REFERENCES offers (id) ON DELETE CASCADE,
       position integer NOT NULL CHECK (position >= 0), name text NOT NULL, UNIQUE (offer_id, position))`,
  'ALTER TABLE players RENAME TO participants',
  'ALTER TABLE participants RENAME COLUMN link_id TO offer_id',
  `ALTER TABLE participants ADD COLUMN seat integer CHECK (seat >= 1), ADD COLUMN team_id uuid REFERENCES teams (id)
    ON DELETE SET NULL,
   ADD COLUMN merged_into uuid REFERENCES participants (id) ON DELETE SET NULL, ADD COLUMN removed_at timestamptz`,
  `UPDATE participants p SET seat = s.seat FROM (SELECT id, row_number() OVER (PARTITION BY offer_id
    ORDER BY created_at, id) AS seat FROM participants) s WHERE s.id = p.id`,
  'UPDATE offers o SET seats = (SELECT count(*) FROM participants p WHERE p.offer_id = o.id)',
  `ALTER TABLE participants ALTER COLUMN seat SET NOT NULL, ADD CONSTRAINT participants_of_one_seat UNIQUE (offer_id,
    seat)`,
  'CREATE INDEX participants_merged ON participants (merged_into) WHERE merged_into IS NOT NULL',
  'CREATE INDEX participants_of_team ON participants (team_id) WHERE team_id IS NOT NULL',
  `CREATE TABLE devices (
     id uuid PRIMARY KEY, participant_id uuid NOT NULL REFERENCES participants (id) ON DELETE CASCADE,
       token_hash text NOT NULL UNIQUE, browser_hash text, created_at timestamptz NOT NULL DEFAULT now())`,
  'CREATE INDEX devices_of_participant ON devices (participant_id)',
  'CREATE INDEX devices_of_browser ON devices (browser_hash) WHERE browser_hash IS NOT NULL',
  `INSERT INTO devices (id, participant_id, token_hash, created_at) SELECT gen_random_uuid(), id, token_hash,
    created_at FROM participants`,
  'ALTER TABLE participants DROP COLUMN token_hash',
]

/**
 * For each kind of game, where a puzzle's entries are: their ids, their texts as results show them, and whether they
 * count.
 */
const ASKED: Record<string, string> = {
  wordsearch: `SELECT (w ->> 'entryId')::uuid, w ->> 'text', true, n FROM jsonb_array_elements(v.puzzle -> 'words')
    WITH ORDINALITY AS a(w, n)`,
  crossword: `SELECT (w ->> 'entryId')::uuid, w ->> 'text', true, n FROM jsonb_array_elements(v.puzzle -> 'words')
    WITH ORDINALITY AS a(w, n)`,
  hangman: `SELECT (w ->> 'entryId')::uuid, w ->> 'text', true, n FROM jsonb_array_elements(v.puzzle -> 'words')
    WITH ORDINALITY AS a(w, n)`,
  unscramble: `SELECT (w ->> 'entryId')::uuid, w ->> 'text', true, n FROM jsonb_array_elements(v.puzzle -> 'items')
    WITH ORDINALITY AS a(w, n)`,
  pairs: `SELECT (w ->> 'entryId')::uuid, trim(w -> 'answer' ->> 'text'), true, n
    FROM jsonb_array_elements(v.puzzle -> 'couples') WITH ORDINALITY AS a(w, n)`,
  matching: `SELECT (w ->> 'entryId')::uuid, trim(w -> 'answer' ->> 'text'), true, row_number() OVER (ORDER BY m, n)
    FROM jsonb_array_elements(v.puzzle -> 'rounds') WITH ORDINALITY AS r(r, m), jsonb_array_elements(r -> 'couples')
      WITH ORDINALITY AS a(w, n)`,
  quiz: `SELECT (w ->> 'entryId')::uuid, coalesce(nullif(trim(w -> 'answer' ->> 'text'), ''),
    trim(w -> 'prompt' ->> 'text')), (w ->> 'scored')::boolean, n
    FROM jsonb_array_elements(v.puzzle -> 'questions') WITH ORDINALITY AS a(w, n)`,
}
/** Of these, what is asked depends on the play: on the card dealt, on the cards due. */
const ASKED_BY_PLAY: Record<string, { key: string; rows: string }> = {
  bingo: {
    key: `'card ' || ((y.state ->> 'card')::int + 1)`,
    rows: `SELECT (v.puzzle -> 'terms' -> (c #>> '{}')::int ->> 'entryId')::uuid,
      v.puzzle -> 'terms' -> (c #>> '{}')::int ->> 'text', v.puzzle ->> 'calling' = 'device'
      AND v.puzzle ->> 'marking' = 'own', n
      FROM jsonb_array_elements(v.puzzle -> 'cards' -> (substr(s.key, 6)::int - 1) -> 'cells') WITH ORDINALITY AS a(c,
        n) WHERE jsonb_typeof(c) = 'number'`,
  },
  flashcards: {
    key: `(SELECT CASE WHEN count(*) = jsonb_array_length(v.puzzle -> 'cards') THEN ''
      ELSE coalesce(string_agg(c::text, ' ' ORDER BY c), 'none') END
      FROM (SELECT DISTINCT (c #>> '{}')::int AS c
        FROM jsonb_array_elements((y.state -> 'seen') || (y.state -> 'queue')) AS a(c)) d)`,
    rows: `SELECT (w ->> 'entryId')::uuid, trim(w -> 'back' ->> 'text'), true, n
      FROM jsonb_array_elements(v.puzzle -> 'cards') WITH ORDINALITY AS a(w, n)
      WHERE s.key = '' OR s.key <> 'none' AND (n - 1)::text = ANY (string_to_array(s.key, ' '))`,
  },
}

const kinds = Object.keys(ASKED)
  .map((kind) => `'${kind}'`)
  .join(', ')
const QUESTIONS = [
  // What plays of one version ask is mostly the same for all: each set of questions is kept once.
  `CREATE TABLE question_sets (
     id uuid PRIMARY KEY, game_version_id uuid NOT NULL REFERENCES game_versions (id) ON DELETE CASCADE,
       key text NOT NULL, total integer NOT NULL DEFAULT 0)`,
  `CREATE TABLE questions (
     set_id uuid NOT NULL REFERENCES question_sets (id) ON DELETE CASCADE, place integer NOT NULL CHECK (place >= 0),
       entry_id uuid NOT NULL, text text NOT NULL, counts boolean NOT NULL, PRIMARY KEY (set_id, place))`,
  `INSERT INTO question_sets (id, game_version_id, key) SELECT gen_random_uuid(), v.id, '' FROM game_versions v
    JOIN games g ON g.id = v.game_id WHERE g.kind IN (${kinds})`,
  ...Object.entries(ASKED_BY_PLAY).map(
    ([
      kind,
      { key },
    ]) => `INSERT INTO question_sets (id, game_version_id, key) SELECT gen_random_uuid(), k.version_id, k.key FROM (
     SELECT DISTINCT v.id AS version_id, ${key} AS key FROM plays y JOIN game_versions v ON v.id = y.game_version_id
       JOIN games g ON g.id = v.game_id WHERE g.kind = '${kind}') k`,
  ),
  ...[...Object.entries(ASKED), ...Object.entries(ASKED_BY_PLAY).map(([kind, { rows }]) => [kind, rows] as const)].map(
    ([kind, rows]) => `INSERT INTO questions (set_id, place, entry_id, text, counts)
     SELECT s.id, q.n - 1, q.entry_id, q.text, q.counts FROM question_sets s JOIN game_versions v
       ON v.id = s.game_version_id JOIN games g ON g.id = v.game_id,
     LATERAL (${rows}) AS q(entry_id, text, counts, n) WHERE g.kind = '${kind}'`,
  ),
  'UPDATE question_sets s SET total = (SELECT count(*) FROM questions q WHERE q.set_id = s.id AND q.counts)',
]

const PLAYS = [
  'ALTER TABLE plays RENAME COLUMN player_id TO participant_id',
  `ALTER TABLE plays ALTER COLUMN participant_id DROP NOT NULL, DROP CONSTRAINT IF EXISTS plays_player_id_attempt,
    ADD COLUMN offer_id uuid REFERENCES offers (id) ON DELETE CASCADE,
   ADD COLUMN team_id uuid REFERENCES teams (id) ON DELETE SET NULL, ADD COLUMN question_set_id uuid
     REFERENCES question_sets (id), ADD COLUMN rules integer NOT NULL DEFAULT 1, ADD COLUMN origin jsonb,
   ADD COLUMN "right" integer NOT NULL DEFAULT 0, ADD COLUMN total integer NOT NULL DEFAULT 0,
     ADD COLUMN points integer NOT NULL DEFAULT 0, ADD COLUMN bonus integer NOT NULL DEFAULT 0,
   ADD COLUMN hints integer NOT NULL DEFAULT 0, ADD COLUMN misses integer NOT NULL DEFAULT 0,
     ADD COLUMN second_right integer NOT NULL DEFAULT 0, ADD COLUMN second_total integer NOT NULL DEFAULT 0,
     ADD COLUMN milliseconds integer NOT NULL DEFAULT 0, ADD COLUMN moved_at timestamptz,
     ADD COLUMN ended_at timestamptz,
   ADD COLUMN given_back_at timestamptz`,
  'DROP INDEX IF EXISTS plays_player_id_attempt',
  `UPDATE plays y SET offer_id = p.offer_id, moved_at = y.last_seen_at FROM participants p
    WHERE p.id = y.participant_id`,
  `UPDATE plays y SET question_set_id = s.id, total = s.total FROM question_sets s JOIN game_versions v
    ON v.id = s.game_version_id JOIN games g ON g.id = v.game_id
   WHERE s.game_version_id = y.game_version_id AND g.kind IN (${kinds})`,
  ...Object.entries(ASKED_BY_PLAY).map(
    ([kind, { key }]) => `WITH keyed AS MATERIALIZED (SELECT y.id, v.id AS version_id, ${key} AS key FROM plays y
      JOIN game_versions v ON v.id = y.game_version_id JOIN games g ON g.id = v.game_id WHERE g.kind = '${kind}')
     UPDATE plays SET question_set_id = s.id, total = s.total FROM keyed k JOIN question_sets s
       ON s.game_version_id = k.version_id AND s.key = k.key WHERE k.id = plays.id`,
  ),
  // Last, since a long key fits no index.
  `UPDATE question_sets SET key = encode(sha256(key::bytea), 'hex') WHERE length(key) > 200`,
  'ALTER TABLE question_sets ADD CONSTRAINT question_sets_of_one_key UNIQUE (game_version_id, key)',
  // Attempts were numbered; they are counted when read, so that plays of one person can be put together.
  `UPDATE plays y SET started_at = y.started_at + f.place * interval '1 millisecond' FROM (
     SELECT id, row_number() OVER (PARTITION BY participant_id, started_at ORDER BY attempt) - 1 AS place
       FROM plays) f WHERE f.id = y.id AND f.place > 0`,
  `ALTER TABLE plays DROP COLUMN attempt, ALTER COLUMN offer_id SET NOT NULL, ALTER COLUMN question_set_id
    SET NOT NULL, ALTER COLUMN moved_at SET NOT NULL, ALTER COLUMN rules DROP DEFAULT`,
  'CREATE INDEX plays_of_participant ON plays (participant_id, started_at DESC)',
  'CREATE INDEX plays_of_offer ON plays (offer_id, last_seen_at) INCLUDE (moves)',
  'CREATE INDEX plays_of_question_set ON plays (question_set_id)',
  `CREATE TABLE moves (
     play_id uuid NOT NULL REFERENCES plays (id) ON DELETE CASCADE, number integer NOT NULL CHECK (number >= 1),
       id uuid NOT NULL, move jsonb NOT NULL, made_for text, made_at timestamptz,
     at timestamptz NOT NULL, clock integer NOT NULL, rules integer NOT NULL, fate text NOT NULL CHECK (fate IN ('taken', 'void', 'passed')), PRIMARY KEY (play_id, number), UNIQUE (play_id, id))`,
]

const RESPONSES = [
  `ALTER TABLE responses ALTER COLUMN outcome TYPE text, ADD COLUMN round text NOT NULL DEFAULT 'first',
    ADD COLUMN occasion integer NOT NULL DEFAULT 0, ADD COLUMN counts boolean NOT NULL DEFAULT true,
   ADD COLUMN first_outcome text, ADD COLUMN detail jsonb NOT NULL DEFAULT '{"type":"nothing"}',
     ADD COLUMN hints integer NOT NULL DEFAULT 0, ADD COLUMN place integer NOT NULL DEFAULT 0,
   ADD COLUMN made_at timestamptz, ADD COLUMN participant_id uuid REFERENCES participants (id) ON DELETE CASCADE,
     ADD COLUMN team_id uuid REFERENCES teams (id) ON DELETE SET NULL,
   ADD COLUMN move_number integer, ADD COLUMN withdrawn_at timestamptz,
     ADD COLUMN is_first boolean NOT NULL DEFAULT false`,
  'DROP TYPE enum_responses_outcome',
  // What was never met has no response; a word of a crossword that was revealed in full was met.
  `DELETE FROM responses r USING plays y, game_versions v, games g WHERE y.id = r.play_id
    AND v.id = y.game_version_id AND g.id = v.game_id AND r.outcome = 'passed' AND r.milliseconds = 0
   AND NOT (g.kind = 'crossword' AND EXISTS (SELECT 1 FROM jsonb_array_elements(y.state -> 'solved') AS a(i)
     WHERE v.puzzle -> 'words' -> (i #>> '{}')::int ->> 'entryId' = r.entry_id::text))`,
  `DELETE FROM responses r USING plays y WHERE y.id = r.play_id AND r.outcome <> 'unscored' AND NOT EXISTS (SELECT 1
    FROM questions q WHERE q.set_id = y.question_set_id AND q.entry_id = r.entry_id)`,
  // Answers without effect on the score: opinions, second tries of a quiz, words of hangman that came back.
  `UPDATE responses r SET counts = false, outcome = 'opinion' FROM plays y, questions q WHERE y.id = r.play_id
    AND q.set_id = y.question_set_id AND q.entry_id = r.entry_id AND r.outcome = 'unscored' AND NOT q.counts`,
  `UPDATE responses r SET counts = false, round = 'second', outcome = CASE WHEN EXISTS (
     SELECT 1 FROM jsonb_array_elements(y.state -> 'secondRight') AS a(i)
       WHERE v.puzzle -> 'questions' -> (i #>> '{}')::int ->> 'entryId' = r.entry_id::text) THEN 'right'
       ELSE 'wrong' END
   FROM plays y, game_versions v, games g WHERE y.id = r.play_id AND v.id = y.game_version_id AND g.id = v.game_id
     AND g.kind = 'quiz' AND r.outcome = 'unscored'`,
  `UPDATE responses r SET counts = false, round = 'back', outcome = CASE WHEN r.given = q.text THEN 'right'
    ELSE 'wrong' END
   FROM plays y, questions q WHERE y.id = r.play_id AND q.set_id = y.question_set_id AND q.entry_id = r.entry_id
     AND r.outcome = 'unscored'`,
  `DELETE FROM responses WHERE outcome = 'unscored'`,
  // Hangman kept the letters asked in vain; all others what was given, in words.
  `UPDATE responses r SET detail = CASE WHEN g.kind = 'hangman' AND r.outcome = 'wrong'
     THEN jsonb_build_object('type', 'letters', 'tried', (SELECT coalesce(jsonb_agg(jsonb_build_object('letter', l,
       'right', false)), '[]') FROM unnest(string_to_array(r.given, ' ')) AS a(l)))
     ELSE jsonb_build_object('type', 'typed', 'understood', lower(r.given)) END
   FROM plays y, game_versions v, games g WHERE y.id = r.play_id AND v.id = y.game_version_id AND g.id = v.game_id
     AND r.given <> ''`,
  `UPDATE responses r SET participant_id = y.participant_id, first_outcome = r.outcome,
    milliseconds = least(greatest(r.milliseconds, 0), 86400000), place = f.place, occasion = f.occasion
   FROM plays y, (SELECT id, row_number() OVER (PARTITION BY play_id, round ORDER BY id) - 1 AS place,
     row_number() OVER (PARTITION BY play_id, entry_id, round ORDER BY id) - 1 AS occasion FROM responses) f
   WHERE y.id = r.play_id AND f.id = r.id`,
  `ALTER TABLE responses ALTER COLUMN first_outcome SET NOT NULL, ADD CHECK (outcome IN ('right', 'wrong', 'passed',
    'opinion')), ADD CHECK (round IN ('first', 'second', 'back')),
   ADD CONSTRAINT responses_of_one_occasion UNIQUE (play_id, entry_id, round, occasion)`,
  'DROP INDEX IF EXISTS responses_play_id_entry_id',
  // Questions are told by each student's first answer to them: it is marked, so that a term of attempts need not be
  // gone through.
  `UPDATE responses SET is_first = true WHERE id IN (SELECT DISTINCT ON (participant_id, entry_id) id FROM responses
    WHERE round = 'first' ORDER BY participant_id, entry_id, id)`,
  'CREATE UNIQUE INDEX responses_first ON responses (participant_id, entry_id) WHERE is_first',
  'CREATE INDEX responses_of_participant ON responses (participant_id)',
]

const DAY = 86_400_000
const TOTALS = [
  `UPDATE plays y SET "right" = t.right, points = t.points, second_right = t.second_right,
    second_total = t.second_total FROM (
     SELECT play_id, count(*) FILTER (WHERE outcome = 'right' AND counts) AS right,
       coalesce(sum(points) FILTER (WHERE counts), 0) AS points,
       count(*) FILTER (WHERE outcome = 'right' AND round = 'second') AS second_right,
         count(*) FILTER (WHERE round = 'second') AS second_total
     FROM responses GROUP BY play_id) t WHERE t.play_id = y.id`,
  `UPDATE plays y SET milliseconds = greatest(0, least(${DAY}, coalesce(nullif(y.state -> 'finishedAt', 'null'),
    y.state -> 'lastAt')::numeric::bigint - (y.state ->> 'startedAt')::numeric::bigint)),
     ended_at = to_timestamp((y.state ->> 'finishedAt')::numeric / 1000),
     hints = CASE g.kind WHEN 'wordsearch' THEN jsonb_array_length(y.state -> 'hinted') WHEN 'crossword'
       THEN (y.state ->> 'checks')::int + (y.state ->> 'reveals')::int + jsonb_array_length(y.state -> 'hinted')
       WHEN 'bingo' THEN 0 WHEN 'pairs' THEN 0 WHEN 'matching' THEN 0 WHEN 'flashcards' THEN 0
         ELSE (y.state ->> 'hints')::int END,
     misses = CASE g.kind WHEN 'wordsearch' THEN (y.state ->> 'misses')::int WHEN 'pairs'
       THEN (y.state ->> 'turns')::int - jsonb_array_length(y.state -> 'found') ELSE 0 END,
     bonus = CASE WHEN g.kind = 'bingo' AND v.puzzle ->> 'calling' = 'device' AND (y.state ->> 'bingo')::boolean
       THEN 20 ELSE 0 END
   FROM game_versions v, games g WHERE v.id = y.game_version_id AND g.id = v.game_id`,
  'UPDATE plays SET points = points + bonus WHERE bonus > 0',
]

/** Long jobs, guesses that are counted, and since when nothing uses a picture or sound. */
const WORK = [
  `CREATE TABLE jobs (
     id uuid PRIMARY KEY, teacher_id uuid NOT NULL REFERENCES teachers (id) ON DELETE CASCADE, kind text NOT NULL,
       task jsonb NOT NULL,
     state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'running', 'done', 'failed', 'stopped')), progress real NOT NULL DEFAULT 0, tries integer NOT NULL DEFAULT 0,
     problem jsonb, type text, bytes bytea, created_at timestamptz NOT NULL DEFAULT now(), started_at timestamptz, seen_at timestamptz, ended_at timestamptz)`,
  `CREATE INDEX jobs_open ON jobs (teacher_id, created_at) WHERE state IN ('waiting', 'running')`,
  'CREATE INDEX jobs_ended ON jobs (ended_at) WHERE ended_at IS NOT NULL',
  'CREATE TABLE guesses (key varchar(255) PRIMARY KEY, points integer NOT NULL DEFAULT 0, expire bigint)',
  'ALTER TABLE media ADD COLUMN unused_since timestamptz',
  'ALTER TABLE teachers ADD COLUMN media_swept_at timestamptz',
]
