import type { PlacedEntry } from '@otter/api'
import { ListDetails, newEntry, type Entry } from '@otter/core'
import { expect } from 'chai'
import fc from 'fast-check'
import {
  changesBetween,
  insertRows,
  moveRows,
  placeOfChange,
  rebase,
  type Draft,
} from '../src/pages/list/draft/draft.ts'
import { runs } from '../../../scripts/testing/lane.mjs'

const entry = (id: string, position: number, text = id, rest: Partial<Entry> = {}): PlacedEntry =>
  newEntry({ id, position, answer: { text }, ...rest })
const draft = (...entries: PlacedEntry[]): Draft => ({ ...ListDetails.parse({ title: 'Words' }), entries })
const textsOf = (entries: readonly PlacedEntry[]): string[] =>
  [...entries].sort((one, other) => one.position - other.position).map(({ answer }) => answer.text)

describe('the draft of a list', () => {
  it('sends only what changed', () => {
    const saved = draft(entry('a', 1), entry('b', 2), entry('c', 3))
    expect(changesBetween(saved, saved)).to.equal(undefined)
    expect(changesBetween(saved, structuredClone(saved))).to.equal(undefined)
    expect(
      changesBetween(saved, { ...draft(saved.entries[0]!, entry('c', 3, 'sea')), title: 'Rivers', tags: ['x'] }),
    ).to.deep.equal({ put: [entry('c', 3, 'sea')], remove: ['b'], title: 'Rivers', tags: ['x'] })
  })

  it('tells where two drafts first differ, so that a step taken back is shown where it happened', () => {
    const before = draft(entry('a', 1), entry('b', 2), entry('c', 3))
    expect(placeOfChange(before, { ...before, title: 'Other' })).to.equal(undefined)
    expect(placeOfChange(before, draft(entry('a', 1), entry('b', 2, 'bee'), entry('c', 3)))).to.deep.equal({
      row: 1,
      field: 'answer',
    })
    expect(placeOfChange(before, draft(entry('a', 1), entry('c', 3)))).to.deep.equal({ row: 1, field: undefined })
    expect(placeOfChange(draft(entry('a', 1)), before)).to.deep.equal({ row: 1, field: undefined })
    expect(placeOfChange(before, draft(entry('a', 1), entry('b', 2)))).to.deep.equal({ row: 2, field: undefined })
  })

  it('keeps rows in order wherever and however often rows are put in or moved', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(200), fc.integer({ min: 1, max: 5 }), fc.boolean()), { maxLength: 80 }),
        (steps) => {
          let entries: PlacedEntry[] = []
          let order: string[] = []
          steps.forEach(([place, count, moves], step) => {
            const index = place % (entries.length + 1)
            if (moves) {
              const ids = new Set(entries.filter((_, row) => (row + step) % 3 === 0).map(({ id }) => id))
              entries = moveRows(entries, ids, index)
              const rest = order.slice(index).filter((text) => !ids.has(text))
              order = [
                ...order.slice(0, index).filter((text) => !ids.has(text)),
                ...order.filter((text) => ids.has(text)),
                ...rest,
              ]
            } else {
              const texts = Array.from({ length: count }, (_, number) => `${step}.${number}`)
              entries = insertRows(
                entries,
                index,
                texts.map((text) => entry(text, 0)),
              )
              order = [...order.slice(0, index), ...texts, ...order.slice(index)]
            }
          })
          expect(textsOf(entries)).to.deep.equal(order)
          expect(entries.map(({ answer }) => answer.text)).to.deep.equal(order)
        },
      ),
    )
    let entries = [entry('first', 1), entry('last', 2)]
    for (let index = 0; index < 100; index++) entries = insertRows(entries, 1, [entry(String(index), 0)])
    expect(new Set(entries.map(({ position }) => position)).size).to.equal(102)
  })

  it('puts changes made here on top of changes made elsewhere, and offers back what gave way', () => {
    const saved = draft(entry('a', 1), entry('b', 2), entry('c', 3), entry('e', 5), entry('f', 6))
    const here = draft(entry('a', 1, 'mine'), entry('new', 1.5), entry('c', 3), entry('e', 5, 'mine'))
    const there = {
      ...draft(
        entry('a', 1, 'theirs'),
        entry('b', 2),
        entry('c', 3, 'theirs'),
        entry('d', 4),
        entry('e', 5, 'e', { hint: 'theirs' }),
        entry('f', 6, 'theirs'),
      ),
      title: 'Renamed',
    }
    const { draft: merged, overruled } = rebase(saved, here, there)
    expect(merged.title).to.equal('Renamed')
    expect(merged.entries.map(({ id, answer, hint }) => [id, answer.text, hint])).to.deep.equal([
      ['a', 'mine', ''],
      ['new', 'new', ''],
      ['c', 'theirs', ''],
      ['d', 'd', ''],
      ['e', 'mine', 'theirs'],
    ])
    expect(overruled).to.deep.equal([
      { entry: there.entries[0], removedHere: false },
      { entry: there.entries[5], removedHere: true },
    ])
    expect(rebase(saved, { ...saved, title: 'Mine' }, there)).to.deep.include({
      overruled: [{ detail: 'title', value: 'Renamed' }],
    })
  })

  it('loses no typing: whatever two windows type, each text is in the merged list or offered back', () => {
    const typing = fc.array(fc.tuple(fc.nat(4), fc.constantFrom('answer', 'hint', 'remove', 'add')), { maxLength: 6 })
    fc.assert(
      fc.property(typing, typing, (mine, theirs) => {
        const saved = draft(...['a', 'b', 'c', 'd', 'e'].map((id, index) => entry(id, index + 1)))
        const typed: string[] = []
        const apply = (who: string, steps: [number, string][]): Draft =>
          steps.reduce((now: Draft, [row, what], step): Draft => {
            const text = `${who}${step}`
            if (what === 'add')
              return { ...now, entries: insertRows(now.entries, Math.min(row, now.entries.length), [entry(text, 0)]) }
            if (what === 'remove') return { ...now, entries: now.entries.filter((_, index) => index !== row) }
            return {
              ...now,
              entries: now.entries.map((one, index) =>
                index !== row ? one : what === 'hint' ? { ...one, hint: text } : { ...one, answer: { text } },
              ),
            }
          }, saved)
        const [here, there] = [apply('mine', mine), apply('theirs', theirs)]
        const { draft: merged, overruled } = rebase(saved, here, there)
        for (const { answer, hint } of [...here.entries, ...there.entries]) typed.push(answer.text, hint)
        const all = [...merged.entries, ...overruled.flatMap((one) => ('entry' in one ? [one.entry] : []))].flatMap(
          ({ answer, hint }) => [answer.text, hint],
        )
        for (const text of typed.filter((one) => /^(mine|theirs)/u.test(one))) expect(all).to.include(text)
      }),
      { numRuns: runs(400) },
    )
  })
})
