// What can be told without running anything.
import { join } from 'node:path'
import { home } from '../install.mjs'
import { runWhole } from '../runWhole.mjs'
import { count, tellPart } from './tally.mjs'

const tool = (name, ...args) => [join(home, 'node_modules', '.bin', name), ...args]

/** Each is a program of Node.js, which fails where something is wrong. */
const CHECKS = {
  lint: tool('oxlint'),
  types: ['node_modules/typescript-native/bin/tsc', '-b'],
  format: tool('oxfmt', '--check', '.'),
  'arrows between packages': tool('depcruise', '--config', '.dependency-cruiser.cjs', 'packages'),
  'unused code': tool('knip'),
  'notices of packages': ['scripts/notices.mjs', '--check'],
}

/** Returns the checks as jobs; each counts as one that passed or failed, and failing says why. */
export function checks() {
  return Object.entries(CHECKS).map(([name, args]) => ({
    weight: 1,
    run: async () => {
      const began = Date.now()
      const { code, output } = await runWhole(process.execPath, args, { cwd: home })
      tellPart(name, code === 0, began)
      count(code === 0 ? 1 : 0, code === 0 ? 0 : 1)
      if (code !== 0) console.log(output)
    },
  }))
}
