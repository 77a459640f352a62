import { useQuery } from '@tanstack/react-query'
import {
  clockAt,
  gameOf,
  Judge,
  NO_KNOWLEDGE,
  PLAIN_CONTEXT,
  randomFrom,
  type GameKind,
  type PlayClock,
  type PlayContext,
  type Turn,
} from '@otter/core'
import { Suspense, useMemo, useReducer } from 'react'
import { EarlyReaders } from '../../../games/early.ts'
import { PLAY } from '../../../games/play.ts'
import { Fitted } from '../../../games/Fitted.tsx'
import { Wall } from '../../../games/Wall.tsx'
import { fetchWords } from '../../../workers/words.ts'
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
  /** The title of the wall on which it is played together; null where it is played in its place. */
  wall: string | null
  onLeaveWall: () => void
}

/** Plays a puzzle right here, on the reducer that the server uses too, with the words by which it judges. */
export function Preview(props: PreviewProps) {
  const { data } = useQuery({
    queryKey: ['words', props.language],
    queryFn: () => fetchWords(props.language),
    staleTime: Infinity,
  })
  // It is there at once; what is typed before the words have come is judged without them.
  const context = useMemo(
    () => ({ ...PLAIN_CONTEXT, knowledge: data ? { ...NO_KNOWLEDGE, judge: new Judge(data) } : NO_KNOWLEDGE }),
    [data],
  )
  return <PreviewPlayed {...props} context={context} />
}

function PreviewPlayed({
  kind,
  puzzle,
  early,
  language,
  wall,
  onLeaveWall,
  context,
}: PreviewProps & { context: PlayContext }) {
  const game = gameOf(kind)
  const deadlineOf = (play: unknown): number | null => game.timed?.deadline(puzzle, play, context) ?? null
  const [{ play, clock }, send] = useReducer(
    (before: PreviewPlay, { move, now }: { move: unknown; now: number }): PreviewPlay => {
      const turn: Turn = { ...context, clock: clockAt(before.clock, now, deadlineOf(before.play)), now }
      const after = game.move(puzzle, before.play, move, turn).play
      return after === before.play ? before : { play: after, clock: { clock: turn.clock, movedAt: now } }
    },
    undefined,
    (): PreviewPlay => {
      const now = Date.now()
      const beginning = { ...context, random: randomFrom('preview'), now }
      return { play: game.start(puzzle, beginning), clock: { clock: 0, movedAt: now } }
    },
  )
  const readers = useMemo(() => ({ early, language }), [early, language])
  const deadline = deadlineOf(play)
  const Play = PLAY[kind]
  const screen = (
    <Suspense>
      <Play
        view={game.view(puzzle, play, { ...context, audience: 'player' }) as never}
        waiting={false}
        left={deadline === null ? null : deadline - (game.timed?.grace ?? 0) - clock.clock}
        opinions={[]}
        send={(move) => send({ move, now: Date.now() })}
      />
    </Suspense>
  )
  return (
    <EarlyReaders value={readers}>
      {wall === null ? (
        <KeyScope className={early ? 'student early' : 'student'}>{screen}</KeyScope>
      ) : (
        <Wall title={wall} onClose={onLeaveWall}>
          <Fitted className={early ? 'early' : ''}>{screen}</Fitted>
        </Wall>
      )}
    </EarlyReaders>
  )
}
