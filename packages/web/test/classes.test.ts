import { expect } from 'chai'
import { sentencesOf, wantedOf, WORK_CHOICE } from '../src/pages/share/workChoice.ts'
import type { OfferReply } from '@otter/api'
import { nowOf } from '../src/pages/lists/nowOf.ts'
import { sortedStudents } from '../src/pages/classes/sortedStudents.ts'

describe('The page of a class', () => {
  const standing = (state: 'not-begun' | 'under-way' | 'done', share: number | null) => ({
    state,
    attempts: 1,
    share,
    passed: null,
    late: false,
  })
  const students = [
    { id: '1', name: 'Mina', lastSeenAt: null, standings: [standing('done', 0.4)] },
    { id: '2', name: 'Émile', lastSeenAt: null, standings: [null] },
    { id: '3', name: 'bo', lastSeenAt: null, standings: [standing('not-begun', null)] },
    { id: '4', name: 'Zoe', lastSeenAt: null, standings: [standing('under-way', null)] },
    { id: '5', name: 'Ada', lastSeenAt: null, standings: [standing('done', 0.4)] },
  ]
  const names = (by: 'name' | number, isDown = false): string[] =>
    sortedStudents(students, { by, isDown }).map(({ name }) => name)

  it('sorts by name as the language does, and by how they stand; equal ones stand by name', () => {
    expect(names('name')).to.deep.equal(['Ada', 'bo', 'Émile', 'Mina', 'Zoe'])
    expect(names('name', true)).to.deep.equal(['Zoe', 'Mina', 'Émile', 'bo', 'Ada'])
    expect(names(0)).to.deep.equal(['Émile', 'bo', 'Zoe', 'Ada', 'Mina'])
    expect(names(0, true)).to.deep.equal(['Ada', 'Mina', 'Zoe', 'bo', 'Émile'])
    expect(students[0]!.name, 'the list itself stays').to.equal('Mina')
  })
})

describe('Setting work', () => {
  const codes = (work: object, times: object = {}): string[] =>
    sentencesOf({ ...WORK_CHOICE, ...times, work: { ...WORK_CHOICE.work, ...work } }).map(({ code }) => code)

  it('says in sentences what will happen, and that guests are counted by device alone', () => {
    expect(codes({})).to.deep.equal(['who.names', 'attempts.any', 'counted.best', 'unfinished'])
    expect(codes({ who: 'signed-in', attempts: 1, pass: 60 })).to.deep.equal([
      'who.signed-in',
      'attempts.some',
      'unfinished',
      'pass',
    ])
    expect(codes({ who: 'anyone', attempts: 3, counted: 'mean' })).to.include.members([
      'attempts.device',
      'counted.mean',
    ])
    expect(codes({ students: ['1', '2'] })[0], 'for whom comes first').to.equal('some')
    expect(codes({ shown: 'after-due' }, { dueAt: '2026-01-01T08:00' })).to.include.members(['late', 'shown.after-due'])
    expect(codes({}, { dueAt: '2026-01-01T08:00', closesAt: '2026-01-01T08:00' })).not.to.include('late')
  })

  it('sends moments of the teacher’s time zone, and none where none was chosen', () => {
    const choice = { ...WORK_CHOICE, dueAt: '2026-07-01T08:00' }
    expect(wantedOf(choice, 'Europe/Berlin')).to.deep.include({
      opensAt: null,
      dueAt: '2026-07-01T06:00:00.000Z',
      closesAt: null,
    })
    expect(wantedOf(choice, 'Asia/Tokyo').dueAt).to.equal('2026-06-30T23:00:00.000Z')
  })
})

describe('What is shown as now', () => {
  it('is what runs, then what is due, the soonest first; nothing that is over, closed or past', () => {
    const offer = (id: string, more: Partial<OfferReply>): OfferReply =>
      ({ id, archived: false, open: true, live: null, classId: 'class', dueAt: null, ...more }) as OfferReply
    const at = (hour: number): string => new Date(hour * 3600_000).toISOString()
    const shown = nowOf(
      [
        offer('late', { dueAt: at(1) }),
        offer('later', { dueAt: at(9) }),
        offer('soon', { dueAt: at(3) }),
        offer('closed', { dueAt: at(3), open: false }),
        offer('timeless', {}),
        offer('link', { dueAt: at(4), classId: null }),
        offer('over', { live: 'over' }),
        offer('lobby', { live: 'lobby' }),
      ],
      2 * 3600_000,
    )
    expect(shown.map(({ id }) => id)).to.deep.equal(['lobby', 'soon', 'later'])
    const many = Array.from({ length: 20 }, (_, index) => offer(`${index}`, { dueAt: at(5 + index) }))
    expect(nowOf(many, 0)).to.have.length(6)
  })
})
