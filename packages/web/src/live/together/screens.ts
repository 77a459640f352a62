import type { TogetherOptions } from '@otter/core/live/together'
import type { WayScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Wall } from './Wall.tsx'

export const screens: WayScreens<TogetherOptions> = { Options, Wall }
