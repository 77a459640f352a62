import { strToU8, zipSync } from 'fflate'
import Papa from 'papaparse'
import { MANIFEST_FILES } from './columns.ts'
import { namedYear } from './schoolYear.ts'

/** The one school that classes of an archive are of. */
export const SCHOOL = 'school'

/** Packs files of OneRoster 1.2 (1EdTech, CSV binding, bulk) with the manifest that names them. */
export function packed(files: Readonly<Record<string, string>>): Uint8Array {
  const all = { manifest: manifestOf(Object.keys(files)), ...files }
  return zipSync(Object.fromEntries(Object.entries(all).map(([name, text]) => [`${name}.csv`, strToU8(text)])))
}

function manifestOf(written: readonly string[]): string {
  return Papa.unparse({
    fields: ['propertyName', 'value'],
    data: [
      ['manifest.version', '1.0'],
      ['oneroster.version', '1.2'],
      ...MANIFEST_FILES.map((name) => [`file.${name}`, written.includes(name) ? 'bulk' : 'absent']),
      ['source.systemName', 'Jolly Otter'],
      ['source.systemCode', 'jolly-otter'],
    ],
  })
}

/** Writes rows as a file of an archive; a column that a row has nothing in is empty. */
export function csvFile<Column extends string>(
  columns: readonly Column[],
  rows: readonly Partial<Readonly<Record<Column, string>>>[],
): string {
  return Papa.unparse({
    fields: [...columns],
    data: rows.map((row) => columns.map((column) => row[column] ?? '')),
  })
}

/** Returns the row of a school year, of the year it ends in. */
export function schoolYearRow(
  year: number,
): Record<'sourcedId' | 'title' | 'type' | 'startDate' | 'endDate' | 'schoolYear', string> {
  return {
    sourcedId: `year-${year}`,
    title: namedYear(year),
    type: 'schoolYear',
    startDate: `${year - 1}-08-01`,
    endDate: `${year}-07-31`,
    schoolYear: String(year),
  }
}
