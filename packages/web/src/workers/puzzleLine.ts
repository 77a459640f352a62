import { openWorker, type WorkerClient } from '../ui/openWorker.ts'
import type { PuzzleAnswer, PuzzleJob, PuzzleRequest, PuzzleResult } from './puzzle.worker.ts'

/** A worker that is busy with an outdated request for longer is replaced; in milliseconds. */
const PATIENCE = 200

/** One worker, at most one request under way and one waiting: the newest. */
export class PuzzleLine {
  private worker: WorkerClient<PuzzleRequest> | undefined
  private number = 0
  private startedAt = 0
  private running = false
  private waiting: PuzzleJob[] | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly create: () => Worker
  private readonly onResults: (results: PuzzleResult[] | undefined) => void

  /** @param onResults is told what came of the newest request; undefined where the worker ended without a result */
  constructor(create: () => Worker, onResults: (results: PuzzleResult[] | undefined) => void) {
    this.create = create
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
    return openWorker<PuzzleRequest, PuzzleAnswer>(this.create, {
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
    })
  }
}
