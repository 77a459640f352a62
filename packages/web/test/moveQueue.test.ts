import type { PlayReply, ProblemCode, SendMove } from '@otter/api'
import { expect } from 'chai'
import { ApiError } from '../src/api/client.ts'
import { MoveQueue, type MoveQueueState } from '../src/pages/play/moveQueue.ts'

const move = (number: number): SendMove => ({
  id: `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`,
  attempt: 1,
  move: { number },
})
const refusal = (status: number, code?: ProblemCode): ApiError =>
  new ApiError({ status, title: 'no', ...(code !== undefined && { code }) })

/** A queue on a network that answers as it is told, move after move; what it does not say is taken. */
function queueOn(answers: readonly (Error | 'taken')[]): {
  queue: MoveQueue
  sent: number[]
  kept: () => number
  aside: number[]
  /** Ends a wait for the teacher, as time does; other waits end by themselves. */
  pass: () => void
  states: MoveQueueState[]
  waits: number[]
  replies: () => number
  settled: () => Promise<void>
} {
  const sent: number[] = []
  const states: MoveQueueState[] = []
  const waits: number[] = []
  const aside: number[] = []
  let pass = (): void => undefined
  let kept = 0
  let replies = 0
  const left = [...answers]
  const queue = new MoveQueue({
    send: async (one) => {
      sent.push((one.move as { number: number }).number)
      await Promise.resolve()
      const answer = left.shift() ?? 'taken'
      if (answer instanceof Error) throw answer
      return {} as PlayReply
    },
    keep: (moves) => (kept = moves.length),
    setAside: (one) => aside.push((one.move as { number: number }).number),
    wait: (milliseconds) => {
      waits.push(milliseconds)
      return milliseconds < 30_000 ? Promise.resolve() : new Promise((resolve) => (pass = resolve))
    },
    onReply: () => replies++,
    onChange: (state) => states.push(state),
  })
  return {
    queue,
    sent,
    kept: () => kept,
    aside,
    pass: () => pass(),
    states,
    waits,
    replies: () => replies,
    settled: () => new Promise((resolve) => setTimeout(resolve, 5)),
  }
}

describe('The queue of a student’s moves', () => {
  it('says when all has an answer, or that there is no connection, so that nothing new is shown before', async () => {
    const { queue, sent, settled } = queueOn([])
    await queue.tried()
    queue.add([move(1), move(2)])
    await queue.tried()
    expect([sent, queue.length]).to.deep.equal([[1, 2], 0])
    queue.hold()
    queue.add([move(3)])
    await queue.tried()
    expect([sent, queue.length]).to.deep.equal([[1, 2], 1])
    queue.resume()
    await settled()
    expect(sent).to.deep.equal([1, 2, 3])
    const lost = queueOn([refusal(0), refusal(0)])
    lost.queue.add([move(1)])
    await lost.queue.tried()
    expect(lost.states.some(({ offline }) => offline)).to.equal(true)
  })

  it('sends them one after another, and loses none whatever the network or the server says for a while', async () => {
    const { queue, sent, kept, waits, replies, settled } = queueOn([
      refusal(0),
      refusal(401, 'who-are-you'),
      refusal(408),
      refusal(429, 'too-many'),
      refusal(500),
      refusal(503),
      refusal(507),
    ])
    queue.add([move(1), move(2)])
    expect(kept()).to.equal(2)
    await settled()
    expect(sent).to.deep.equal([1, 1, 1, 1, 1, 1, 1, 1, 2])
    expect([kept(), replies()]).to.deep.equal([0, 2])
    expect(waits).to.deep.equal([1000, 2000, 4000, 8000, 15000, 15000, 15000])
  })

  it('goes on after a reply that broke off, or that something else on the network gave', async () => {
    const { queue, sent, kept, states, settled } = queueOn([new TypeError('broke off'), new SyntaxError('<html>')])
    queue.add([move(1), move(2)])
    await settled()
    expect([sent, kept()]).to.deep.equal([[1, 1, 1, 2], 0])
    expect(states.at(-1)).to.deep.equal({ waiting: false, offline: false, held: 0, problem: undefined })
  })

  const HOLDING: [number, ProblemCode | undefined][] = [
    [403, 'link-closed'],
    [403, 'not-yet'],
    [403, 'waits'],
    [403, 'taken-out'],
    [404, 'no-such-link'],
    // A school's network that wants somebody to sign in first.
    [403, undefined],
    [409, undefined],
  ]
  for (const [status, code] of HOLDING)
    it(`keeps what was answered at ${status} ${code ?? ''}, says that it waits, and sends it once that has changed`, async () => {
      const refused = refusal(status, code)
      const { queue, sent, kept, aside, pass, states, waits, settled } = queueOn(['taken', refused, refused])
      queue.add([move(1), move(2)])
      await settled()
      queue.add([move(3)])
      await queue.tried()
      expect([sent, kept(), aside]).to.deep.equal([[1, 2], 2, []])
      expect([states.at(-1)?.held, states.at(-1)?.problem]).to.deep.equal([2, refused])
      // Time passes: it is tried now and then, whether or not anybody looks at the page.
      pass()
      await settled()
      expect([sent, kept(), waits]).to.deep.equal([[1, 2, 2], 2, [30_000, 30_000]])
      queue.resume()
      await settled()
      expect([sent, kept(), aside]).to.deep.equal([[1, 2, 2, 2, 3], 0, []])
      expect(states.at(-1)).to.deep.equal({ waiting: false, offline: false, held: 0, problem: undefined })
    })

  it('says that moves wait also while nobody is known here whose they could be', async () => {
    const { queue, sent, kept, pass, states, settled } = queueOn([refusal(403, 'waits')])
    queue.add([move(1)])
    await settled()
    queue.hold()
    pass()
    await settled()
    expect([sent, kept(), states.at(-1)?.held]).to.deep.equal([[1], 1, 1])
    queue.resume()
    await settled()
    expect([sent, kept(), states.at(-1)?.held]).to.deep.equal([[1, 1], 0, 0])
  })

  for (const never of [refusal(400), refusal(413), refusal(403, 'link-full')])
    it(`sets only the one move aside that can never be taken: ${never.status} ${never.code ?? ''}`, async () => {
      const { queue, sent, kept, aside, states, settled } = queueOn([never, 'taken'])
      queue.add([move(1), move(2)])
      await settled()
      expect([sent, kept(), aside]).to.deep.equal([[1, 2], 0, [1]])
      expect(states.some(({ problem }) => problem === never)).to.equal(true)
    })

  it('forgets what was not sent when somebody else takes the device, also while it is being sent', async () => {
    const { queue, sent, kept, settled } = queueOn([])
    queue.add([move(1), move(2)])
    queue.clear()
    await settled()
    queue.add([move(9)])
    await settled()
    expect([sent, kept()]).to.deep.equal([[1, 9], 0])
  })
})
