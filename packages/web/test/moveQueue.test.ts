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
  states: MoveQueueState[]
  waits: number[]
  replies: () => number
  settled: () => Promise<void>
} {
  const sent: number[] = []
  const states: MoveQueueState[] = []
  const waits: number[] = []
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
    wait: (milliseconds) => {
      waits.push(milliseconds)
      return Promise.resolve()
    },
    onReply: () => replies++,
    onChange: (state) => states.push(state),
  })
  return {
    queue,
    sent,
    kept: () => kept,
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
    expect(states.at(-1)).to.deep.equal({ waiting: false, offline: false, problem: undefined })
  })

  it('stops when the game is closed, keeps what was answered, and goes on when it is open again', async () => {
    const { queue, sent, kept, states, settled } = queueOn(['taken', refusal(403, 'link-closed')])
    queue.add([move(1), move(2)])
    await settled()
    queue.add([move(3)])
    await settled()
    expect([sent, kept()]).to.deep.equal([[1, 2], 2])
    expect([states.at(-1)?.waiting, states.at(-1)?.problem?.code]).to.deep.equal([false, 'link-closed'])
    queue.resume()
    await settled()
    expect([sent, kept(), states.at(-1)?.problem]).to.deep.equal([[1, 2, 2, 3], 0, undefined])
  })

  it('drops only the one move that can’t be read', async () => {
    const { queue, sent, kept, states, settled } = queueOn([refusal(400), 'taken'])
    queue.add([move(1), move(2)])
    await settled()
    expect([sent, kept()]).to.deep.equal([[1, 2], 0])
    expect(states.some(({ problem }) => problem?.status === 400)).to.equal(true)
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
