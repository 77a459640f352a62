import type { PlayReply } from '@otter/api'

/**
 * Tells whether a reply is older than what is there, though it comes later: a session has gone on meanwhile, or a move was
 * answered. An attempt that was given back is gone: only what was asked for tells that, what is told by itself may be of
 * the attempt before.
 */
export function isOlder(next: PlayReply, known: PlayReply | undefined, how: 'asked' | 'told'): boolean {
  if (!known) return false
  if ((next.live?.revision ?? 0) < (known.live?.revision ?? 0)) return true
  const [now, before] = [next.play, known.play]
  if (!now || !before) return false
  return now.attempt < before.attempt ? how === 'told' : now.attempt === before.attempt && now.moves < before.moves
}
