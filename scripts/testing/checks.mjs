// What can be told without running anything. Those that keep what they found are quicker the next time.
import { join } from 'node:path'
import { home } from '../install.mjs'
import { runWhole } from '../runWhole.mjs'
import { count, tellPart } from './tally.mjs'

const CACHE = 'node_modules/.cache/otter'
const tool = (name, args, weight = 1) => ({ args: [join(home, 'node_modules', '.bin', name), ...args], weight })

/** Each is a program of Node.js, which fails where something is wrong. */
const CHECKS = {
  lint: tool('eslint', ['.', '--max-warnings', '0', '--cache', '--cache-location', `${CACHE}/eslint/`]),
  types: { args: ['node_modules/typescript-native/bin/tsc', '-b'], weight: 1 },
  format: tool('prettier', ['--check', '.', '--log-level', 'warn', '--cache', '--cache-location', `${CACHE}/prettier`]),
  'arrows between packages': tool('depcruise', ['--config', '.dependency-cruiser.cjs', 'packages']),
  'unused code': tool('knip', []),
  'notices of packages': { args: ['scripts/notices.mjs', '--check'], weight: 1 },
}

/**
 * Returns the checks of a lane as jobs; each counts as one that passed or failed, and failing says why. The long lane lints by
 * all rules.
 */
export function checks(lane) {
  const ofLane = Object.entries(CHECKS).filter(([name]) => lane === 'short' || name === 'lint')
  return ofLane.map(([name, { args, weight }]) => ({
    weight,
    run: async () => {
      const began = Date.now()
      const { code, output } = await runWhole(process.execPath, args, {
        cwd: home,
        env: { ...process.env, OTTER_LANE: lane },
      })
      tellPart(name, code === 0, began)
      count(code === 0 ? 1 : 0, code === 0 ? 0 : 1)
      if (code !== 0) console.log(output)
    },
  }))
}
