import type { BoardOptions } from '@otter/core/live/board'
import type { WayScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Wall } from './Wall.tsx'

export const screens: WayScreens<BoardOptions> = { Options, Wall }
