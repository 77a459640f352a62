import type { PlayReply, SendMove } from '@otter/api'
import { ApiError } from '../../api/client.ts'

/** What the queue works with: where moves go, where they are kept meanwhile, and how it waits. */
export interface MoveQueueParts {
  /** Sends a move. Throws an ApiError; whatever else it throws counts as a reply that did not arrive. */
  send: (move: SendMove) => Promise<PlayReply>
  /** Keeps what has no answer yet, so that closing the page loses none. */
  keep: (moves: readonly SendMove[]) => void
  /** Keeps a move that can never be taken, apart from those that wait. */
  setAside: (move: SendMove) => void
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
  /** How many moves wait because somebody has to change something first: `problem` says what. */
  held: number
  /** Why moves wait, or why one was not taken. */
  problem: ApiError | undefined
}

const FIRST_WAIT = 1_000
const LONGEST_WAIT = 15_000
/** How often it is tried whether what was refused is taken by now, in milliseconds. */
const HELD_WAIT = 30_000
/** Replies that say "not now": who is asked, the network between or the server may answer otherwise a moment later. */
const NOT_NOW = new Set([0, 401, 408, 425, 429])

/** Whether a move can never be taken: it can't be read, is too large, or its play is full. */
function isNever({ status, code }: ApiError): boolean {
  return status === 400 || status === 413 || code === 'link-full'
}

/** Whether somebody has to change something before a move is taken: the teacher opens the game, or lets a guest in. */
function isHeld(error: unknown): error is ApiError {
  return error instanceof ApiError && !NOT_NOW.has(error.status) && error.status < 500
}

/**
 * Sends moves one after another, each until there is an answer. What was answered is never thrown away: what can't be
 * taken now waits, and what can never be taken is set aside, and it alone.
 */
export class MoveQueue {
  private moves: SendMove[] = []
  private sending = false
  private stopped = false
  private waiters: (() => void)[] = []
  private wake: () => void = () => undefined
  private state: MoveQueueState = { waiting: false, offline: false, held: 0, problem: undefined }
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

  /** Resolves once everything has an answer, or a try has failed for a reason that stands. */
  tried(): Promise<void> {
    if (!this.sending || this.isStuck()) return Promise.resolve()
    return new Promise((resolve) => this.waiters.push(resolve))
  }

  /** Adds moves, and begins to send. */
  add(moves: readonly SendMove[]): void {
    this.moves.push(...moves)
    this.parts.keep(this.moves)
    // Also where nothing can be sent just now: what is answered shows.
    this.change(this.state.held > 0 ? { held: this.moves.length } : {})
    void this.drain()
  }

  /** Sends at once what waits: the teacher may have opened the game. */
  resume(): void {
    this.stopped = false
    if (this.state.held > 0) this.wake()
    void this.drain()
  }

  /** Forgets what was not sent. */
  clear(): void {
    this.moves = []
    this.parts.keep([])
    this.wake()
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
        this.change({ offline: false, held: 0, problem: undefined })
        this.parts.onReply(outcome.reply)
      } else if (!isHeld(outcome.error)) {
        this.change({ offline: true, held: 0 })
        await this.parts.wait(pause)
        pause = Math.min(LONGEST_WAIT, pause * 2)
      } else if (isNever(outcome.error)) {
        if (this.moves[0] === move) this.parts.setAside(move!)
        this.drop(move!)
        this.change({ offline: false, held: 0, problem: outcome.error })
      } else {
        this.change({ offline: false, held: this.moves.length, problem: outcome.error })
        const woken = new Promise<void>((resolve) => (this.wake = resolve))
        await Promise.race([this.parts.wait(HELD_WAIT), woken])
      }
    }
    this.sending = false
    this.change({ waiting: false, held: this.state.held > 0 ? this.moves.length : 0 })
  }

  private drop(move: SendMove): void {
    if (this.moves[0] !== move) return
    this.moves.shift()
    this.parts.keep(this.moves)
  }

  private isStuck(): boolean {
    return this.state.offline || this.state.held > 0
  }

  private change(change: Partial<MoveQueueState>): void {
    this.state = { ...this.state, ...change }
    if (!this.state.waiting || this.isStuck()) for (const resolve of this.waiters.splice(0)) resolve()
    this.parts.onChange(this.state)
  }
}
