import type { UnscrambleMove, UnscrambleView } from '@otter/core/games/unscramble'
import { useState } from 'react'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'

interface Laying {
  /** Numbers of the pieces in the order laid so far. */
  laid: readonly number[]
  lay: (piece: number) => void
  /** Takes back what lies from a place on. */
  takeBack: (place: number) => void
}

/** Pieces as they are laid, by tap or key; all of them laid are sent. A wrong order, or a new word, begins anew. */
export function useLaying(view: UnscrambleView, send: (move: UnscrambleMove) => void): Laying {
  const { pieces, outcome, finished, number, tries } = view
  const begun = `${number} ${tries} ${view.start.join()}`
  const [state, setState] = useState<{ begun: string; laid: readonly number[] }>({ begun, laid: view.start })
  const laid = state.begun === begun ? state.laid : view.start
  const set = (next: readonly number[]): void => {
    setState({ begun, laid: next })
    if (next.length === pieces.length) send({ type: 'lay', order: [...next] })
  }
  const lay = (piece: number): void => {
    if (laid.length < pieces.length && !laid.includes(piece)) set([...laid, piece])
  }
  const takeBack = (place: number): void => {
    if (place >= view.start.length) set(laid.slice(0, place))
  }
  useShortcuts((event) => {
    if (outcome !== null || finished || !isPlain(event)) return
    if (event.key === 'Backspace') return takeBack(laid.length - 1)
    const typed = event.key.toLocaleLowerCase()
    const piece = pieces.findIndex(
      (piece, index) =>
        !laid.includes(index) &&
        (piece.toLocaleLowerCase() === typed || (view.by === 'words' && piece.toLocaleLowerCase().startsWith(typed))),
    )
    if ([...event.key].length === 1 && piece >= 0) lay(piece)
  })
  return { laid, lay, takeBack }
}
