import type { RefusalCode } from '@otter/core/formats'
import { useEffect, useState } from 'react'
import type { ImportAnswer, ReadFile } from './importAnswer.ts'

export interface Reading {
  /** What is being done now. */
  stage: 'reading' | 'unpacking' | 'done'
  read: ReadFile | undefined
  refusal: RefusalCode | undefined
}

const BEGUN: Reading = { stage: 'reading', read: undefined, refusal: undefined }

/** Reads a file in a web worker. */
export function useFile(file: File | undefined): Reading {
  const [state, setState] = useState<{ file: File | undefined; reading: Reading }>({ file: undefined, reading: BEGUN })
  useEffect(() => {
    if (!file) return
    const worker = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' })
    const tell = (reading: Partial<Reading>): void => setState({ file, reading: { ...BEGUN, ...reading } })
    worker.addEventListener('message', ({ data }: MessageEvent<ImportAnswer>) => {
      if ('stage' in data) tell({ stage: data.stage })
      else if ('read' in data) tell({ stage: 'done', read: data.read })
      else tell({ stage: 'done', refusal: data.refusal })
    })
    // A worker that runs out of memory ends without a word of its own.
    worker.addEventListener('error', () => tell({ stage: 'done', refusal: 'broken' }))
    worker.postMessage(file)
    return () => worker.terminate()
  }, [file])
  return state.file === file ? state.reading : BEGUN
}
