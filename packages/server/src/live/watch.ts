import type { HostChanges, HostQuestion, HostStudent, WallNow } from '@otter/api'
import { firstAnswers, hostStudents, type FirstAnswer, type HostRow } from '../db/queries/live.ts'
import type { Reader } from '../db/scope.ts'
import { lookAtSession } from '../services/liveSessions.ts'
import {
  askedIn,
  questionsOf,
  readFacts,
  readWallNow,
  teamsIn,
  withoutOffer,
  type Asked,
} from '../services/liveStates.ts'

/** Rows of students in whom something has changed, read for all watched sessions at once. */
export interface Seen {
  students: readonly HostRow[]
  answers: readonly FirstAnswer[]
}

/** Reads what has changed in students, in whichever sessions they are. */
export async function readSeen(scope: Reader, personIds: readonly string[]): Promise<Seen> {
  if (personIds.length === 0) return { students: [], answers: [] }
  return { students: await hostStudents(scope, { personIds }), answers: await firstAnswers(scope, { personIds }) }
}

/**
 * Follows one session for the screens of its hosts and walls on this server, and gives what has changed in it. What it
 * knows is read from the rows and can be thrown away at any moment.
 */
export class Watch {
  private readonly students = new Map<string, string>()
  private readonly answers = new Map<string, FirstAnswer[]>()
  private readonly questions = new Map<string, string>()
  private asked: Asked[] | undefined
  private shownTeams = ''
  private shownWall = ''
  private readonly offerId: string

  constructor(offerId: string) {
    this.offerId = offerId
  }

  /** Whether all of it was read once. */
  get isRead(): boolean {
    return this.asked !== undefined
  }

  /** Returns what hosts are to be told of some students. */
  changesOf(personIds: ReadonlySet<string>, { students, answers }: Seen): HostChanges {
    const mine = students.filter(({ offerId }) => offerId === this.offerId).map(withoutOffer)
    const there = new Set(mine.map(({ participantId }) => participantId))
    for (const id of there) this.answers.delete(id)
    for (const answer of answers) if (there.has(answer.personId)) this.keep(answer)
    return this.changes(
      mine,
      [...personIds].filter((id) => !there.has(id)),
    )
  }

  /** Reads all of a session; returns what hosts are to be told of it. */
  async readAll(scope: Reader): Promise<HostChanges> {
    const { offerId } = this
    const now = await lookAtSession(scope, offerId)
    const facts = await readFacts(scope, now, 'teacher')
    const students = (await hostStudents(scope, { offerId })).map(withoutOffer)
    this.asked = await askedIn(scope, offerId)
    this.answers.clear()
    for (const answer of await firstAnswers(scope, { offerId })) this.keep(answer)
    const there = new Set(students.map(({ participantId }) => participantId))
    const teams = await teamsIn(scope, offerId)
    const changes = this.changes(
      students,
      [...this.students.keys()].filter((id) => !there.has(id)),
    )
    const shownTeams = JSON.stringify(teams)
    if (shownTeams === this.shownTeams) return { ...changes, facts }
    this.shownTeams = shownTeams
    return { ...changes, facts, teams }
  }

  /** Returns what the wall is to show, where that has changed. */
  async wallChanges(scope: Reader): Promise<WallNow | undefined> {
    const now = await readWallNow(scope, await lookAtSession(scope, this.offerId))
    const shown = JSON.stringify({ ...now, facts: { ...now.facts, now: 0, left: null } })
    if (shown === this.shownWall) return undefined
    this.shownWall = shown
    return now
  }

  private keep(answer: FirstAnswer): void {
    const known = this.answers.get(answer.personId)
    if (known) known.push(answer)
    else this.answers.set(answer.personId, [answer])
  }

  /** Returns rows that have changed, and who is there no more: deleted, or merged into another. */
  private changes(students: readonly HostStudent[], missing: readonly string[]): HostChanges {
    const left = missing.filter((id) => this.students.delete(id))
    for (const id of left) this.answers.delete(id)
    const changed = students.filter((student) => isNew(this.students, student.participantId, student))
    const questions: HostQuestion[] = questionsOf(this.asked ?? [], [...this.answers.values()].flat())
    const moved = questions.filter((question) => isNew(this.questions, question.entryId, question))
    return {
      ...(changed.length > 0 && { students: changed }),
      ...(left.length > 0 && { left }),
      ...(moved.length > 0 && { questions: moved }),
    }
  }
}

/** Tells whether a row differs from what was shown of it, and notes it. */
function isNew(shown: Map<string, string>, id: string, row: object): boolean {
  const text = JSON.stringify(row)
  if (shown.get(id) === text) return false
  shown.set(id, text)
  return true
}
