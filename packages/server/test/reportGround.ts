import { randomUUID } from 'node:crypto'
import type { ReportReply, ReportScope } from '@otter/api'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { inScope, type TeacherScope } from '../src/db/scope.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { Client, puzzleOf, teacherWithList, type Reply, type TestServer } from './testServer.ts'

/** A typed quiz under a link, whose students can be told to answer, and its report. */
export interface Reported {
  teacher: Client
  listId: string
  id: string
  code: string
  entries: string[]
  join: (name: string) => Promise<Client>
  /** Answers questions in their order, from the one that stands; `attempt` counts from 1. */
  answer: (student: Client, texts: readonly string[], attempt?: number) => Promise<void>
  stop: (student: Client, attempt?: number) => Promise<void>
  report: (scope?: ReportScope) => Promise<ReportReply>
}

const THREE = ['colour', 'drone', 'brood']

/** Returns what tests of reports do on a server, which is started later. */
export function reportsOn(serverOf: () => TestServer): {
  shared: (more?: object, words?: readonly string[]) => Promise<Reported>
  scopeOf: <Value>(listId: string, work: (scope: TeacherScope) => Promise<Value>) => Promise<Value>
} {
  const move = (student: Client, code: string, attempt: number, what: object): Promise<Reply> =>
    student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt, move: what })
  const shared = async (more: object = {}, words: readonly string[] = THREE): Promise<Reported> => {
    const { client: teacher, listId } = await teacherWithList(serverOf().url, words)
    const { body, status } = await teacher.call('POST', `/lists/${listId}/links`, {
      kind: 'quiz',
      seed: '1',
      options: { form: 'typed', order: 'list', second: false },
      ...more,
    })
    expect(status, JSON.stringify(body)).to.equal(201)
    const { id, code } = body as { id: string; code: string }
    const puzzle = await puzzleOf<QuizPuzzle>(serverOf(), id)
    return {
      teacher,
      listId,
      id,
      code,
      entries: (puzzle.questions ?? []).map(({ entryId }) => entryId),
      join: async (name) => {
        const student = new Client(serverOf().url)
        expect((await student.call('POST', `/play/${code}/join`, { name })).status).to.equal(201)
        return student
      },
      answer: async (student, texts, attempt = 1) => {
        for (const text of texts) {
          const { status: taken } = await move(student, code, attempt, { type: 'type', text })
          expect(taken).to.equal(200)
          await move(student, code, attempt, { type: 'next' })
        }
      },
      stop: async (student, attempt = 1) => {
        expect((await move(student, code, attempt, { type: 'finish' })).status).to.equal(200)
      },
      report: async (scope = { work: id }) => {
        const reply = await teacher.call('GET', `/reports?${new URLSearchParams(scope as Record<string, string>)}`)
        expect(reply.status, reply.text).to.equal(200)
        return reply.body as ReportReply
      },
    }
  }
  /** Works as the teacher of a list. */
  const scopeOf = async <Value>(listId: string, work: (scope: TeacherScope) => Promise<Value>): Promise<Value> => {
    const { database } = serverOf()
    const { teacherId } = (await database.lists.findByPk(listId, { raw: true }))!
    return inScope({ database, puzzles: new PuzzleCache() }, { teacherId }, work)
  }
  return { shared, scopeOf }
}
