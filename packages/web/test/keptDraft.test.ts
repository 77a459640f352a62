import { ListDetails, newEntry } from '@otter/core'
import { expect } from 'chai'
import type { Draft } from '../src/pages/list/draft/draft.ts'
import { forgetDraft, keepDraft, takeDrafts } from '../src/pages/list/draft/keptDraft.ts'

/** A storage of a browser, with room for so many letters. */
class FakeStorage {
  [key: string]: unknown

  constructor(room = Infinity) {
    const texts = new Map<string, string>()
    const hidden = { enumerable: false }
    Object.defineProperties(this, {
      getItem: { ...hidden, value: (key: string) => texts.get(key) ?? null },
      setItem: {
        ...hidden,
        value: (key: string, text: string) => {
          if (text.length > room) throw new Error('full')
          texts.set(key, text)
          this[key] = text
        },
      },
      removeItem: {
        ...hidden,
        value: (key: string) => {
          texts.delete(key)
          delete this[key]
        },
      },
    })
  }
}

const draft = (text: string): Draft => ({
  ...ListDetails.parse({ title: text }),
  entries: [{ ...newEntry({ id: '00000000-0000-4000-8000-000000000001', answer: { text } }), position: 1 }],
})
const globals = globalThis as unknown as { localStorage?: unknown; sessionStorage?: unknown }

/** Opens a window on the same device: what it names itself by is its own. */
function openWindow(): { asWindow: <Value>(work: () => Value) => Value } {
  const storage = new FakeStorage()
  return {
    asWindow: (work) => {
      globals.sessionStorage = storage
      return work()
    },
  }
}

describe('A draft kept on the device', () => {
  const before = { localStorage: globals.localStorage, sessionStorage: globals.sessionStorage }
  const warn = console.warn
  beforeEach(() => {
    globals.localStorage = new FakeStorage()
  })
  afterEach(() => {
    console.warn = warn
    Object.assign(globals, before)
  })
  const titles = (): string[] => takeDrafts('list').map((kept) => kept.draft.title)

  it('comes back to its own window after a reload, and stays until it is saved', () => {
    const { asWindow } = openWindow()
    asWindow(() => keepDraft('list', draft('saved'), draft('typed')))
    expect(asWindow(titles)).to.deep.equal(['typed'])
    expect(asWindow(titles), 'looking takes nothing away from the own window').to.deep.equal(['typed'])
    asWindow(() => forgetDraft('list'))
    expect(asWindow(titles)).to.deep.equal([])
  })

  it('is taken from a window that was closed, once, and not from one that is open', () => {
    const [closed, open, next] = [openWindow(), openWindow(), openWindow()]
    closed.asWindow(() => keepDraft('list', draft('saved'), draft('from closed'), true))
    open.asWindow(() => keepDraft('list', draft('saved'), draft('from open')))
    next.asWindow(() => keepDraft('other list', draft('saved'), draft('of another list'), true))
    expect(next.asWindow(titles)).to.deep.equal(['from closed'])
    expect(next.asWindow(titles)).to.deep.equal([])
    expect(open.asWindow(titles)).to.deep.equal(['from open'])
  })

  it('is taken from a window that has been silent for a minute, the oldest first', () => {
    const [crashed, closed, next] = [openWindow(), openWindow(), openWindow()]
    const now = Date.now
    try {
      Date.now = () => now() - 61_000
      crashed.asWindow(() => keepDraft('list', draft('saved'), draft('from crashed')))
    } finally {
      Date.now = now
    }
    closed.asWindow(() => keepDraft('list', draft('saved'), draft('from closed'), true))
    expect(next.asWindow(titles)).to.deep.equal(['from closed', 'from crashed'])
  })

  it('is lost without harm where the device has no room', () => {
    globals.localStorage = new FakeStorage(10)
    let said = ''
    console.warn = (text: string) => (said = text)
    const { asWindow } = openWindow()
    asWindow(() => keepDraft('list', draft('saved'), draft('typed')))
    expect(said).to.include('no room')
    expect(asWindow(titles)).to.deep.equal([])
  })
})
