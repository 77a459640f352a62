import { randomUUID } from 'node:crypto'
import { ROUTES } from '@otter/api/description'
import { PlayRules, WorkRules } from '@otter/core'
import { expect } from 'chai'
import { Client, fileOf, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

/** Ids of what one teacher has, by the names that paths give them. */
type World = Record<'list' | 'print' | 'link' | 'live' | 'wall' | 'roster' | 'class' | 'job', string> & {
  entryId: string
  participantId: string
  offerId: string
  playId: string
  studentId: string
  teacherId: string
  code: string
  classCode: string
}

/** A route's row: what is sent, and what a colleague who shares the class gets, where that is not what a stranger gets. */
interface Row {
  body?: unknown
  /** What stands behind the path. */
  query?: string
  colleague?: number
}

const NEW_GAME = { kind: 'hangman', seed: '1' }
const SECRET = { pictures: ['fish', 'key', 'moon'] }
const IMPORTED = { classes: [{ sourceId: 'c1', name: 'Mine', students: [{ sourceId: 's1', name: 'Cy' }] }] }
const SETTING = {
  note: '',
  play: PlayRules.parse({}),
  work: WorkRules.parse({}),
  opensAt: null,
  dueAt: null,
  closesAt: null,
}
const WRONG = { password: 'not the password' }
const TEAM = { name: 'A', emblem: 'heron', members: [] }

/** Every route of the API. One that is not here fails the test. */
const ROWS: Record<string, Row> = {
  'get /session': {},
  'post /session': { body: { email: 'x@school.example', ...WRONG } },
  'post /session/sample': {},
  'patch /session': { body: { name: 'Other' } },
  'delete /session': {},
  'post /teachers': { body: {} },
  'put /account/email': { body: { email: 'new@school.example', ...WRONG } },
  'put /account/password': { body: { ...WRONG, newPassword: 'a very long new one' } },
  'delete /account/sessions': {},
  'get /account/keeping': {},
  'get /account/archive': {},
  'delete /account': { body: WRONG },
  'post /password-resets': { body: {} },
  'put /password-resets': { body: {} },
  'get /operator/mails': {},
  'get /lists': {},
  'post /lists': { body: {} },
  'get /samples': {},
  'post /samples/:place/copy': {},
  'get /lists/:id': {},
  'patch /lists/:id': { body: { version: 1, title: 'mine' } },
  'get /lists/:id/version': {},
  'post /lists/:id/duplicate': {},
  'get /lists/:id/giving': {},
  'put /lists/:id/giving': { body: { withWork: true } },
  'delete /lists/:id/giving': {},
  'get /copies/:copy': {},
  'post /copies/:copy': { body: { id: randomUUID() } },
  'put /lists/:id/archived': { body: { archived: true } },
  'delete /lists/:id': {},
  'get /lists/:id/links': {},
  'post /lists/:id/links': { body: NEW_GAME },
  'post /lists/:id/sheets': { body: NEW_GAME },
  'post /lists/:id/prints': { body: NEW_GAME },
  'get /lists/:id/prints': { query: '?kind=hangman' },
  'get /prints/:id': {},
  'post /prints/:id/sheets': { body: {} },
  'get /links': {},
  'patch /links/:id': { body: { open: false } },
  'delete /links/:id': {},
  'post /links/:id/renew': {},
  'get /links/:id/lead': {},
  'get /links/:id/here': {},
  'put /links/:id/calls': { body: { calls: 1 } },
  'get /links/:id/results': {},
  'get /links/:id/results.csv': {},
  'get /reports': { query: '?work=:link' },
  'get /reports/students/:personId': { query: '?work=:link' },
  'get /reports/entries/:entryId': { query: '?work=:link' },
  'get /reports/refused': { query: '?class=:class', colleague: 200 },
  'get /reports/file': { query: '?list=:list&what=workbook' },
  'post /reports/accept': { body: { scope: { work: ':link' }, entryId: ':entryId', written: ['mine'] } },
  'post /reports/pass': { query: '?list=:list' },
  'post /reports/reteach': { body: { scope: { list: ':list' }, id: randomUUID(), title: 'Again' } },
  'get /standards': {},
  'put /standards': { body: { standards: [{ code: 'A.1', label: 'Mine' }] } },
  'get /links/:id/work': {},
  'put /links/:id/work': { body: SETTING },
  'get /links/:id/questions/:entryId': {},
  'put /links/:id/questions/:entryId/correction': { body: { takenOut: true } },
  'patch /links/:id/participants/:participantId': { body: { name: 'mine' } },
  'put /links/:id/participants/:participantId/student': { body: { studentId: randomUUID() } },
  'put /links/:id/participants/:participantId/return': { body: { same: true } },
  'put /links/:id/participants/:participantId/merged': { body: { into: null } },
  'get /links/:id/participants/:participantId/late': {},
  'post /links/:id/participants/:participantId/late': {},
  'delete /links/:id/participants/:participantId': {},
  'post /links/:id/plays/:playId/time-back': {},
  'post /links/:id/plays/:playId/give-back': {},
  'post /lists/:id/live': { body: { kind: 'quiz', seed: '1' } },
  'get /live/:id': {},
  'get /live/:id/wall': {},
  'post /live/:id/passes/:screen': {},
  'post /live/:id/commands': { body: { command: { type: 'start' }, revision: 0 } },
  'post /live/:id/again': { body: { title: 'Again', requestId: randomUUID() } },
  'put /live/:id/participants/:participantId/name': { body: { allowed: true } },
  'get /live/:id/participants/:participantId/answers': {},
  'get /lists/:id/proved': {},
  'post /lists/:id/wall': { body: { kind: 'worddraw', seed: '1', teams: [TEAM] } },
  'get /wall/:id': {},
  'post /wall/:id/acts': { body: { id: randomUUID(), after: 0, act: { type: 'undo' } } },
  'patch /wall/:id': { body: { counts: false } },
  'post /wall/:id/pass': {},
  'post /wall/:id/remotes': {},
  'delete /wall/:id/remotes': {},
  'post /remote': { body: { code: 'AAAAAAAA' } },
  'get /remote': {},
  'post /remote/acts': { body: { id: randomUUID(), after: 0, act: { type: 'undo' } } },
  'post /remote/pass': {},
  'get /rosters': {},
  'post /rosters': { body: { name: 'mine', students: [] } },
  'put /rosters/:id': { body: { name: 'mine', students: [], version: 0 } },
  'delete /rosters/:id': {},
  'post /rosters/:id/draws': { body: { requestId: randomUUID() } },
  'delete /rosters/:id/draws/last': {},
  'get /rosters/:id/knowledge': {},
  'get /classes': {},
  'post /classes': { body: { name: 'mine' } },
  'post /classes/compared': { body: IMPORTED },
  'post /classes/imported': { body: IMPORTED },
  'get /classes/one-roster.zip': {},
  'get /classes/:id': { colleague: 200 },
  'patch /classes/:id': { body: { grade: '6' }, colleague: 200 },
  'get /classes/:id/overview': { colleague: 200 },
  'post /classes/:id/students': { body: { students: [{ id: randomUUID(), name: 'New' }] }, colleague: 201 },
  'patch /classes/:id/students/:studentId': { body: { name: 'Bo B' }, colleague: 200 },
  'post /classes/:id/students/:studentId/move': { body: { classId: randomUUID() } },
  'post /classes/:id/teachers': { body: { email: 'nobody@school.example' } },
  'put /classes/:id/students/:studentId/merged': { body: { into: null }, colleague: 200 },
  'post /classes/:id/students/:studentId/link': { colleague: 201 },
  'put /classes/:id/students/:studentId/linked': { body: { code: 'BBBBBBBBBB' } },
  'get /classes/:id/students/:studentId/work/:offerId': {},
  'get /classes/:id/students/:studentId/knowledge': { colleague: 200 },
  'post /classes/:id/students/:studentId/practice': {
    body: { requestId: randomUUID(), listId: ':list' },
    colleague: 409,
  },
  'get /classes/:id/students/:studentId/data': { colleague: 200 },
  'get /classes/:id/students/:studentId/data.csv': { colleague: 200 },
  'delete /classes/:id/teachers/:teacherId': { colleague: 403 },
  'delete /classes/:id/students/:studentId': { colleague: 204 },
  'delete /classes/:id': { colleague: 403 },
  'post /lists/:id/work': { body: { ...NEW_GAME, classIds: [randomUUID()], requestIds: [randomUUID()] } },
  'get /class/:code': {},
  'post /class/:code/sign-in': { body: { studentId: randomUUID(), secret: SECRET } },
  'post /class/:code/ask': { body: { name: 'New', secret: SECRET } },
  'get /student': {},
  'post /student/sign-in': { body: { email: 'x@school.example', ...WRONG } },
  'put /student/account': { body: { email: 'y@school.example', password: 'heather honey 12' } },
  'delete /student/account': {},
  'post /student/practice': { body: { listId: randomUUID() } },
  'delete /student': {},
  'get /jobs/:id': {},
  'get /jobs/:id/file': {},
  'delete /jobs/:id': {},
  'post /media/pictures': { body: {} },
  'post /media/sounds': { body: {} },
  'post /media/gallery': { body: { set: 'flat', name: 'otter' } },
  'get /media': {},
  'post /media/free': {},
  'get /media/:id': {},
  'get /gallery/:set/:file': {},
  'get /gallery': { query: '?word=otter' },
  'post /gallery/suggestions': { body: { language: 'en', words: ['otter'] } },
  'get /play/:code': {},
  'post /play/:code/join': { body: { name: 'Guest' } },
  'post /play/:code/moves': { body: { attempt: 1, after: 0, move: {} } },
  'post /play/:code/again': {},
  'patch /play/:code/me': { body: {} },
  'post /play/:code/pass': {},
  'post /play/:code/here': { body: {} },
  'get /play/:code/board': {},
  'put /play/:code/board': { body: { name: 'Otter' } },
  'post /play/:code/leave': {},
  'post /dictionary/kinds': { body: { words: ['otter'] } },
  'post /dictionary/things': { body: { names: ['otter'], beside: false } },
  'get /dictionary/words/:name': {},
  'get /dictionary/:language': {},
}

describe('Who may ask for what', () => {
  let server: TestServer
  let world: World
  let owner: Client
  let colleague: Client
  let stranger: Client
  let classmate: Client
  let outsider: Client
  let guest: Client
  before(async () => {
    server = await startTestServer({ quiet: true })
    const made = await teacherWithList(server.url, WORDS)
    owner = made.client
    stranger = (await teacherWithList(server.url, WORDS)).client
    colleague = (await teacherWithList(server.url, WORDS)).client
    const id = async (path: string, body: object): Promise<string> => {
      const reply = await owner.call('POST', path, body)
      expect(reply.status, `${path} ${reply.text}`).to.be.below(300)
      return reply.body.id as string
    }
    const list = `/lists/${made.listId}`
    const link = await id(`${list}/links`, NEW_GAME)
    const { body: offers } = await owner.call('GET', `${list}/links`)
    const { code } = offers[0] as { code: string }
    guest = new Client(server.url)
    await guest.call('POST', `/play/${code}/join`, { name: 'Guest' })
    const { body: results } = await owner.call('GET', `/links/${link}/results`)
    const { body: klass } = await owner.call('POST', '/classes', { name: 'Class' })
    const studentId = randomUUID()
    await owner.call('POST', `/classes/${klass.id}/students`, { students: [{ id: studentId, name: 'Bo' }] })
    const { body: session } = await colleague.call('GET', '/session')
    await owner.call('POST', `/classes/${klass.id}/teachers`, { email: session.teacher.email })
    classmate = new Client(server.url)
    await classmate.call('POST', `/class/${klass.code}/sign-in`, { studentId, secret: SECRET })
    const { body: foreign } = await stranger.call('POST', '/classes', { name: 'Other' })
    const foreigner = randomUUID()
    await stranger.call('POST', `/classes/${foreign.id}/students`, { students: [{ id: foreigner, name: 'Eva' }] })
    outsider = new Client(server.url)
    await outsider.call('POST', `/class/${foreign.code}/sign-in`, { studentId: foreigner, secret: SECRET })
    const queued = await owner.call('POST', `${list}/sheets`, NEW_GAME)
    await fileOf(owner, queued)
    const { body: prints } = await owner.call('GET', `${list}/prints?kind=hangman`)
    const { body: me } = await owner.call('GET', `/classes/${klass.id}`)
    const { body: work } = await owner.call('POST', `${list}/work`, {
      ...NEW_GAME,
      classIds: [klass.id],
      requestIds: [randomUUID()],
    })
    world = {
      list: made.listId,
      print: prints.prints[0].id,
      link,
      live: await id(`${list}/live`, { kind: 'quiz', seed: '1' }),
      wall: await id(`${list}/wall`, { kind: 'worddraw', seed: '1', teams: [TEAM] }),
      roster: await id('/rosters', { name: 'Names', students: [] }),
      class: klass.id,
      job: queued.body.id,
      entryId: results.questions[0].entryId,
      participantId: results.participants[0].participantId,
      offerId: work[0].id,
      playId: results.participants[0].lastPlayId,
      studentId,
      teacherId: me.teachers[0].id,
      code,
      classCode: klass.code,
    }
  })
  after(() => server.close())

  const keyOf = ({ method, path }: { method: string; path: string }): string => `${method} ${path}`
  const KINDS: Record<string, keyof World> = {
    lists: 'list',
    prints: 'print',
    links: 'link',
    live: 'live',
    wall: 'wall',
    rosters: 'roster',
    classes: 'class',
    jobs: 'job',
  }
  /** Returns a route's address among what the owner has. */
  const addressOf = (route: { method: string; path: string }): string => {
    const [, kind = ''] = route.path.split('/')
    const { query = '' } = ROWS[keyOf(route)]!
    return (
      route.path.replace(/:(\w+)/gu, (_, name: string) => {
        if (name === 'id') return KINDS[kind] === undefined ? randomUUID() : world[KINDS[kind]]
        if (name === 'code') return kind === 'class' ? world.classCode : world.code
        if (name in world) return world[name as keyof World]
        return {
          place: '0',
          screen: 'wall',
          set: 'flat',
          file: 'otter.svg',
          language: 'en',
          name: 'en.words',
          copy: 'BBBBBBBBBBBBBBBB',
          personId: world.participantId,
        }[name]!
      }) + named(query)
    )
  }
  /** Fills in the owner's ids by their names, such as `:link`, where they stand behind the path or in what is sent. */
  const named = (text: string): string =>
    text.replace(/:([a-z]+)\b/giu, (whole, name: string) => (name in world ? world[name as keyof World] : whole))
  const ask = (client: Client, route: { method: string; path: string }) => {
    const { body } = ROWS[keyOf(route)]!
    const sent: unknown = body === undefined ? undefined : JSON.parse(named(JSON.stringify(body)))
    return client.call(route.method.toUpperCase(), addressOf(route), sent)
  }
  /** Whether a route is asked for something that somebody has. */
  const isOfSomebody = (route: { method: string; path: string }): boolean =>
    route.path.includes('/:') || named(JSON.stringify(ROWS[keyOf(route)])) !== JSON.stringify(ROWS[keyOf(route)])

  it('is said of every route, and of no other', () => {
    expect(Object.keys(ROWS).sort()).to.deep.equal(ROUTES.map(keyOf).sort())
  })

  it('is a teacher’s alone where it is: nobody, no student and no guest gets in, whatever is sent', async () => {
    const routes = ROUTES.filter(({ asker }) => asker === 'teacher')
    expect(routes.length).to.be.above(70)
    for (const route of routes)
      for (const [name, client] of Object.entries({ nobody: new Client(server.url), classmate, outsider, guest })) {
        expect((await ask(client, route)).status, `${name}: ${keyOf(route)}`).to.equal(401)
        const empty = await client.call(route.method.toUpperCase(), addressOf(route))
        expect(empty.status, `${name}: ${keyOf(route)} without a word`).to.equal(401)
      }
  })

  it('is the owner’s alone among teachers, but for what a class is shared for', async () => {
    for (const route of ROUTES.filter((route) => route.asker === 'teacher' && isOfSomebody(route))) {
      if (route.path.startsWith('/samples')) continue
      const { colleague: shared = 404 } = ROWS[keyOf(route)]!
      expect((await ask(stranger, route)).status, `stranger: ${keyOf(route)}`).to.equal(404)
      expect((await ask(colleague, route)).status, `colleague: ${keyOf(route)}`).to.equal(shared)
    }
    expect((await owner.call('GET', `/classes/${world.class}`)).status, 'the class is still there').to.equal(200)
    expect((await owner.call('GET', `/lists/${world.list}`)).body.title).to.equal('Words')
  })

  it('tells each teacher of their own things alone', async () => {
    const ids = Object.entries(world).filter(([name]) => !['code', 'classCode'].includes(name))
    for (const path of ['/lists', '/links', '/rosters', '/media', '/classes', '/session']) {
      const { text, status } = await stranger.call('GET', path)
      expect(status, path).to.equal(200)
      for (const [name, id] of ids) expect(text, `${path} tells a ${name}`).not.to.include(id)
    }
    expect((await colleague.call('GET', '/classes')).text, 'a shared class').to.include(world.class)
  })

  it('keeps the sessions of teachers, students and players apart', async () => {
    for (const [name, client] of Object.entries({ owner, stranger, guest, nobody: new Client(server.url) }))
      expect((await client.call('GET', '/student')).status, name).to.equal(401)
    const player = ROUTES.filter(({ asker }) => asker === 'student')
    for (const route of player)
      for (const [name, client] of Object.entries({ owner, outsider, nobody: new Client(server.url) }))
        expect((await ask(client, route)).status, `${name}: ${keyOf(route)}`).to.equal(401)
    for (const route of ROUTES.filter(({ asker }) => asker === 'remote' || asker === 'operator'))
      for (const [name, client] of Object.entries({ owner, outsider, guest, nobody: new Client(server.url) }))
        expect((await ask(client, route)).status, `${name}: ${keyOf(route)}`).to.be.within(401, 404)
  })
}).timeout(120_000)
