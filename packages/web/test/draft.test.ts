import type { PlacedEntry } from '@otter/api'
import { expect } from 'chai'
import fc from 'fast-check'
import { changesBetween, insertRows, rebase, type Draft } from '../src/pages/list/draft.ts'

const entry = (id: string, position: number, text = id): PlacedEntry => ({ id, position, answer: { text }, prompt: { text: '' } })
const draft = (...entries: PlacedEntry[]): Draft => ({ title: 'Words', answerLanguage: '', promptLanguage: '', entries })
const row = (text: string): { answer: string; prompt: string } => ({ answer: text, prompt: '' })

describe('the draft of a list', () => {
  it('sends only what changed', () => {
    const saved = draft(entry('a', 1), entry('b', 2), entry('c', 3))
    expect(changesBetween(saved, saved)).to.equal(undefined)
    expect(changesBetween(saved, { ...draft(saved.entries[0], entry('c', 3, 'sea')), title: 'Rivers' })).to.deep.equal({ put: [entry('c', 3, 'sea')], remove: ['b'], title: 'Rivers' })
  })

  it('keeps rows in order wherever and however often rows are put in', () => {
    fc.assert(fc.property(fc.array(fc.tuple(fc.nat(200), fc.integer({ min: 1, max: 5 })), { maxLength: 120 }), (steps) => {
      let entries: PlacedEntry[] = []
      let order: string[] = []
      steps.forEach(([place, count], step) => {
        const index = place % (entries.length + 1)
        const texts = Array.from({ length: count }, (_, number) => `${step}.${number}`)
        entries = insertRows(entries, index, texts.map(row))
        order = [...order.slice(0, index), ...texts, ...order.slice(index)]
      })
      expect([...entries].sort((one, other) => one.position - other.position).map(({ answer }) => answer.text)).to.deep.equal(order)
    }))
    let entries = [entry('first', 1), entry('last', 2)]
    for (let index = 0; index < 100; index++) entries = insertRows(entries, 1, [row(String(index))])
    expect(new Set(entries.map(({ position }) => position)).size).to.equal(102)
  })

  it('puts changes made here on top of changes made elsewhere, and loses neither', () => {
    const saved = draft(entry('a', 1), entry('b', 2), entry('c', 3))
    const here = draft(entry('a', 1, 'mine'), entry('new', 1.5), entry('c', 3))
    const there = { ...draft(entry('a', 1, 'theirs'), entry('b', 2), entry('c', 3, 'theirs'), entry('d', 4)), title: 'Renamed' }
    const merged = rebase(saved, here, there)
    expect(merged.title).to.equal('Renamed')
    expect(merged.entries.map(({ id, answer }) => [id, answer.text])).to.deep.equal([['a', 'mine'], ['new', 'new'], ['c', 'theirs'], ['d', 'd']])
  })
})
