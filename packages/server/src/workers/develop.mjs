// Worker threads start as plain JavaScript: this one learns TypeScript first.
import { register } from 'tsx/esm/api'

register()
const entry = await import('./entry.ts')
export const make = entry.make
export const things = entry.things
export const sheets = entry.sheets
export const archive = entry.archive
export const roster = entry.roster
