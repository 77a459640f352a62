import type { BoardOptions } from '@otter/core/live/board'
import { InStepOptions } from '../InStepOptions.tsx'
import type { WayOptionsProps } from '../contract.ts'

/** What is chosen for playing from the board. */
export function Options({ options, onChange }: WayOptionsProps<BoardOptions>) {
  return <InStepOptions options={options} onChange={(change) => onChange({ ...options, ...change })} />
}
