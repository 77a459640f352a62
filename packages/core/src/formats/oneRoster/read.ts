import Papa from 'papaparse'
import { cleanText } from '../../text/cleanText.ts'
import { decodeText, guessEncoding } from '../delimited/decodeText.ts'
import { FileRefusal, type RefusalCode } from '../refusal.ts'
import { unzipWithin } from '../zip.ts'
import { NO_FAMILY_NAME } from './columns.ts'
import { namedYear } from './schoolYear.ts'

const LIMITS = { packed: 40_000_000, unpacked: 200_000_000, files: 200 }
/** Most rows of one file. */
const MOST_ROWS = 200_000
/** Longest name of a class or a student, in characters. */
const LONGEST = 40

/** A student as a school's system names one. */
interface RosterStudent {
  sourceId: string
  name: string
}

/** A class as a school's system names it, with its students by name. */
export interface RosterClass {
  sourceId: string
  name: string
  grade: string
  year: string
  /** Names of its teachers, by which a teacher finds her own. */
  teachers: string[]
  students: RosterStudent[]
}

/** What was read of a file of OneRoster, and how many of its rows say nothing that can be taken. */
export interface ReadRoster {
  schools: string[]
  classes: RosterClass[]
  /** Enrollments of a class or a person that no file names, and those of persons whose account is off. */
  left: { unknown: number; disabled: number }
}

/** Why a roster can't be read, in which of its files, and what it is about there. */
export class RosterRefusal extends Error {
  readonly code: RefusalCode | 'missing-file' | 'missing-column' | 'repeated-id' | 'too-many-rows'
  readonly file: string
  readonly what: string

  constructor(code: RosterRefusal['code'], file = '', what = '') {
    super(`${code} ${file} ${what}`)
    this.name = 'RosterRefusal'
    this.code = code
    this.file = file
    this.what = what
  }
}

type Row = Readonly<Record<string, string>>

/**
 * Reads the classes of a OneRoster 1.1 or 1.2 archive (1EdTech, CSV binding) with their students. Rows that are to be
 * deleted are left out. Throws a RosterRefusal: nothing is taken of an archive that is not whole.
 */
export function readOneRoster(bytes: Uint8Array): ReadRoster {
  const files = unpacked(bytes)
  const table = (name: string, columns: readonly string[]): Row[] =>
    readTable(files.get(name.toLowerCase()), name, columns)
  const users = byId(table('users.csv', ['sourcedId', 'givenName', 'familyName']), 'users.csv')
  const classes = byId(table('classes.csv', ['sourcedId', 'title']), 'classes.csv')
  const enrollments = table('enrollments.csv', ['classSourcedId', 'userSourcedId', 'role'])
  byId(enrollments, 'enrollments.csv')
  const orgs = table('orgs.csv', ['sourcedId', 'name'])
  byId(orgs, 'orgs.csv')
  const sessions = byId(table('academicSessions.csv', ['sourcedId', 'title', 'schoolYear']), 'academicSessions.csv')
  const found = new Map(
    [...classes].map(([sourceId, row]): [string, RosterClass] => [
      sourceId,
      {
        sourceId,
        name: shortened(row.title ?? '') || sourceId.slice(0, LONGEST),
        grade: listed(row.grades).join(', ').slice(0, 60),
        year: yearOf(row, sessions),
        teachers: [],
        students: [],
      },
    ]),
  )
  const left = { unknown: 0, disabled: 0 }
  const met = new Set<string>()
  for (const { classSourcedId, userSourcedId, role } of enrollments) {
    const into = found.get(classSourcedId ?? '')
    const user = users.get(userSourcedId ?? '')
    if (!into || !user) left.unknown++
    else if (/^false$/iu.test(user.enabledUser ?? '')) left.disabled++
    else if (!met.has(`${into.sourceId} ${user.sourcedId} ${role}`)) {
      met.add(`${into.sourceId} ${user.sourcedId} ${role}`)
      if (role === 'student') into.students.push({ sourceId: user.sourcedId!, name: nameOf(user) })
      else if (role === 'teacher') into.teachers.push(nameOf(user))
    }
  }
  for (const { students } of found.values()) students.sort((one, other) => (one.name < other.name ? -1 : 1))
  return {
    schools: orgs
      .filter(({ type }) => type === undefined || type === 'school')
      .map(({ name }) => shortened(name ?? '')),
    classes: [...found.values()].sort((one, other) => (one.name < other.name ? -1 : 1)),
    left,
  }
}

function unpacked(bytes: Uint8Array): Map<string, Uint8Array> {
  try {
    const all = unzipWithin(bytes, LIMITS, (name) => /\.csv$/iu.test(name) && !name.includes('__MACOSX'))
    const files = new Map<string, Uint8Array>()
    for (const [path, content] of Object.entries(all)) {
      // Some systems put all files into one folder.
      const name = path.slice(path.lastIndexOf('/') + 1).toLowerCase()
      if (files.has(name)) throw new RosterRefusal('broken', name)
      files.set(name, content)
    }
    return files
  } catch (error) {
    if (error instanceof FileRefusal) throw new RosterRefusal(error.code)
    throw error
  }
}

function readTable(bytes: Uint8Array | undefined, name: string, columns: readonly string[]): Row[] {
  if (!bytes) throw new RosterRefusal('missing-file', name)
  const text = cleanText(decodeText(bytes, guessEncoding(bytes)))
  const { data, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    delimiter: ',',
    newline: '\n',
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 1,
    transformHeader: (heading) => heading.trim(),
  })
  if (data.length > MOST_ROWS) throw new RosterRefusal('too-many-rows', name, String(MOST_ROWS))
  const missing = columns.find((column) => !(meta.fields ?? []).includes(column))
  if (missing !== undefined) throw new RosterRefusal('missing-column', name, missing)
  return data.filter(({ status }) => status?.toLowerCase() !== 'tobedeleted')
}

/** Returns rows by their ids. Throws a RosterRefusal where two have the same. */
function byId(rows: readonly Row[], file: string): Map<string, Row> {
  const found = new Map<string, Row>()
  for (const row of rows) {
    const id = row.sourcedId ?? ''
    // Ids of enrollments may be left out: nothing refers to them.
    if (id === '' && file === 'enrollments.csv') continue
    if (id === '' || id.length > 255 || found.has(id)) throw new RosterRefusal('repeated-id', file, id.slice(0, 60))
    found.set(id, row)
  }
  return found
}

function nameOf(user: Row): string {
  const given = user.preferredGivenName || user.givenName || ''
  const family = user.preferredFamilyName || user.familyName || ''
  return shortened(`${given} ${family === NO_FAMILY_NAME ? '' : family}`) || user.sourcedId!.slice(0, LONGEST)
}

function shortened(text: string): string {
  const plain = text.replace(/\s+/gu, ' ').trim()
  return [...plain].length <= LONGEST ? plain : [...plain].slice(0, LONGEST).join('').trim()
}

function listed(cell: string | undefined): string[] {
  return (cell ?? '')
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')
}

/** Returns the school year of a class: that of the first of its terms which says one. */
function yearOf(row: Row, sessions: ReadonlyMap<string, Row>): string {
  for (const id of listed(row.termSourcedIds)) {
    const year = Number(sessions.get(id)?.schoolYear)
    if (Number.isInteger(year) && year > 1900 && year < 2200) return namedYear(year)
  }
  return ''
}
