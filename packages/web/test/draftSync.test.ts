import type { ListReply, PlacedEntry, SaveList } from '@otter/api'
import { ListDetails, newEntry } from '@otter/core'
import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { ApiError } from '../src/api/client.ts'
import { draftOf, insertRows, type Draft, type Overruled } from '../src/pages/list/draft/draft.ts'
import { DraftSync, type SaveState } from '../src/pages/list/draft/draftSync.ts'
import { beginHistory, carried, record, redone, undone, type History } from '../src/pages/list/draft/history.ts'

const entry = (id: string, position: number, text = id): PlacedEntry => newEntry({ id, position, answer: { text } })
const listOf = (...entries: PlacedEntry[]): ListReply => ({
  ...ListDetails.parse({ title: 'Words' }),
  id: 'list',
  version: 1,
  entries,
})
/** The order the server keeps: where two windows put rows in at one place, by their ids. */
const inOrder = (one: PlacedEntry, other: PlacedEntry): number =>
  one.position - other.position || (one.id < other.id ? -1 : 1)
const textsOf = ({ entries }: Pick<Draft, 'entries'>): string[] =>
  [...entries].sort(inOrder).map(({ answer }) => answer.text)
const typed = (draft: Draft, id: string, text: string): Draft => ({
  ...draft,
  entries: draft.entries.map((other) => (other.id === id ? { ...other, answer: { text } } : other)),
})

/** A list on a server that answers as it is told, and a window on it. */
class Server {
  list: ListReply
  /** What goes wrong with the next requests, first come first. */
  troubles: (ApiError | undefined)[] = []
  saves = 0

  constructor(list: ListReply) {
    this.list = list
  }

  save({ version, put = [], remove = [], ...details }: SaveList): number {
    const trouble = this.troubles.shift()
    if (trouble) throw trouble
    if (version !== this.list.version) throw new ApiError({ status: 409, path: 'version' })
    const ids = new Set([...remove, ...put.map(({ id }) => id)])
    const kept = this.list.entries.filter(({ id }) => !ids.has(id))
    this.list = {
      ...this.list,
      ...(details as Partial<ListReply>),
      version: version + 1,
      entries: [...kept, ...(put as PlacedEntry[])].sort(inOrder),
    }
    this.saves++
    return this.list.version
  }
}

interface Window {
  sync: DraftSync
  state: { save: SaveState; problem?: string }
  overruled: Overruled[]
  history: History
  kept: { saved: Draft; draft: Draft; closing: boolean | undefined } | undefined
  waits: number[]
  /** Lets the time come that is waited for. */
  tick: () => Promise<void>
}

function openWindow(server: Server): Window {
  let due: (() => void) | undefined
  const own: Window = {
    sync: undefined as unknown as DraftSync,
    state: { save: 'saved' },
    overruled: [],
    history: beginHistory(draftOf(server.list)),
    kept: undefined,
    waits: [],
    tick: async () => {
      const act = due
      due = undefined
      act?.()
      await new Promise((resolve) => setTimeout(resolve, 1))
    },
  }
  own.sync = new DraftSync(server.list, draftOf(server.list), {
    save: async (changes) => ({ version: server.save(structuredClone(changes)) }),
    load: async () => structuredClone(server.list),
    loadVersion: async () => ({ version: server.list.version }),
    keep: (saved, draft, closing) => (own.kept = { saved, draft, closing }),
    forget: () => (own.kept = undefined),
    later: (milliseconds, act) => {
      own.waits.push(milliseconds)
      due = act
      return () => (due = undefined)
    },
    onState: (save, problem) => (own.state = { save, ...(problem !== undefined && { problem }) }),
    onMerge: (draft, overruled, carry) => {
      own.history = carried(own.history, draft, carry)
      own.overruled.push(...overruled)
    },
  })
  return own
}

function type(window: Window, id: string, text: string): void {
  const next = typed(window.sync.now, id, text)
  window.history = record(window.history, next, undefined)
  window.sync.change(next)
}

describe('A draft kept in step with its list', () => {
  it('is saved once typing rests, all in one', async () => {
    const server = new Server(listOf(entry('a', 1), entry('b', 2)))
    const window = openWindow(server)
    for (const text of ['c', 'co', 'com', 'comb']) type(window, 'a', text)
    expect([server.saves, window.state.save]).to.deep.equal([0, 'saving'])
    await window.tick()
    expect([server.saves, textsOf(server.list), window.state.save, window.kept]).to.deep.equal([
      1,
      ['comb', 'b'],
      'saved',
      undefined,
    ])
    await window.sync.flush()
    expect(server.saves, 'what is saved is not saved again').to.equal(1)
  })

  it('is kept on the device and tried again, with longer waits, until there is a connection', async () => {
    const server = new Server(listOf(entry('a', 1)))
    const window = openWindow(server)
    server.troubles = Array.from({ length: 7 }, () => new ApiError({ status: 0, code: 'offline', title: 'no net' }))
    type(window, 'a', 'comb')
    for (let tries = 0; tries < 7; tries++) {
      await window.tick()
      expect([window.state.save, window.state.problem, window.kept?.draft && textsOf(window.kept.draft)]).to.deep.equal(
        ['failed', 'no net', ['comb']],
      )
    }
    expect(window.waits).to.deep.equal([400, 1000, 2000, 4000, 8000, 16_000, 20_000, 20_000])
    type(window, 'a', 'combs')
    expect(window.state.save, 'what failed is said until it has worked').to.equal('failed')
    await window.tick()
    expect([textsOf(server.list), window.state, window.kept]).to.deep.equal([['combs'], { save: 'saved' }, undefined])
  })

  it('takes over what another window changed, offers back what gave way, and carries it into what can be undone', async () => {
    const server = new Server(listOf(entry('a', 1), entry('b', 2)))
    const [one, two] = [openWindow(server), openWindow(server)]
    type(one, 'a', 'first')
    type(two, 'a', 'second')
    type(two, 'b', 'bee')
    await one.tick()
    await two.tick()
    expect([textsOf(server.list), server.saves]).to.deep.equal([['second', 'bee'], 2])
    expect(two.overruled).to.have.length(1)
    expect(two.overruled[0]).to.nested.include({ 'entry.answer.text': 'first', removedHere: false })
    await one.sync.look()
    expect(textsOf(one.sync.now)).to.deep.equal(['second', 'bee'])
    const back = undone(one.history)
    expect(textsOf(back.now), 'undoing takes back what was typed here alone').to.deep.equal(['a', 'bee'])
    await one.sync.look()
    expect(one.overruled, 'what was saved before it was changed elsewhere gives way to nobody').to.deep.equal([])
  })

  it('is kept and sent while the page goes, and throws only what is no refusal', async () => {
    const server = new Server(listOf(entry('a', 1)))
    const window = openWindow(server)
    window.sync.leave()
    expect(server.saves, 'nothing is sent where nothing has changed').to.equal(0)
    type(window, 'a', 'comb')
    window.sync.leave()
    expect([server.saves, window.kept?.closing]).to.deep.equal([1, true])
    const other = openWindow(server)
    server.troubles = [new Error('a mistake of ours') as ApiError]
    type(other, 'a', 'x')
    await other.sync.flush().then(
      () => expect.fail('it was no refusal'),
      (error: Error) => expect(error.message).to.equal('a mistake of ours'),
    )
    expect(await other.sync.flush(), 'the next try is not held up by it').to.equal(true)
  })

  it('leads any number of windows to one list, whatever is typed, put in and taken out, and fails on the way', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(2), fc.nat(4), fc.constantFrom('type', 'add', 'remove', 'tick', 'look', 'fail')), {
          maxLength: 40,
        }),
        async (steps) => {
          const server = new Server(listOf(entry('e0', 1), entry('e1', 2), entry('e2', 3)))
          const windows = [openWindow(server), openWindow(server), openWindow(server)]
          for (const [index, [at, place, act]] of steps.entries()) {
            const window = windows[at]!
            const { entries } = window.sync.now
            const target = entries[place % Math.max(1, entries.length)]
            if (act === 'type' && target) type(window, target.id, `typed ${index}`)
            else if (act === 'add')
              window.sync.change({
                ...window.sync.now,
                entries: insertRows(entries, place % (entries.length + 1), [entry(`new${index}`, 0)]),
              })
            else if (act === 'remove' && target)
              window.sync.change({ ...window.sync.now, entries: entries.filter((other) => other !== target) })
            else if (act === 'look') await window.sync.look()
            else if (act === 'fail') server.troubles.push(new ApiError({ status: 503, title: 'down' }))
            else await window.tick()
          }
          server.troubles = []
          for (const { sync } of windows) expect(await sync.flush()).to.equal(true)
          for (const { sync } of windows) await sync.look()
          for (const { sync } of windows) expect(textsOf(sync.now)).to.deep.equal(textsOf(server.list))
        },
      ),
      { numRuns: runs(60) },
    )
  }).timeout(60_000)
})

describe('The history of a draft', () => {
  const draft = (text: string): Draft => draftOf(listOf(entry('a', 1, text)))

  it('undoes edits of one group together, and redoes them', () => {
    let history = beginHistory(draft('c'))
    for (const text of ['co', 'com']) history = record(history, draft(text), 'a answer')
    history = record(history, draft('comb'), 'other')
    expect(textsOf(undone(history).now)).to.deep.equal(['com'])
    expect(textsOf(undone(undone(history)).now)).to.deep.equal(['c'])
    expect(textsOf(redone(redone(undone(undone(history)))).now)).to.deep.equal(['comb'])
    expect(undone(beginHistory(draft('c'))).past).to.deep.equal([])
    expect(redone(history), 'nothing to redo gives back the very same').to.equal(history)
  })

  it('forgets what was undone once something else is done, and what is older than two hundred steps', () => {
    let history = beginHistory(draft('0'))
    for (let step = 1; step <= 300; step++) history = record(history, draft(String(step)), undefined)
    expect(history.past).to.have.length(200)
    const other = record(undone(history), draft('other'), undefined)
    expect(other.future).to.deep.equal([])
  })
})
