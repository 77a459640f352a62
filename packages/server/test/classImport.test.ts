import { readOneRoster } from '@otter/core/formats'
import { expect } from 'chai'
import { rows, startTestServer, teacherWithList, WORDS, type Client, type TestServer } from './testServer.ts'

const student = (sourceId: string, name: string): { sourceId: string; name: string } => ({ sourceId, name })
const BIOLOGY = {
  sourceId: 'bio',
  name: 'Biology 7',
  grade: '7',
  year: '2026/27',
  students: [student('s1', 'Ana Ruiz'), student('s2', 'Bo Ny')],
}
const MATHS = { sourceId: 'ma', name: 'Maths 7', students: [student('s2', 'Bo Ny'), student('s3', 'Cy Da')] }

interface Roll {
  id: string
  name: string
}

describe('Classes of a school’s system', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const teacher = async (): Promise<Client> => (await teacherWithList(server.url, WORDS)).client
  const rollOf = async (client: Client, id: string): Promise<Roll[]> =>
    (await client.call('GET', `/classes/${id}`)).body.roll
  const imported = async (client: Client, body: object): Promise<string[]> => {
    const { status, body: reply } = await client.call('POST', '/classes/imported', body)
    expect(status, JSON.stringify(reply)).to.equal(200)
    return reply.classes.map(({ id }: { id: string }) => id)
  }

  it('come in once, though it is sent 5 times at one instant; who is in two of them is one student', async () => {
    const client = await teacher()
    const wanted = { classes: [BIOLOGY, MATHS] }
    const compared = (await client.call('POST', '/classes/compared', wanted)).body.classes
    expect(compared[0]).to.deep.include({ classId: null, nameHere: null, missing: [] })
    expect((await client.call('GET', '/classes')).body, 'a look takes nothing').to.deep.equal([])
    const all = await Promise.all(Array.from({ length: 5 }, () => imported(client, wanted)))
    for (const ids of all) expect([...ids].sort()).to.deep.equal([...all[0]!].sort())
    const { body: classes } = await client.call('GET', '/classes')
    expect(
      classes.map(({ name, grade, year, students }: Record<string, unknown>) => [name, grade, year, students]),
    ).to.deep.equal([
      ['Biology 7', '7', '2026/27', 2],
      ['Maths 7', '', '', 2],
    ])
    const [biology, maths] = await Promise.all(classes.map(({ id }: { id: string }) => rollOf(client, id)))
    expect(biology!.find(({ name }: Roll) => name === 'Bo Ny')!.id).to.equal(
      maths!.find(({ name }: Roll) => name === 'Bo Ny')!.id,
    )
  })

  it('are brought up to date the second time: renamed, added, and nobody taken out who is not named', async () => {
    const client = await teacher()
    const [id] = await imported(client, { classes: [BIOLOGY] })
    const before = await rollOf(client, id!)
    // Brought in by hand, and known by the name when the file comes to have it.
    await client.call('POST', `/classes/${id}/students`, { students: [{ id: crypto.randomUUID(), name: 'Di Eck' }] })
    await client.call('PATCH', `/classes/${id}`, { secret: 'word', language: 'es' })
    const next = {
      classes: [
        {
          ...BIOLOGY,
          name: 'Biology 7b',
          grade: '',
          students: [student('s1', 'Ana Ruiz Gil'), student('s9', 'di eck'), student('s4', 'Eva')],
        },
        MATHS,
      ],
    }
    const { body } = await client.call('POST', '/classes/compared', next)
    expect(body.classes[0]).to.deep.equal({
      sourceId: 'bio',
      classId: id,
      nameHere: 'Biology 7',
      students: [
        { sourceId: 's1', becomes: 'renamed', nameHere: 'Ana Ruiz' },
        { sourceId: 's9', becomes: 'renamed', nameHere: 'Di Eck' },
        { sourceId: 's4', becomes: 'new', nameHere: null },
      ],
      missing: [{ studentId: before.find(({ name }) => name === 'Bo Ny')!.id, name: 'Bo Ny' }],
    })
    expect(body.classes[1].students[0]).to.deep.equal({ sourceId: 's2', becomes: 'joins', nameHere: 'Bo Ny' })
    await imported(client, next)
    const after = (await client.call('GET', `/classes/${id}`)).body
    expect(after).to.deep.include({ name: 'Biology 7b', grade: '7', secret: 'word', language: 'es' })
    expect(after.roll.map(({ name }: Roll) => name)).to.deep.equal(['Ana Ruiz Gil', 'Bo Ny', 'di eck', 'Eva'])
    expect(after.roll[0].id, 'renamed, and no other').to.equal(before[0]!.id)
    const again = (await client.call('POST', '/classes/compared', next)).body.classes[0]
    expect(again.students.map(({ becomes }: { becomes: string }) => becomes)).to.deep.equal(['same', 'same', 'same'])
    await imported(client, { ...next, leave: [{ classId: id, studentId: again.missing[0].studentId }] })
    expect((await rollOf(client, id!)).map(({ name }) => name)).to.deep.equal(['Ana Ruiz Gil', 'di eck', 'Eva'])
    expect(
      await rows(server, `SELECT 1 FROM students WHERE id = '${again.missing[0].studentId}'`),
      'still in Maths',
    ).to.have.length(1)
  })

  it('are nobody else’s, and are taken whole or not at all', async () => {
    const client = await teacher()
    const [id] = await imported(client, { classes: [BIOLOGY] })
    const bo = (await rollOf(client, id!))[1]!.id
    const other = await teacher()
    const [mine] = await imported(other, { classes: [BIOLOGY] })
    expect(mine).not.to.equal(id)
    expect((await rollOf(other, mine!)).map(({ id: one }) => one)).not.to.include(bo)
    const stolen = await other.call('POST', '/classes/imported', {
      classes: [MATHS],
      leave: [{ classId: id, studentId: bo }],
    })
    expect(stolen.status).to.equal(404)
    expect(
      (await other.call('GET', '/classes')).body.map(({ name }: Roll) => name),
      'nothing half taken',
    ).to.deep.equal(['Biology 7'])
    const twice = { ...MATHS, students: [student('s1', 'A'), student('s1', 'B')] }
    for (const classes of [
      [],
      [MATHS, MATHS],
      [twice],
      [{ ...MATHS, students: Array.from({ length: 301 }, (_, n) => student(`n${n}`, 'N')) }],
    ])
      expect((await other.call('POST', '/classes/imported', { classes })).status).to.equal(400)
    // A class that others have filled meanwhile has no room for all.
    const many = Array.from({ length: 299 }, (_, n) => ({ id: crypto.randomUUID(), name: `Hand ${n}` }))
    await other.call('POST', `/classes/${mine}/students`, { students: many.slice(0, 298) })
    const full = await other.call('POST', '/classes/imported', {
      classes: [{ ...BIOLOGY, students: [...BIOLOGY.students, student('s7', 'New')] }, MATHS],
    })
    expect([full.status, full.body.code]).to.deep.equal([403, 'class-full'])
    expect((await other.call('GET', '/classes')).body).to.have.length(1)
  })

  it('go out as an archive that comes in again as it was', async () => {
    const client = await teacher()
    await imported(client, { classes: [BIOLOGY, MATHS] })
    const hand = (await client.call('POST', '/classes', { name: 'By hand' })).body.id
    await client.call('POST', `/classes/${hand}/students`, { students: [{ id: crypto.randomUUID(), name: 'Bo' }] })
    const { bytes } = await client.call('GET', '/classes/one-roster.zip')
    const { classes } = readOneRoster(new Uint8Array(bytes))
    expect(classes.map(({ name, students }) => [name, students.map((one) => one.name)])).to.deep.equal([
      ['Biology 7', ['Ana Ruiz', 'Bo Ny']],
      ['By hand', ['Bo']],
      ['Maths 7', ['Bo Ny', 'Cy Da']],
    ])
    expect(classes[0]!.sourceId).to.equal('bio')
    expect(classes[0]!.teachers).to.have.length(1)
    const other = await teacher()
    await imported(other, { classes: classes.map(({ teachers: _, ...one }) => one) })
    expect((await other.call('GET', '/classes')).body).to.have.length(3)
  })
})
