import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { SECRET } from './testClass.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

const PASSWORD = 'heather honey twelve'

describe('Older students', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const classOf = async (): Promise<{ teacher: Client; id: string; code: string; ids: string[] }> => {
    const { client: teacher } = await teacherWithList(server.url, WORDS)
    const { body } = await teacher.call('POST', '/classes', { name: 'Evening' })
    const students = ['Noor', 'Pia'].map((name) => ({ id: randomUUID(), name }))
    await teacher.call('POST', `/classes/${body.id}/students`, { students })
    return { teacher, id: body.id, code: body.code, ids: students.map(({ id }) => id) }
  }
  const signedIn = async (code: string, studentId: string): Promise<Client> => {
    const phone = new Client(server.url)
    await phone.call('POST', `/class/${code}/sign-in`, { studentId, secret: SECRET })
    return phone
  }
  const byMail = async (email: string, password = PASSWORD): Promise<[Client, number]> => {
    const laptop = new Client(server.url)
    return [laptop, (await laptop.call('POST', '/student/sign-in', { email, password })).status]
  }

  it('come in by an address and a password of their own, until those are taken away', async () => {
    const { teacher, id, code, ids } = await classOf()
    const phone = await signedIn(code, ids[0]!)
    const email = 'noor@mail.example'
    expect((await phone.call('PUT', '/student/account', { email, password: 'short' })).status).to.equal(400)
    expect((await phone.call('PUT', '/student/account', { email, password: 'password123' })).body.code).to.equal(
      'common-password',
    )
    expect(
      (await phone.call('PUT', '/student/account', { email: 'Noor@Mail.example', password: PASSWORD })).status,
    ).to.equal(204)
    const [laptop, status] = await byMail(email)
    expect(status).to.equal(204)
    expect((await laptop.call('GET', '/student')).body).to.deep.include({ name: 'Noor', email })
    const kept = await rows<{ hash: string }>(
      server,
      'SELECT password_hash AS hash FROM students WHERE email = $email',
      { email },
    )
    expect(kept[0]!.hash).not.to.include(PASSWORD)
    expect((await byMail(email, 'heather honey thirteen'))[1]).to.equal(403)
    expect((await byMail('nobody@mail.example'))[1], 'and no word of whether there is one').to.equal(403)
    const pia = await signedIn(code, ids[1]!)
    const both = await Promise.all(
      [phone, pia].map((one) => one.call('PUT', '/student/account', { email: 'one@mail.example', password: PASSWORD })),
    )
    expect(both.map((reply) => reply.status).sort(), 'of two at one instant, one gets it').to.deep.equal([204, 409])
    await phone.call('PUT', '/student/account', { email, password: PASSWORD })
    expect((await pia.call('PUT', '/student/account', { email, password: PASSWORD })).body.code).to.equal('email-taken')
    expect((await teacher.call('GET', `/classes/${id}/students/${ids[0]}/data`)).body.student.email).to.equal(email)
    // A student is no teacher, and the other way.
    expect((await laptop.call('GET', '/classes')).status).to.equal(401)
    expect((await new Client(server.url).call('POST', '/session', { email, password: PASSWORD })).status).to.equal(401)
    await teacher.call('PATCH', `/classes/${id}/students/${ids[0]}`, { forgetSecret: true })
    expect((await laptop.call('GET', '/student')).status).to.equal(401)
    expect((await byMail(email))[1]).to.equal(403)
  })

  it('are let try so often and no more, and are the one they were put together with', async () => {
    const { teacher, id, code, ids } = await classOf()
    const phone = await signedIn(code, ids[0]!)
    const email = 'two@mail.example'
    await phone.call('PUT', '/student/account', { email, password: PASSWORD })
    await teacher.call('PUT', `/classes/${id}/students/${ids[0]}/merged`, { into: ids[1] })
    const [laptop] = await byMail(email)
    expect((await laptop.call('GET', '/student')).body.name).to.equal('Pia')
    const tries = await Promise.all(Array.from({ length: 30 }, () => byMail(email, 'a wrong password')))
    expect(tries.map(([, status]) => status).filter((status) => status === 429).length).to.be.above(10)
    const taken = await phone.call('DELETE', '/student/account')
    expect(taken.status, 'signed out with the other').to.equal(401)
  })
})
