import type { WallState } from '@otter/api'
import type { ReactNode } from 'react'

/** What the choice of a way's own options gets. */
export interface WayOptionsProps<Options> {
  options: Options
  onChange(options: Options): void
}

/** What a way's wall gets. */
export interface WayWallProps {
  state: WallState
  /** Asks of all what was chosen on a board. */
  onPick(place: number): void
}

/** What a way of playing shows beside what all ways have. */
export interface WayScreens<Options> {
  /** What is chosen for it. */
  Options(props: WayOptionsProps<Options>): ReactNode
  /** What the wall shows while it runs. */
  Wall(props: WayWallProps): ReactNode
}
