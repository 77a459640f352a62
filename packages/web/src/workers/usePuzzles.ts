import type { Asking, EntryList, FitNote, GameKind } from '@otter/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { PuzzleJob, PuzzleResult } from './puzzle.worker.ts'
import { PuzzleLine } from './puzzleLine.ts'

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
    const opened = new PuzzleLine(
      () => new Worker(new URL('./puzzle.worker.ts', import.meta.url), { type: 'module' }),
      (results) => setState({ results, busy: false, died: results === undefined }),
    )
    line.current = opened
    return () => opened.close()
  }, [])
  const key = JSON.stringify(jobs)
  useEffect(() => {
    if (!jobs) return
    setState((before) => ({ ...before, busy: true }))
    line.current?.ask(jobs)
    // The key holds all of them.
    // oxlint-disable-next-line react/exhaustive-deps
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
