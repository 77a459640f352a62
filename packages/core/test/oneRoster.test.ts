import { expect } from 'chai'
import fc from 'fast-check'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { runs } from '../../../scripts/testing/lane.mjs'
import { readOneRoster, RosterRefusal, writeOneRoster, type WrittenClass } from '../src/formats/index.ts'
import { yardsticks } from './yardsticks.ts'

const NOW = new Date('2026-11-28T09:00:00Z')

/** Columns as the standard's tables list them (OneRoster 1.2, CSV binding), written down apart from the writer. */
const STANDARD: Record<string, string> = {
  'manifest.csv': 'propertyName,value',
  'academicSessions.csv': 'sourcedId,status,dateLastModified,title,type,startDate,endDate,parentSourcedId,schoolYear',
  'classes.csv':
    'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,' +
    'termSourcedIds,subjects,subjectCodes,periods',
  'courses.csv':
    'sourcedId,status,dateLastModified,schoolYearSourcedId,title,courseCode,grades,orgSourcedId,subjects,subjectCodes',
  'enrollments.csv':
    'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate',
  'orgs.csv': 'sourcedId,status,dateLastModified,name,type,identifier,parentSourcedId',
  'roles.csv':
    'sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId,userProfileSourcedId',
  'users.csv':
    'sourcedId,status,dateLastModified,enabledUser,username,userIds,givenName,familyName,middleName,identifier,email,' +
    'sms,phone,agentSourcedIds,grades,password,userMasterIdentifier,resourceSourcedIds,preferredGivenName,' +
    'preferredMiddleName,preferredFamilyName,primaryOrgSourcedId,pronouns',
}

/** Reads CSV (RFC 4180) one character after the other: a reader of its own. */
function cells(text: string): string[][] {
  const rows: string[][] = [['']]
  let isQuoted = false
  for (let at = 0; at < text.length; at++) {
    const row = rows.at(-1)!
    const sign = text[at]!
    if (sign === '"' && isQuoted && text[at + 1] === '"') row.push(`${row.pop()}${text[at++]}`)
    else if (sign === '"') isQuoted = !isQuoted
    else if (sign === ',' && !isQuoted) row.push('')
    else if (sign === '\r' && !isQuoted) continue
    else if (sign === '\n' && !isQuoted) rows.push([''])
    else row.push(`${row.pop()}${sign}`)
  }
  return rows.filter((row) => row.length > 1 || row[0] !== '')
}

function tableOf(bytes: Uint8Array, file: string): Record<string, string>[] {
  const [heading = [], ...rows] = cells(strFromU8(unzipSync(bytes)[file]!))
  return rows.map((row) => Object.fromEntries(heading.map((name, index) => [name, row[index] ?? ''])))
}

const idOf = (prefix: string) => fc.integer({ min: 0, max: 60 }).map((number) => `${prefix}-${number}`)
const nameText = fc
  .array(fc.constantFrom('Ana', 'Bo', 'de', 'O’Neil', 'Ünal', '"Zed"', 'a,b', '李', 'שרה', '=1+1'), {
    minLength: 1,
    maxLength: 4,
  })
  .map((words) => words.join(' '))
/** Classes in which one id is one person everywhere. */
const someClasses = fc
  .uniqueArray(
    fc.record({
      sourceId: idOf('class'),
      name: nameText,
      year: fc.constantFrom('2026/27', '2025/26'),
      students: fc.uniqueArray(idOf('student'), { maxLength: 8 }),
    }),
    { maxLength: 6, selector: ({ sourceId }) => sourceId },
  )
  .chain((classes) =>
    fc.func(nameText).map((nameOf) =>
      classes.map(({ students, ...one }): WrittenClass => ({
        ...one,
        grade: '7',
        code: 'ABCDEFG',
        students: students.map((sourceId) => ({ sourceId, name: nameOf(sourceId) })),
        teachers: [{ sourceId: 't1', name: 'Otti Otter', email: 'otti@school.example', isOwner: true }],
      })),
    ),
  )

describe('A OneRoster archive', () => {
  it('is read as it was written, whatever stands in the names', () => {
    fc.assert(
      fc.property(someClasses, (classes) => {
        const { classes: read, left, schools } = readOneRoster(writeOneRoster('Otter School', classes, NOW))
        const plain = (one: Pick<WrittenClass, 'sourceId' | 'name' | 'year' | 'students'>): object => ({
          sourceId: one.sourceId,
          name: one.name,
          year: one.year,
          students: one.students.map(({ sourceId, name }) => `${sourceId} ${name}`).sort(),
        })
        const byId = (one: { sourceId: string }, other: { sourceId: string }): number =>
          one.sourceId < other.sourceId ? -1 : 1
        expect([...read].sort(byId).map(plain)).to.deep.equal([...classes].sort(byId).map(plain))
        expect(left).to.deep.equal({ unknown: 0, disabled: 0 })
        expect(schools).to.deep.equal(['Otter School'])
      }),
      { numRuns: runs(60) },
    )
  })

  it('has the columns of the standard, and refers only to what is in it', () => {
    fc.assert(
      fc.property(someClasses, (classes) => {
        const bytes = writeOneRoster('Otter School', classes, NOW)
        const files = unzipSync(bytes)
        expect(Object.keys(files).sort()).to.deep.equal(Object.keys(STANDARD).sort())
        for (const [file, columns] of Object.entries(STANDARD))
          expect(strFromU8(files[file]!).split(/\r?\n/u)[0], file).to.equal(columns)
        const said = new Map(tableOf(bytes, 'manifest.csv').map(({ propertyName, value }) => [propertyName, value]))
        expect(said.get('oneroster.version')).to.equal('1.2')
        expect([...said.keys()].filter((key) => key!.startsWith('file.'))).to.have.length(21)
        for (const [key, value] of said)
          if (key!.startsWith('file.')) expect(value, key).to.equal(`${key!.slice(5)}.csv` in files ? 'bulk' : 'absent')
        const ids = (file: string): Set<string> => {
          const all = tableOf(bytes, file).map(({ sourcedId }) => sourcedId!)
          expect(new Set(all).size, `${file}: ids are unique`).to.equal(all.length)
          return new Set(all)
        }
        const [sessions, orgs, courses, classIds, users] = [
          'academicSessions',
          'orgs',
          'courses',
          'classes',
          'users',
        ].map((name) => ids(`${name}.csv`))
        ids('roles.csv')
        ids('enrollments.csv')
        const refers = (file: string, column: string, to: Set<string> | undefined): void => {
          for (const row of tableOf(bytes, file)) expect(to, `${file} ${column}`).to.include(row[column])
        }
        refers('classes.csv', 'courseSourcedId', courses)
        refers('classes.csv', 'schoolSourcedId', orgs)
        refers('classes.csv', 'termSourcedIds', sessions)
        refers('courses.csv', 'orgSourcedId', orgs)
        refers('courses.csv', 'schoolYearSourcedId', sessions)
        refers('enrollments.csv', 'classSourcedId', classIds)
        refers('enrollments.csv', 'schoolSourcedId', orgs)
        refers('enrollments.csv', 'userSourcedId', users)
        refers('roles.csv', 'userSourcedId', users)
        refers('users.csv', 'primaryOrgSourcedId', orgs)
        for (const { enabledUser, givenName, familyName } of tableOf(bytes, 'users.csv'))
          expect([enabledUser, givenName !== '', familyName !== '']).to.deep.equal(['true', true, true])
        for (const { type, startDate, endDate } of tableOf(bytes, 'academicSessions.csv'))
          expect([type, startDate! < endDate!]).to.deep.equal(['schoolYear', true])
      }),
      { numRuns: 30 },
    )
  })

  const FILES = {
    'users.csv':
      'sourcedId,status,enabledUser,givenName,familyName,preferredGivenName\nu1,,true,Ana,Ruiz,\nu2,,true,Robert,Bo,Bo\nu3,,false,Cy,Off,\nu4,tobedeleted,true,Di,Gone,\nt1,,true,Otti,Otter,\n',
    'classes.csv': 'sourcedId,status,title,grades,termSourcedIds\nc1,active,Biology 7,"07,08",y\n',
    'enrollments.csv':
      'sourcedId,classSourcedId,userSourcedId,role\n1,c1,u1,student\n2,c1,u2,student\n3,c1,u3,student\n4,c1,u4,student\n5,c1,t1,teacher\n6,c9,u1,student\n7,c1,u1,student\n',
    'orgs.csv': 'sourcedId,name,type\no,Otter School,school\nd,District,district\n',
    'academicSessions.csv': 'sourcedId,title,schoolYear\ny,Year,2027\n',
  }
  const zipped = (files: Record<string, string | Uint8Array | [Uint8Array, { level: 1 }]>): Uint8Array =>
    zipSync(
      Object.fromEntries(
        Object.entries(files).map(([name, text]) => [name, typeof text === 'string' ? strToU8(text) : text]),
      ),
    )

  it('is read in a folder and with other capitals; accounts that are off, deleted or unknown are left out and told', () => {
    const moved = Object.fromEntries(
      Object.entries(FILES).map(([name, text]) => [`export/${name.toUpperCase()}`, text]),
    )
    const { classes, left, schools } = readOneRoster(zipped(moved))
    expect(classes).to.deep.equal([
      {
        sourceId: 'c1',
        name: 'Biology 7',
        grade: '07, 08',
        year: '2026/27',
        teachers: ['Otti Otter'],
        students: [
          { sourceId: 'u1', name: 'Ana Ruiz' },
          { sourceId: 'u2', name: 'Bo Bo' },
        ],
      },
    ])
    expect(left).to.deep.equal({ unknown: 2, disabled: 1 })
    expect(schools).to.deep.equal(['Otter School'])
  })

  it('is read in the encodings that programs write', () => {
    const text = 'sourcedId,givenName,familyName\r\nu1,Zoë,Müller\r\nu2,Bo,Ny\r\n'
    const latin = Uint8Array.from(text, (sign) => sign.charCodeAt(0))
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...[...text].flatMap((sign) => [sign.charCodeAt(0) & 255, sign.charCodeAt(0) >> 8]),
    ])
    for (const bytes of [latin, wide, strToU8(`\ufeff${text}`)]) {
      const { classes } = readOneRoster(zipped({ ...FILES, 'users.csv': bytes }))
      expect(classes[0]!.students.map(({ name }) => name)).to.deep.equal(['Bo Ny', 'Zoë Müller'])
    }
  })

  const refused: [string, () => Uint8Array, Partial<RosterRefusal>][] = [
    ['that is none', () => strToU8('sourcedId,name'), { code: 'not-this-kind' }],
    ['that is cut off', () => zipped(FILES).slice(0, 300), { code: 'broken' }],
    ...(Object.keys(FILES) as (keyof typeof FILES)[]).map(
      (file): [string, () => Uint8Array, Partial<RosterRefusal>] => [
        `without ${file}`,
        () => zipped(Object.fromEntries(Object.entries(FILES).filter(([name]) => name !== file))),
        { code: 'missing-file', file },
      ],
    ),
    [
      'with two of one id',
      () => zipped({ ...FILES, 'users.csv': `${FILES['users.csv']}u1,,true,An,Other,\n` }),
      { code: 'repeated-id', file: 'users.csv', what: 'u1' },
    ],
    [
      'without a column',
      () => zipped({ ...FILES, 'users.csv': 'sourcedId,name\nu1,Ana\n' }),
      { code: 'missing-column', file: 'users.csv', what: 'givenName' },
    ],
    ['that leads outside', () => zipped({ ...FILES, '../users.csv': '' }), { code: 'bad-path' }],
    [
      'that unpacks to a flood',
      () => zipped({ ...FILES, 'extra.csv': [new Uint8Array(201_000_000), { level: 1 }] }),
      { code: 'unpacks-too-big' },
    ],
  ]
  for (const [what, make, why] of refused)
    it(`is refused as a whole ${what}`, () => {
      expect(() => readOneRoster(make()))
        .to.throw(RosterRefusal)
        .that.includes(why)
    }).timeout(20_000)

  it('of 10,000 students is read in a moment', () => {
    const people = Array.from({ length: 10_000 }, (_, number) => ({
      sourceId: `s${number}`,
      name: `Given${number} Family`,
    }))
    const classes = Array.from({ length: 400 }, (_, number): WrittenClass => ({
      sourceId: `c${number}`,
      name: `Class ${number}`,
      grade: '7',
      year: '2026/27',
      code: 'A',
      students: people.slice(number * 25, number * 25 + 25),
      teachers: [],
    }))
    const bytes = writeOneRoster('School', classes, NOW)
    const spent = yardsticks()
    expect(readOneRoster(bytes).classes.flatMap(({ students }) => students)).to.have.length(10_000)
    expect(spent()).to.be.below(150)
  })
})
