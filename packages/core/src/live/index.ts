import { board } from './board/index.ts'
import type { Way } from './contract.ts'
import { ownpace } from './ownpace/index.ts'
import { together } from './together/index.ts'

/** A way of playing of which only the contract is known: what it makes, it also takes. */
export type AnyWay = Way<unknown, unknown>

const REGISTRY = { ownpace, together, board } satisfies Record<string, AnyWay>

/** The ways of playing that there are. */
export type WayKind = keyof typeof REGISTRY
export const WAY_KINDS = Object.keys(REGISTRY) as [WayKind, ...WayKind[]]

/** Returns the way of playing of a kind. */
export function wayOf(kind: WayKind): AnyWay {
  return REGISTRY[kind]
}
