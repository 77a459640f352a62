import type { RefusalCode } from '@otter/core/formats'
import { useEffect, useState } from 'react'
import type { ImportAnswer, ImportRequest, ReadFile } from './importAnswer.ts'
import { openWorker } from '../ui/openWorker.ts'

export interface Reading {
  /** What is being done now. */
  stage: 'reading' | 'unpacking' | 'done'
  read: ReadFile | undefined
  refusal: RefusalCode | undefined
}

const BEGUN: Reading = { stage: 'reading', read: undefined, refusal: undefined }

/** Reads a file in a web worker; again where it is to be read in another way. */
export function useFile({
  file,
  encoding,
  separator,
}: Omit<ImportRequest, 'file'> & { file: File | undefined }): Reading {
  const [state, setState] = useState<{ file: File | undefined; reading: Reading }>({ file: undefined, reading: BEGUN })
  useEffect(() => {
    if (!file) return
    const tell = (reading: Partial<Reading>): void => setState({ file, reading: { ...BEGUN, ...reading } })
    const worker = openWorker<ImportRequest, ImportAnswer>(
      () => new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: (answer) => {
          if ('stage' in answer) tell({ stage: answer.stage })
          else if ('read' in answer) tell({ stage: 'done', read: answer.read })
          else tell({ stage: 'done', refusal: answer.refusal })
        },
        onDied: () => tell({ stage: 'done', refusal: 'broken' }),
      },
    )
    worker.ask({ file, encoding, separator })
    return () => worker.close()
  }, [file, encoding, separator])
  return state.file === file ? state.reading : BEGUN
}
