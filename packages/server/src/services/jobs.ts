import { randomUUID } from 'node:crypto'
import type { JobReply, ProblemDetails } from '@otter/api'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'

/** Most jobs of one teacher that wait or run. */
const MOST_OPEN = 5
/**
 * How long a result is kept; after how long without a sign of life a job's server counts as gone, and how often it is
 * tried.
 */
const KEPT = '1 hour'
const SILENCE = '15 seconds'
const MOST_TRIES = 3

/** Work that was taken up. */
export interface ClaimedJob {
  id: string
  teacherId: string
  kind: string
  task: unknown
  tries: number
}

/**
 * Puts long work into the queue, within the scope's transaction; returns its id. Throws a Problem where the teacher has
 * too much of it waiting.
 */
export async function addJob(scope: TeacherScope, kind: string, task: unknown): Promise<string> {
  // Requests at once would each find room: one waits for the other here.
  await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId: scope.teacherId })
  const { open } = (
    await scope.query<{ open: number }>(
      `SELECT count(*)::int AS open FROM jobs WHERE teacher_id = $teacherId AND state IN ('waiting', 'running')`,
      { teacherId: scope.teacherId },
    )
  )[0]!
  if (open >= MOST_OPEN) throw new Problem(429, 'files-waiting', { values: { most: MOST_OPEN } })
  const id = randomUUID()
  await scope.query('INSERT INTO jobs (id, teacher_id, kind, task) VALUES ($id, $teacherId, $kind, $task::jsonb)', {
    id,
    teacherId: scope.teacherId,
    kind,
    task: JSON.stringify(task),
  })
  return id
}

/** Returns how a teacher's job stands. Throws a Problem where it is another's, or was long ago. */
export async function readJob(scope: TeacherScope, id: string): Promise<JobReply> {
  const [job] = await scope.query<JobReply>(
    'SELECT id, state, progress, problem FROM jobs WHERE id = $id AND teacher_id = $teacherId',
    { id, teacherId: scope.teacherId },
  )
  if (!job) throw notFound()
  return job
}

/** Returns what a teacher's job has made. Throws a Problem where it is another's, or not done. */
export async function readJobFile(scope: TeacherScope, id: string): Promise<{ type: string; bytes: Buffer }> {
  const [file] = await scope.query<{ type: string; bytes: Buffer }>(
    `SELECT type, bytes FROM jobs WHERE id = $id AND teacher_id = $teacherId AND state = 'done'`,
    { id, teacherId: scope.teacherId },
  )
  if (!file) throw notFound()
  return file
}

/** Stops a teacher's job; whoever works on it notices. */
export async function stopJob(scope: TeacherScope, id: string): Promise<void> {
  const [job] = await scope.query('SELECT 1 FROM jobs WHERE id = $id AND teacher_id = $teacherId', {
    id,
    teacherId: scope.teacherId,
  })
  if (!job) throw notFound()
  await scope.query(
    `UPDATE jobs SET state = 'stopped', ended_at = now() WHERE id = $id AND state IN ('waiting', 'running')`,
    { id },
  )
}

/**
 * Takes up the next job: of the teacher who was served longest ago, and of nobody who is being served. A job whose
 * server is gone is taken up again, a few times.
 */
export async function claimJob(scope: Scope): Promise<ClaimedJob | undefined> {
  await scope.query(
    `UPDATE jobs SET state = 'failed', ended_at = now(), problem = $problem::jsonb WHERE state = 'running'
      AND seen_at < now() - interval '${SILENCE}' AND tries >= ${MOST_TRIES}`,
    {
      problem: JSON.stringify(new Problem(500, 'never-made').details()),
    },
  )
  const [job] = await scope.query<ClaimedJob>(
    `UPDATE jobs SET state = 'running', started_at = now(), seen_at = now(), tries = tries + 1 WHERE id = (
       SELECT j.id FROM jobs j
       WHERE (j.state = 'waiting' OR j.state = 'running' AND j.seen_at < now() - interval '${SILENCE}')
         AND NOT EXISTS (SELECT 1 FROM jobs r WHERE r.teacher_id = j.teacher_id AND r.state = 'running'
           AND r.seen_at >= now() - interval '${SILENCE}')
       ORDER BY (SELECT max(s.started_at) FROM jobs s WHERE s.teacher_id = j.teacher_id) NULLS FIRST, j.created_at
         LIMIT 1 FOR UPDATE SKIP LOCKED)
     RETURNING id, teacher_id AS "teacherId", kind, task, tries`,
  )
  return job
}

/** Says that a job is being worked on, and how far it has come; returns whether it is still wanted. */
export async function noteProgress(scope: Scope, { id, tries }: ClaimedJob, progress: number): Promise<boolean> {
  const [wanted] = await scope.query(
    `UPDATE jobs SET seen_at = now(), progress = $progress WHERE id = $id AND state = 'running' AND tries = $tries
      RETURNING id`,
    { id, tries, progress },
  )
  return wanted !== undefined
}

/** Keeps what a job has made. One that was stopped meanwhile, or taken up by another server, stays as it is. */
export async function endJob(
  scope: Scope,
  { id, tries }: ClaimedJob,
  made: { type: string; bytes: Uint8Array } | { problem: ProblemDetails },
): Promise<void> {
  const done = 'bytes' in made
  await scope.query(
    `UPDATE jobs SET state = $state, progress = 1, ended_at = now(), type = $type, bytes = $bytes,
      problem = $problem::jsonb WHERE id = $id AND state = 'running' AND tries = $tries`,
    {
      id,
      tries,
      state: done ? 'done' : 'failed',
      type: done ? made.type : null,
      bytes: done ? Buffer.from(made.bytes) : null,
      problem: done ? null : JSON.stringify(made.problem),
    },
  )
}

/** Deletes jobs whose results were kept long enough. */
export async function dropOldJobs(scope: Scope): Promise<void> {
  await scope.query(`DELETE FROM jobs WHERE ended_at < now() - interval '${KEPT}'`)
}
