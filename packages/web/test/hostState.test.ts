import type { HostQuestion, HostState, HostStudent } from '@otter/api'
import { expect } from 'chai'
import { changedHost } from '../src/live/hostState.ts'
import { ToldMeanwhile } from '../src/live/toldMeanwhile.ts'

const student = (seat: number, name: string): HostStudent => ({ participantId: `p${seat}`, seat, name }) as HostStudent
const question = (entryId: string, right: number): HostQuestion => ({ entryId, right }) as HostQuestion
const state = {
  facts: { revision: 3 },
  teams: [],
  students: [student(1, 'Ama'), student(2, 'Bo')],
  questions: [question('a', 0), question('b', 1)],
} as unknown as HostState

describe('What a host sees', () => {
  it('takes whole rows in their places, newcomers by their seats, and drops who left', () => {
    const next = changedHost(state, {
      students: [student(3, 'Chi'), student(1, 'Ama B.')],
      left: ['p2'],
      questions: [question('b', 2)],
    })
    expect(next.students.map(({ name }) => name)).to.deep.equal(['Ama B.', 'Chi'])
    expect(next.questions).to.deep.equal([question('a', 0), question('b', 2)])
    expect(state.students, 'what was is left as it was').to.have.length(2)
  })

  it('goes back to no earlier state of the session, in whichever order news come', () => {
    const facts = (revision: number): { facts: HostState['facts'] } => ({ facts: { revision } as HostState['facts'] })
    expect(changedHost(state, facts(2)).facts.revision).to.equal(3)
    expect(changedHost(state, facts(4)).facts.revision).to.equal(4)
  })

  it('keeps what was told while the session was read, whatever the reading still shows', async () => {
    const meanwhile = new ToldMeanwhile(changedHost)
    meanwhile.note({ students: [student(2, 'told before the reading began')] })
    const readings = ['Bo', 'Bo'].map((name) =>
      meanwhile.read(async () => {
        await new Promise((resolve) => setTimeout(resolve, 5))
        return { ...state, students: [student(1, 'Ama'), student(2, name)] }
      }),
    )
    const failed = meanwhile
      .read(() => Promise.reject(new Error('no connection')))
      .catch((error: Error) => error.message)
    meanwhile.note({ students: [student(2, 'Bo, late')] })
    for (const read of await Promise.all(readings))
      expect(read.students.map(({ name }) => name)).to.deep.equal(['Ama', 'Bo, late'])
    expect(await failed).to.equal('no connection')
  })
})
