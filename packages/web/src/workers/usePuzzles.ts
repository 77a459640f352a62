import type { Asking, EntryList, FitNote, GameKind } from '@otter/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { PuzzleAnswer, PuzzleJob, PuzzleRequest, PuzzleResult } from './puzzle.worker.ts'
import { openWorker, type WorkerClient } from '../ui/openWorker.ts'

/** A worker that is busy with an outdated request for longer is replaced; in milliseconds. */
const PATIENCE = 200

/** What a web worker made; while newer puzzles are being made, the last ones stay. */
interface Made {
  results: PuzzleResult[] | undefined
  busy: boolean
  /** Whether the worker ended without a result. */
  died: boolean
}

/** Makes puzzles in a web worker. A new request drops the one before it; no jobs ask for nothing. */
export function usePuzzleJobs(jobs: PuzzleJob[] | undefined): Made {
  const [state, setState] = useState<Made>({ results: undefined, busy: true, died: false })
  const line = useRef<PuzzleLine | undefined>(undefined)
  useEffect(() => {
    const own = new PuzzleLine((results) => setState({ results, busy: false, died: results === undefined }))
    line.current = own
    return () => own.close()
  }, [])
  const key = JSON.stringify(jobs)
  useEffect(() => {
    if (!jobs) return
    setState((before) => ({ ...before, busy: true }))
    line.current?.ask(jobs)
    // The key holds all of them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return state
}

/** Puzzles of one kind, one for each seed. */
export interface Puzzles<Puzzle> {
  puzzles: Puzzle[] | undefined
  /** Why none could be made. */
  note: FitNote | undefined
  busy: boolean
  /** Whether it failed for no reason that can be told. */
  died: boolean
}

/** Makes puzzles of a list, one for each seed. */
export function usePuzzles<Puzzle>(
  kind: GameKind,
  list: EntryList | undefined,
  options: Asking,
  seeds: string[],
): Puzzles<Puzzle> {
  const jobs = useMemo(
    () => list && seeds.map((seed): PuzzleJob => ({ kind, list, options, seed })),
    [kind, list, options, seeds],
  )
  const { results, busy, died } = usePuzzleJobs(jobs)
  return useMemo(() => {
    const note = results?.flatMap((result) => ('note' in result ? [result.note] : []))[0]
    return {
      puzzles: note ? undefined : results?.flatMap((result) => ('puzzle' in result ? [result.puzzle as Puzzle] : [])),
      note,
      busy,
      died,
    }
  }, [results, busy, died])
}

/** One worker, at most one request under way and one waiting: the newest. */
class PuzzleLine {
  private worker: WorkerClient<PuzzleRequest> | undefined
  private number = 0
  private startedAt = 0
  private running = false
  private waiting: PuzzleJob[] | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly onResults: (results: PuzzleResult[] | undefined) => void

  constructor(onResults: (results: PuzzleResult[] | undefined) => void) {
    this.onResults = onResults
  }

  ask(jobs: PuzzleJob[]): void {
    this.waiting = jobs
    if (!this.running) return this.next()
    clearTimeout(this.timer)
    this.timer = setTimeout(
      () => {
        this.worker?.close()
        this.worker = undefined
        this.running = false
        this.next()
      },
      Math.max(0, this.startedAt + PATIENCE - performance.now()),
    )
  }

  close(): void {
    clearTimeout(this.timer)
    this.worker?.close()
  }

  private next(): void {
    clearTimeout(this.timer)
    const jobs = this.waiting
    if (!jobs) return
    this.waiting = undefined
    this.running = true
    this.startedAt = performance.now()
    this.number++
    this.worker ??= this.open()
    this.worker.ask({ jobs, number: this.number })
  }

  private open(): WorkerClient<PuzzleRequest> {
    return openWorker<PuzzleRequest, PuzzleAnswer>(
      () => new Worker(new URL('./puzzle.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: ({ number, results }) => {
          if (number !== this.number) return
          this.running = false
          if (this.waiting) this.next()
          else this.onResults(results)
        },
        onDied: () => {
          this.worker = undefined
          this.running = false
          this.onResults(undefined)
        },
      },
    )
  }
}
