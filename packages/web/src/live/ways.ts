import type { WayKind } from '@otter/core'
import type { WayScreens } from './contract.ts'
import { screens as board } from './board/screens.ts'
import { screens as ownpace } from './ownpace/screens.ts'
import { screens as together } from './together/screens.ts'

/** What each way of playing shows. */
export const WAYS: Record<WayKind, WayScreens<unknown>> = { ownpace, together, board }
