import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { JudgeOptionsInput, type JudgeOptions } from '../../src/text/judging/options.ts'

/** One typed answer, and whether it counts. */
export interface JudgingCase {
  file: string
  given: string
  accepted: string[]
  others: string[]
  options: JudgeOptions
  right: boolean
}

/** Returns the cases of this folder's tables. */
export function judgingCases(): JudgingCase[] {
  return readdirSync(import.meta.dirname)
    .filter((name) => name.endsWith('.txt'))
    .flatMap((name) => casesOf(name, readFileSync(join(import.meta.dirname, name), 'utf8')))
}

const partsOf = (text: string): string[] => text.split(' ; ').map((part) => part.trim())

function casesOf(file: string, text: string): JudgingCase[] {
  let set: Record<string, unknown> = {}
  return text.split('\n').flatMap((line) => {
    if (line.trim() === '' || line.startsWith('# ')) return []
    const [, name, value] = /^(language|accents|articles|slips) (\S+)$/u.exec(line) ?? []
    if (name !== undefined) {
      set = { ...set, [name]: value }
      return []
    }
    const [accepted = '', ...fields] = line.split(/ \| ?/u)
    let options: Record<string, unknown> = set
    let others: string[] = []
    const given: [string, boolean][] = []
    for (const field of fields) {
      const [, key = '', rest = ''] = /^(\S+)(?: (.*))?$/su.exec(field) ?? []
      if (key === '+' || key === '-') given.push(...partsOf(rest).map((one): [string, boolean] => [one, key === '+']))
      else if (key === 'others') others = partsOf(rest)
      else if (key === 'count') options = { ...options, count: Number(rest) }
      else options = { ...options, [key]: rest }
    }
    return given.map(([one, right]) => ({
      file,
      given: one,
      accepted: partsOf(accepted),
      others,
      options: JudgeOptionsInput.parse(options),
      right,
    }))
  })
}
