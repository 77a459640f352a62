import { clockAt, gameOf, PLAIN_CONTEXT, randomFrom, type GameKind, type PlayClock, type Turn } from '@otter/core'
import { Suspense, useMemo, useReducer } from 'react'
import { EarlyReaders } from '../../../games/early.ts'
import { PLAY } from '../../../games/play.ts'
import { KeyScope } from '../../../ui/KeyScope.tsx'

/** A play of the preview, and how its clock runs. */
interface PreviewPlay {
  play: unknown
  clock: PlayClock
}

interface PreviewProps {
  kind: GameKind
  puzzle: unknown
  early: boolean
  language: string
}

/** Plays a puzzle right here, on the reducer that the server uses too. */
export function Preview({ kind, puzzle, early, language }: PreviewProps) {
  const game = gameOf(kind)
  const deadlineOf = (play: unknown): number | null => game.timed?.deadline(puzzle, play) ?? null
  const [{ play, clock }, send] = useReducer(
    (before: PreviewPlay, { move, now }: { move: unknown; now: number }): PreviewPlay => {
      const turn: Turn = { ...PLAIN_CONTEXT, clock: clockAt(before.clock, now, deadlineOf(before.play)), now }
      const after = game.move(puzzle, before.play, move, turn).play
      return after === before.play ? before : { play: after, clock: { clock: turn.clock, movedAt: now } }
    },
    undefined,
    (): PreviewPlay => {
      const now = Date.now()
      const beginning = { ...PLAIN_CONTEXT, random: randomFrom('preview'), now }
      return { play: game.start(puzzle, beginning), clock: { clock: 0, movedAt: now } }
    },
  )
  const readers = useMemo(() => ({ early, language }), [early, language])
  const deadline = deadlineOf(play)
  const Play = PLAY[kind]
  return (
    <EarlyReaders value={readers}>
      <KeyScope className={early ? 'student early' : 'student'}>
        <Suspense>
          <Play
            view={game.view(puzzle, play, { ...PLAIN_CONTEXT, audience: 'player' }) as never}
            waiting={false}
            left={deadline === null ? null : deadline - (game.timed?.grace ?? 0) - clock.clock}
            opinions={[]}
            send={(move) => send({ move, now: Date.now() })}
          />
        </Suspense>
      </KeyScope>
    </EarlyReaders>
  )
}
