import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import type { SecretPicture } from '@otter/core'
import { rows, teacherWithList, WORDS, type Client, type Reply, type TestServer } from './testServer.ts'

export const SECRET: { pictures: SecretPicture[] } = { pictures: ['fish', 'boat', 'fish'] }

/** A student as a teacher brings one in. */
export interface Student {
  id: string
  name: string
}

/** A class that a test has made, and its teacher. */
interface TestClass {
  client: Client
  listId: string
  id: string
  code: string
  students: Student[]
}

/** What tests do with classes on a server. */
interface Classes {
  classOf: (names?: readonly string[], more?: object) => Promise<TestClass>
  signIn: (client: Client, code: string, studentId: string, secret?: object) => Promise<Reply>
  setWork: (made: Pick<TestClass, 'client' | 'listId' | 'id'>, more?: object) => Promise<{ id: string; code: string }>
  finish: (studentId: string, right: number) => Promise<void>
}

/** Returns what tests do with classes on a server, which is started later. */
export function classesOn(serverOf: () => TestServer): Classes {
  const classOf = async (names: readonly string[] = ['Bo', 'Ida', 'Mina'], more: object = {}): Promise<TestClass> => {
    const { client, listId } = await teacherWithList(serverOf().url, WORDS)
    const { body } = await client.call('POST', '/classes', { name: 'Beekeepers 5', ...more })
    const students = names.map((name) => ({ id: randomUUID(), name }))
    if (students.length > 0) await client.call('POST', `/classes/${body.id}/students`, { students })
    return { client, listId, id: body.id as string, code: body.code as string, students }
  }
  const signIn = (client: Client, code: string, studentId: string, secret: object = SECRET): Promise<Reply> =>
    client.call('POST', `/class/${code}/sign-in`, { studentId, secret })
  const setWork = async (
    { client, listId, id }: Pick<TestClass, 'client' | 'listId' | 'id'>,
    more: object = {},
  ): Promise<{ id: string; code: string }> => {
    const { status, body } = await client.call('POST', `/lists/${listId}/work`, {
      kind: 'hangman',
      seed: '1',
      classIds: [id],
      requestIds: [randomUUID()],
      ...more,
    })
    expect(status, JSON.stringify(body)).to.equal(201)
    return body[0] as { id: string; code: string }
  }
  /** Ends the attempt of a player as if all words had been given up, so many of them right. */
  const finish = async (studentId: string, right: number): Promise<void> => {
    await rows(
      serverOf(),
      `UPDATE plays y SET ended_at = now(), "right" = ${right} FROM participants p WHERE p.id = y.participant_id
        AND p.student_id = '${studentId}' AND y.ended_at IS NULL`,
    )
  }
  return { classOf, signIn, setWork, finish }
}
