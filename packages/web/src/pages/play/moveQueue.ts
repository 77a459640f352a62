import type { PlayReply, SendMove } from '@otter/api'
import { ApiError } from '../../api/client.ts'

/** What the queue works with: where moves go, where they are kept meanwhile, and how it waits. */
export interface MoveQueueParts {
  /** Sends a move. Throws an ApiError; whatever else it throws counts as a reply that did not arrive. */
  send: (move: SendMove) => Promise<PlayReply>
  /** Keeps what has no answer yet, so that closing the page loses none. */
  keep: (moves: readonly SendMove[]) => void
  /** Waits before a try, or until there is a connection again. */
  wait: (milliseconds: number) => Promise<void>
  onReply: (reply: PlayReply) => void
  onChange: (state: MoveQueueState) => void
}

export interface MoveQueueState {
  /** Whether a move is on its way. */
  waiting: boolean
  /** Whether tries fail for want of a connection, or of a server that answers. */
  offline: boolean
  /** Why sending stopped, or why a move was not taken. */
  problem: ApiError | undefined
}

const FIRST_WAIT = 1_000
const LONGEST_WAIT = 15_000
/** Replies that say "not now": who is asked, the network between or the server may answer otherwise a moment later. */
const NOT_NOW = new Set([0, 401, 408, 425, 429])
/** Codes of refusals that hold until the teacher changes something: sending stops, and nothing is lost. */
const HELD = new Set(['link-closed', 'taken-out', 'no-such-link'])

/** Whether an error is a refusal that trying again does not change. */
function isForGood(error: unknown): error is ApiError {
  return error instanceof ApiError && !NOT_NOW.has(error.status) && error.status < 500
}

/**
 * Sends moves one after another, each until there is an answer. What was answered is never thrown away: only a move
 * that the server can't read is, and it alone.
 */
export class MoveQueue {
  private moves: SendMove[] = []
  private sending = false
  private stopped = false
  private waiters: (() => void)[] = []
  private state: MoveQueueState = { waiting: false, offline: false, problem: undefined }
  private readonly parts: MoveQueueParts

  constructor(parts: MoveQueueParts) {
    this.parts = parts
  }

  get length(): number {
    return this.moves.length
  }

  /** Whether a move waits that was made for this. */
  holdsFor(moment: string): boolean {
    return this.moves.some((move) => move.for === moment)
  }

  /** Stops sending until `resume`: nobody is known here whose moves they could be. */
  hold(): void {
    this.stopped = true
  }

  /** Resolves once everything has an answer, or a try has failed for want of a connection. */
  tried(): Promise<void> {
    if (!this.sending || this.state.offline) return Promise.resolve()
    return new Promise((resolve) => this.waiters.push(resolve))
  }

  /** Adds moves, and begins to send. */
  add(moves: readonly SendMove[]): void {
    this.moves.push(...moves)
    this.parts.keep(this.moves)
    // Also where nothing can be sent just now: what is answered shows.
    this.change({})
    void this.drain()
  }

  /** Begins to send again after a refusal: the teacher may have opened the game. */
  resume(): void {
    this.stopped = false
    void this.drain()
  }

  /** Forgets what was not sent. */
  clear(): void {
    this.moves = []
    this.parts.keep([])
  }

  private async drain(): Promise<void> {
    if (this.sending || this.stopped || this.moves.length === 0) return
    this.sending = true
    this.change({ waiting: true })
    let pause = FIRST_WAIT
    while (this.moves.length > 0 && !this.stopped) {
      const [move] = this.moves
      const outcome = await this.parts.send({ ...move!, sentAt: Date.now() }).then(
        (reply) => ({ reply }),
        (error: unknown) => ({ error }),
      )
      if ('reply' in outcome) {
        this.drop(move!)
        pause = FIRST_WAIT
        this.change({ offline: false, problem: undefined })
        this.parts.onReply(outcome.reply)
      } else if (!isForGood(outcome.error)) {
        this.change({ offline: true })
        await this.parts.wait(pause)
        pause = Math.min(LONGEST_WAIT, pause * 2)
      } else {
        if (HELD.has(outcome.error.code ?? '')) this.stopped = true
        else this.drop(move!)
        this.change({ offline: false, problem: outcome.error })
      }
    }
    this.sending = false
    this.change({ waiting: false })
  }

  private drop(move: SendMove): void {
    if (this.moves[0] !== move) return
    this.moves.shift()
    this.parts.keep(this.moves)
  }

  private change(change: Partial<MoveQueueState>): void {
    this.state = { ...this.state, ...change }
    if (!this.state.waiting || this.state.offline) for (const resolve of this.waiters.splice(0)) resolve()
    this.parts.onChange(this.state)
  }
}
