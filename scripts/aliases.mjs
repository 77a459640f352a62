// Where the bundler finds the packages of this house, which are never built on their own.
import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { home } from './install.mjs'

const games = join(home, 'packages/core/src/games')
const gameAliases = readdirSync(games)
  .filter((name) => existsSync(join(games, name, 'index.ts')))
  .map((name) => [`@otter/core/games/${name}`, join(games, name, 'index.ts')])

export const alias = {
  'naughty-words': join(home, 'node_modules/naughty-words'),
  ...Object.fromEntries(gameAliases),
  '@otter/core/names': join(home, 'packages/core/src/text/unkindName.ts'),
  '@otter/core/formats': join(home, 'packages/core/src/formats/index.ts'),
  '@otter/core': join(home, 'packages/core/src/index.ts'),
  '@otter/api/texts': join(home, 'packages/api/src/texts'),
  '@otter/api/description': join(home, 'packages/api/src/description/index.ts'),
  '@otter/api': join(home, 'packages/api/src/index.ts'),
}
