import type { BingoPuzzle } from '@otter/core/games/bingo'
import type { GameWallProps } from '../contract.ts'
import { Caller } from './Caller.tsx'
import { useCalled } from './useCalled.ts'

/** Calls for a class with cards of paper: how far they have come stays in this window. */
export function Calling({ puzzle, onClose }: Pick<GameWallProps<BingoPuzzle>, 'puzzle' | 'onClose'>) {
  const [called, setCalled] = useCalled(puzzle)
  return <Caller puzzle={puzzle} called={called} onCall={setCalled} onClose={onClose} />
}
