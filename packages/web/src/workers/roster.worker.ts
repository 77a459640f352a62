import { readOneRoster, RosterRefusal, type ReadRoster } from '@otter/core/formats'

/** What a file of a school's system holds, or why it can't be read. */
export type RosterAnswer = { read: ReadRoster } | { refusal: Pick<RosterRefusal, 'code' | 'file' | 'what'> }

/** No file is larger than this; in bytes. */
const LARGEST = 40_000_000

addEventListener('message', ({ data: file }: MessageEvent<File>) => {
  const say = (answer: RosterAnswer): void => postMessage(answer)
  void read(file).then(
    (roster) => say({ read: roster }),
    (error: unknown) => {
      if (error instanceof RosterRefusal) say({ refusal: { code: error.code, file: error.file, what: error.what } })
      else
        setTimeout(() => {
          throw error
        })
    },
  )
})

async function read(file: File): Promise<ReadRoster> {
  if (file.size > LARGEST) throw new RosterRefusal('too-big')
  return readOneRoster(new Uint8Array(await file.arrayBuffer()))
}
