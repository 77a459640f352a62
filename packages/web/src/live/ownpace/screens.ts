import type { OwnPaceOptions } from '@otter/core/live/ownpace'
import type { WayScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Wall } from './Wall.tsx'

export const screens: WayScreens<OwnPaceOptions> = { Options, Wall }
