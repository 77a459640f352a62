/** What a game's screen gets: all a player may know, and how to make a move. It can't tell where the move goes. */
export interface PlayProps<View, Move> {
  view: View
  send: (move: Move) => void
  /** Whether a move is on its way. */
  waiting: boolean
}
