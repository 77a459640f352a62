// Where the bundler finds the packages of this house, which are never built on their own.
import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { home } from './install.mjs'

const foldersOf = (kind) => {
  const folder = join(home, 'packages/core/src', kind)
  return readdirSync(folder)
    .filter((name) => existsSync(join(folder, name, 'index.ts')))
    .map((name) => [`@otter/core/${kind}/${name}`, join(folder, name, 'index.ts')])
}

export const alias = {
  'naughty-words': join(home, 'node_modules/naughty-words'),
  ...Object.fromEntries([...foldersOf('games'), ...foldersOf('live')]),
  ...Object.fromEntries(
    ['history', 'draw', 'teamMaker', 'teamWishes', 'mixedTeams'].map((name) => [
      `@otter/core/wall/${name}`,
      join(home, `packages/core/src/wall/${name}.ts`),
    ]),
  ),
  '@otter/core/names': join(home, 'packages/core/src/text/unkindName.ts'),
  '@otter/core/results': join(home, 'packages/core/src/results/index.ts'),
  '@otter/core/formats': join(home, 'packages/core/src/formats/index.ts'),
  '@otter/core': join(home, 'packages/core/src/index.ts'),
  '@otter/api/texts': join(home, 'packages/api/src/texts'),
  '@otter/api/description': join(home, 'packages/api/src/description/index.ts'),
  '@otter/api': join(home, 'packages/api/src/index.ts'),
}
