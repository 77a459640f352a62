import type { Language, ParticipantResult, ResultsReply } from '@otter/api'
import { expect } from 'chai'
import fc from 'fast-check'
import Papa from 'papaparse'
import { resultsCsv } from '../src/services/results.ts'

const student = (name: string, rest: Partial<ParticipantResult> = {}): ParticipantResult => ({
  participantId: '00000000-0000-4000-8000-000000000001',
  name,
  studentId: null,
  removed: false,
  waits: false,
  late: false,
  merged: [],
  right: 7,
  firstRight: 5,
  total: 10,
  points: 70,
  hints: 1,
  misses: 2,
  second: { right: 1, total: 3 },
  milliseconds: 83_400,
  attempts: 2,
  lastPlayId: null,
  finished: true,
  doing: null,
  factor: 1,
  lastSeenAt: '2026-11-26T10:00:00.000Z',
  ...rest,
})
const results = (...participants: ParticipantResult[]): ResultsReply => ({
  offer: {} as ResultsReply['offer'],
  participants,
  questions: [],
  teams: [],
  corrections: [],
  figures: null,
})
const rowsOf = (csv: string): string[][] => Papa.parse<string[]>(csv.slice(1).trimEnd()).data

describe('Results as a file', () => {
  it('begin with a mark that spreadsheets know UTF-8 by, and end every line as the standard says', () => {
    const csv = resultsCsv(results(student('Ada'), student('Élif')), 'en')
    expect(csv.charCodeAt(0)).to.equal(0xfeff)
    expect(csv.endsWith('\r\n')).to.equal(true)
    expect(csv.replaceAll('\r\n', '')).not.to.match(/[\r\n]/u)
  })

  it('name their columns in the teacher’s language, and have a cell for each', () => {
    const seen = new Set<string>()
    for (const language of ['en', 'es', 'fr', 'he'] as Language[]) {
      const [head = [], row = []] = rowsOf(resultsCsv(results(student('Ada')), language))
      expect(row).to.have.length(head.length)
      expect(
        head.every((name) => name !== '' && !name.includes('csv.')),
        head.join(),
      ).to.equal(true)
      expect(new Set(head).size, 'no two columns of one name').to.equal(head.length)
      seen.add(head.join())
      expect(row[0]).to.equal('Ada')
      for (const number of ['7', '5', '10', '70']) expect(row).to.include(number)
    }
    expect(seen.size).to.equal(4)
    const [, finished = []] = rowsOf(resultsCsv(results(student('Ada')), 'fr'))
    const [, stopped = []] = rowsOf(resultsCsv(results(student('Ada', { finished: false })), 'fr'))
    expect([finished.includes('oui'), stopped.includes('non')]).to.deep.equal([true, true])
  })

  it('give every name back as it was, with commas, quotes and letters of any script', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[\p{L}"', ;]{1,20}$/u), { minLength: 1, maxLength: 6 }), (names) => {
        const rows = rowsOf(resultsCsv(results(...names.map((name) => student(name))), 'en')).slice(1)
        expect(rows.map(([name]) => name)).to.deep.equal(names)
      }),
    )
  })

  it('hold nothing that a spreadsheet would run', () => {
    for (const name of ['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', ' =1', '\u200b=cmd', '＝1+1', '\r\n=1']) {
      const [, [cell = ''] = []] = rowsOf(resultsCsv(results(student(name)), 'en'))
      expect(cell.startsWith("'"), JSON.stringify(name)).to.equal(true)
    }
    const [, [plain] = []] = rowsOf(resultsCsv(results(student('Ada-Lou')), 'en'))
    expect(plain).to.equal('Ada-Lou')
  })
})
