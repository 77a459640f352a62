import type { EntryList, FitNote, GameKind } from '@otter/core'
import { useEffect, useRef, useState } from 'react'
import type { PuzzleAnswer, PuzzleRequest } from './puzzle.worker.ts'

/** Puzzles made in a web worker; while newer ones are being made, the last ones stay. */
export interface Puzzles<Puzzle> {
  puzzles: Puzzle[] | undefined
  /** Why none could be made. */
  note: FitNote | undefined
  busy: boolean
}

/** A worker that is busy with an outdated request for longer is replaced; in milliseconds. */
const PATIENCE = 200

/** Makes puzzles of a list in a web worker, one for each seed. A new request drops the one before it. */
export function usePuzzles<Puzzle>(kind: GameKind, list: EntryList | undefined, options: unknown, seeds: string[]): Puzzles<Puzzle> {
  const [state, setState] = useState<Puzzles<Puzzle>>({ puzzles: undefined, note: undefined, busy: true })
  const line = useRef<PuzzleLine | undefined>(undefined)
  useEffect(() => {
    const own = new PuzzleLine((answer) => {
      if ('note' in answer) setState({ puzzles: undefined, note: answer.note, busy: false })
      else setState({ puzzles: answer.puzzles as Puzzle[], note: undefined, busy: false })
    })
    line.current = own
    return () => own.close()
  }, [])
  const key = JSON.stringify([kind, list, options, seeds])
  useEffect(() => {
    if (!list) return
    setState((before) => ({ ...before, busy: true }))
    line.current?.ask({ kind, list, options, seeds })
    // The key holds all of them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return state
}

/** One worker, at most one request under way and one waiting: the newest. */
class PuzzleLine {
  private worker: Worker | undefined
  private number = 0
  private startedAt = 0
  private running = false
  private waiting: Omit<PuzzleRequest, 'number'> | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly onAnswer: (answer: PuzzleAnswer) => void

  constructor(onAnswer: (answer: PuzzleAnswer) => void) {
    this.onAnswer = onAnswer
  }

  ask(request: Omit<PuzzleRequest, 'number'>): void {
    this.waiting = request
    if (!this.running) return this.next()
    clearTimeout(this.timer)
    this.timer = setTimeout(() => {
      this.worker?.terminate()
      this.worker = undefined
      this.running = false
      this.next()
    }, Math.max(0, this.startedAt + PATIENCE - performance.now()))
  }

  close(): void {
    clearTimeout(this.timer)
    this.worker?.terminate()
  }

  private next(): void {
    clearTimeout(this.timer)
    const request = this.waiting
    if (!request) return
    this.waiting = undefined
    this.running = true
    this.startedAt = performance.now()
    this.number++
    this.worker ??= this.open()
    this.worker.postMessage({ ...request, number: this.number } satisfies PuzzleRequest)
  }

  private open(): Worker {
    const worker = new Worker(new URL('./puzzle.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<PuzzleAnswer>) => {
      if (data.number !== this.number) return
      this.running = false
      if (this.waiting) this.next()
      else this.onAnswer(data)
    })
    return worker
  }
}
