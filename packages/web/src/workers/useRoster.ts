import { useEffect, useState } from 'react'
import { openWorker } from '../ui/openWorker.ts'
import type { RosterAnswer } from './roster.worker.ts'

/** Reads the classes in a file of a school's system, in a web worker; undefined while it reads. */
export function useRoster(file: File | undefined): RosterAnswer | undefined {
  const [state, setState] = useState<{ file: File; answer: RosterAnswer }>()
  useEffect(() => {
    if (!file) return
    const tell = (answer: RosterAnswer): void => setState({ file, answer })
    const worker = openWorker<File, RosterAnswer>(
      () => new Worker(new URL('./roster.worker.ts', import.meta.url), { type: 'module' }),
      { onAnswer: tell, onDied: () => tell({ refusal: { code: 'broken', file: '', what: '' } }) },
    )
    worker.ask(file)
    return () => worker.close()
  }, [file])
  return state?.file === file ? state?.answer : undefined
}
