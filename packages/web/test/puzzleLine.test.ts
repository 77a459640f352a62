import type { EntryList } from '@otter/core'
import { expect } from 'chai'
import type { PuzzleJob, PuzzleRequest, PuzzleResult } from '../src/workers/puzzle.worker.ts'
import { PuzzleLine } from '../src/workers/puzzleLine.ts'

/** A worker that answers when it is told to. */
class FakeWorker extends EventTarget {
  readonly asked: PuzzleRequest[] = []
  isClosed = false

  postMessage(request: PuzzleRequest): void {
    this.asked.push(request)
  }

  terminate(): void {
    this.isClosed = true
  }

  answer(): void {
    const { number, jobs } = this.asked.at(-1)!
    const results = jobs.map(({ seed }): PuzzleResult => ({ puzzle: seed }))
    this.dispatchEvent(new MessageEvent('message', { data: { number, results } }))
  }

  fail(): void {
    this.dispatchEvent(new Event('error', { cancelable: true }))
  }
}

const LIST: EntryList = { title: '', answerLanguage: 'en', promptLanguage: 'en', entries: [] }
const job = (seed: string): PuzzleJob => ({ kind: 'quiz', list: LIST, options: {} as PuzzleJob['options'], seed })
const rest = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds))

function openLine(): { line: PuzzleLine; workers: FakeWorker[]; told: (string | undefined)[] } {
  const workers: FakeWorker[] = []
  const told: (string | undefined)[] = []
  const line = new PuzzleLine(
    () => {
      workers.push(new FakeWorker())
      return workers.at(-1) as unknown as Worker
    },
    (results) => told.push(results?.map((result) => ('puzzle' in result ? String(result.puzzle) : '')).join()),
  )
  return { line, workers, told }
}

describe('Puzzles made beside the page', () => {
  it('come from one worker, which is opened when it is first asked', () => {
    const { line, workers, told } = openLine()
    expect(workers).to.have.length(0)
    line.ask([job('one'), job('two')])
    workers[0]!.answer()
    line.ask([job('three')])
    workers[0]!.answer()
    expect([workers.length, told]).to.deep.equal([1, ['one,two', 'three']])
  })

  it('are told for the newest request alone', () => {
    const { line, workers, told } = openLine()
    line.ask([job('old')])
    line.ask([job('newer')])
    line.ask([job('newest')])
    expect(workers[0]!.asked, 'one is under way, one waits').to.have.length(1)
    workers[0]!.answer()
    expect(told, 'what is outdated is not shown').to.deep.equal([])
    expect(workers[0]!.asked.at(-1)!.jobs[0]!.seed).to.equal('newest')
    workers[0]!.answer()
    expect(told).to.deep.equal(['newest'])
    line.close()
    expect(workers[0]!.isClosed).to.equal(true)
  })

  it('wait for no worker that is long busy with what is outdated', async () => {
    const { line, workers, told } = openLine()
    line.ask([job('heavy')])
    line.ask([job('light')])
    await rest(260)
    expect([workers.length, workers[0]!.isClosed]).to.deep.equal([2, true])
    workers[1]!.answer()
    expect(told).to.deep.equal(['light'])
    workers[0]!.answer()
    expect(told, 'a closed worker is not heard any more').to.deep.equal(['light'])
    line.close()
  })

  it('fail in so many words where the worker dies, and are made again by a new one', () => {
    const { line, workers, told } = openLine()
    line.ask([job('one')])
    workers[0]!.fail()
    expect([told, workers[0]!.isClosed]).to.deep.equal([[undefined], true])
    line.ask([job('two')])
    expect(workers).to.have.length(2)
    workers[1]!.answer()
    expect(told).to.deep.equal([undefined, 'two'])
  })

  it('are made no more once the page is gone', async () => {
    const { line, workers, told } = openLine()
    line.ask([job('one')])
    line.ask([job('two')])
    line.close()
    await rest(260)
    expect([workers.length, told]).to.deep.equal([1, []])
  })
})
