import type { GameKind } from '@otter/core'
import { lazy, type ComponentType } from 'react'
import type { PlayProps } from './contract.ts'

type Screen = ComponentType<PlayProps<never, unknown>>

const FILES = import.meta.glob<Screen>('./*/Play.tsx', { import: 'Play' })

/**
 * The screens that students play on, by kind of game. Each is fetched when it is first shown: a phone fetches the one
 * game it plays. Whoever shows one says what stands there meanwhile.
 */
export const PLAY = Object.fromEntries(
  Object.entries(FILES).map(([path, load]) => [path.split('/')[1], lazy(async () => ({ default: await load() }))]),
) as Partial<Record<GameKind, Screen>> as Record<GameKind, Screen>
