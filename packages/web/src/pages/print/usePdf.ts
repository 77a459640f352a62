import { useEffect, useRef, useState } from 'react'
import { saveFile } from '../../ui/saveFile.ts'
import { makePdf, type PdfOrder } from './makePdf.ts'

export interface Pdf {
  /** How much of it is made, 0 to 1; undefined where none is being made. */
  progress: number | undefined
  error: Error | undefined
  download: (order: PdfOrder, name: string) => Promise<void>
  stop: () => void
}

/** The PDF of sheets: made on the server, saved when it is there, stopped when the page goes. */
export function usePdf(): Pdf {
  const [file, setFile] = useState<{ progress?: number; error?: Error }>({})
  const making = useRef<AbortController>(undefined)
  useEffect(() => () => making.current?.abort(), [])
  return {
    progress: file.progress,
    error: file.error,
    download: async (order, name) => {
      const { signal } = (making.current = new AbortController())
      setFile({ progress: 0 })
      try {
        saveFile(await makePdf(order, (progress) => setFile({ progress }), signal), name)
        setFile({})
      } catch (error) {
        setFile(signal.aborted ? {} : { error: error as Error })
      }
    },
    stop: () => making.current?.abort(),
  }
}
