// The files of tests, and the lanes they run in. Node built-ins only.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { home } from '../install.mjs'

/** Folders of tests that run without a browser, those that wait most first; and of those that need one. */
const UNIT_TESTS = ['scripts/test', 'packages/server/test', 'packages/web/test', 'packages/core/test']
const INTERFACE_TESTS = ['e2e']

function filesIn(folders, ending) {
  return folders.flatMap((folder) =>
    readdirSync(join(home, folder))
      .filter((name) => name.endsWith(ending))
      .map((name) => `${folder}/${name}`),
  )
}

/**
 * Returns the files of tests that are asked for: those whose path holds one of the words; all where none is said. The long lane
 * has files of its own, and those that do more in it.
 */
export function chosenFiles({ words, isLong }) {
  const isWanted = (file) => {
    const isLongOnly = file.includes('.long.')
    const isOfLane = isLong
      ? isLongOnly || readFileSync(join(home, file), 'utf8').includes('testing/lane.mjs')
      : !isLongOnly
    return isOfLane && (words.length === 0 || words.some((word) => file.includes(word)))
  }
  return {
    units: filesIn(UNIT_TESTS, '.test.ts').filter(isWanted),
    interfaces: filesIn(INTERFACE_TESTS, '.e2e.ts').filter(isWanted),
  }
}
