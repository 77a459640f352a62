import type { HostChanges, HostQuestion, HostStudent, WallNow } from '@otter/api'
import { firstAnswers, hostStudents, type FirstAnswer } from '../db/queries/live.ts'
import { inScope, type ScopeSource } from '../db/scope.ts'
import { lookAtSession } from '../services/liveSessions.ts'
import { askedIn, questionsOf, readFacts, readWallNow, teamsIn, type Asked } from '../services/liveStates.ts'

/** What has been seen to change in a session: itself, and some of its students; null for all of them. */
export interface Seen {
  session: boolean
  personIds: ReadonlySet<string> | null
}

/**
 * Follows one session for the screens of its hosts and walls on this server, and gives what has changed in it. What it
 * knows is read from the rows and can be thrown away at any moment.
 */
export class Watch {
  private students = new Map<string, string>()
  private answers = new Map<string, FirstAnswer[]>()
  private questions = new Map<string, string>()
  private asked: Asked[] | undefined
  private shownFacts = ''
  private shownTeams = ''
  private shownWall = ''
  private readonly source: ScopeSource
  private readonly offerId: string

  constructor(source: ScopeSource, offerId: string) {
    this.source = source
    this.offerId = offerId
  }

  /** Returns what hosts are to be told of what was seen. */
  async hostChanges({ session, personIds }: Seen): Promise<HostChanges> {
    const ids = personIds && this.asked ? [...personIds] : null
    const read = await inScope(this.source, { teacherId: null }, async (scope) => ({
      facts:
        session || !this.asked ? await readFacts(scope, await lookAtSession(scope, this.offerId), 'teacher') : null,
      students: await hostStudents(scope, this.offerId, ids),
      answers: await firstAnswers(scope, this.offerId, ids),
      asked: this.asked && !session ? this.asked : await askedIn(scope, this.offerId),
      teams: session || !this.asked ? await teamsIn(scope, this.offerId) : null,
    }))
    this.asked = read.asked
    const changes: HostChanges = {}
    if (read.facts) {
      // Time passes by itself on every screen: that alone is no change.
      const shown = JSON.stringify({ ...read.facts, now: 0, left: session ? read.facts.left : null })
      if (shown !== this.shownFacts) changes.facts = read.facts
      this.shownFacts = shown
    }
    if (read.teams && JSON.stringify(read.teams) !== this.shownTeams) {
      changes.teams = read.teams
      this.shownTeams = JSON.stringify(read.teams)
    }
    const students = read.students.filter((student) => this.isNew(student))
    if (students.length > 0) changes.students = students
    const left = this.goneFrom(read.students, ids)
    if (left.length > 0) changes.left = left
    this.keepAnswers(read.answers, ids)
    const questions = this.newQuestions()
    if (questions.length > 0) changes.questions = questions
    return changes
  }

  /** Returns what the wall is to show, where that has changed. */
  async wallChanges(): Promise<WallNow | undefined> {
    const now = await inScope(this.source, { teacherId: null }, async (scope) =>
      readWallNow(scope, await lookAtSession(scope, this.offerId)),
    )
    const shown = JSON.stringify({ ...now, facts: { ...now.facts, now: 0, left: null } })
    if (shown === this.shownWall) return undefined
    this.shownWall = shown
    return now
  }

  private isNew(student: HostStudent): boolean {
    const shown = JSON.stringify(student)
    if (this.students.get(student.participantId) === shown) return false
    this.students.set(student.participantId, shown)
    return true
  }

  /** Returns who was there and is no more: deleted, or merged into another. */
  private goneFrom(students: readonly HostStudent[], ids: readonly string[] | null): string[] {
    const there = new Set(students.map(({ participantId }) => participantId))
    const gone = (ids ?? [...this.students.keys()]).filter((id) => this.students.has(id) && !there.has(id))
    for (const id of gone) {
      this.students.delete(id)
      this.answers.delete(id)
    }
    return gone
  }

  private keepAnswers(answers: readonly FirstAnswer[], ids: readonly string[] | null): void {
    if (ids === null) this.answers.clear()
    else for (const id of ids) this.answers.delete(id)
    for (const answer of answers) {
      const known = this.answers.get(answer.personId)
      if (known) known.push(answer)
      else this.answers.set(answer.personId, [answer])
    }
  }

  private newQuestions(): HostQuestion[] {
    const all = [...this.answers.values()].flat()
    return questionsOf(this.asked ?? [], all).filter((question) => {
      const shown = JSON.stringify(question)
      if (this.questions.get(question.entryId) === shown) return false
      this.questions.set(question.entryId, shown)
      return true
    })
  }
}
