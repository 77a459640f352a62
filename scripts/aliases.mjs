// Where the bundler finds the packages of this house, which are never built on their own.
import { join } from 'node:path'
import { home } from './install.mjs'

export const alias = {
  'naughty-words': join(home, 'node_modules/naughty-words'),
  '@otter/core/formats': join(home, 'packages/core/src/formats/index.ts'),
  '@otter/core': join(home, 'packages/core/src/index.ts'),
  '@otter/api': join(home, 'packages/api/src/index.ts'),
}
