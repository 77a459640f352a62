import { useEffect, useRef, useState } from 'react'
import { saveFile } from '../../ui/saveFile.ts'
import { makePdf } from './makePdf.ts'

export interface Pdf {
  /** How much of it is made, 0 to 1; undefined where none is being made. */
  progress: number | undefined
  error: Error | undefined
  download: (sheets: Parameters<typeof makePdf>[1], name: string) => Promise<void>
  stop: () => void
}

/** The PDF of a list's sheets: made on the server, saved when it is there, stopped when the page goes. */
export function usePdf(listId: string): Pdf {
  const [file, setFile] = useState<{ progress?: number; error?: Error }>({})
  const making = useRef<AbortController>(undefined)
  useEffect(() => () => making.current?.abort(), [])
  return {
    progress: file.progress,
    error: file.error,
    download: async (sheets, name) => {
      const { signal } = (making.current = new AbortController())
      setFile({ progress: 0 })
      try {
        saveFile(await makePdf(listId, sheets, (progress) => setFile({ progress }), signal), name)
        setFile({})
      } catch (error) {
        setFile(signal.aborted ? {} : { error: error as Error })
      }
    },
    stop: () => making.current?.abort(),
  }
}
