import type { PlacedEntry } from '@otter/api'
import { newEntry, type Entry } from '@otter/core'
import { expect } from 'chai'
import fc from 'fast-check'
import { cellText, COLUMNS, withCellText, type Column } from '../src/pages/list/table/columns.ts'
import {
  asHtml,
  asTabs,
  clearSelected,
  fillDown,
  overwriteCells,
  selectedCells,
  selectRange,
  toggleRow,
} from '../src/pages/list/table/selection.ts'
import { commandFor, type CaretPlace, type KeyPress, type TablePlace } from '../src/pages/list/table/tableKeys.ts'

const row = (id: string, position: number, rest: Partial<Entry> = {}): PlacedEntry =>
  newEntry({ id, position, answer: { text: `${id} answer` }, prompt: { text: `${id} prompt` }, ...rest })
const ROWS = [row('a', 1, { hint: 'first' }), row('b', 2), row('c', 3), row('d', 4)]
const ids = (entries: readonly PlacedEntry[]): string => entries.map(({ id }) => id).join('')

describe('Keys in the table of words', () => {
  const press = (key: string, held = ''): KeyPress => ({
    key,
    shift: held.includes('s'),
    alt: held.includes('a'),
    control: held.includes('c'),
  })
  const caret = (place: 'start' | 'middle' | 'end' | 'both', rest: Partial<CaretPlace> = {}): CaretPlace => ({
    atStart: place === 'start' || place === 'both',
    atEnd: place === 'end' || place === 'both',
    marks: false,
    rightToLeft: false,
    ...rest,
  })
  const second: TablePlace = { row: 1, count: 3, selects: false }
  const selecting: TablePlace = { ...second, selects: true }
  const empty: TablePlace = { row: 3, count: 3, selects: false }
  const told = (pressed: KeyPress, where = caret('middle'), place = second): string | undefined => {
    const command = commandFor(pressed, where, place)
    return command && ('by' in command ? `${command.name} ${command.by}` : command.name)
  }

  it('Enter goes to the next row and back, and with Alt to the mends of an entry', () => {
    expect([told(press('Enter')), told(press('Enter', 's')), told(press('Enter', 'a'))]).to.deep.equal([
      'row 1',
      'row -1',
      'mends',
    ])
    expect(told(press('Enter', 'a'), caret('middle'), empty)).to.equal(undefined)
  })

  it('arrows leave a cell at its edge alone, by the direction of its text', () => {
    const leaves = (key: string, where: CaretPlace): boolean => told(press(key), where) !== undefined
    expect([leaves('ArrowUp', caret('start')), leaves('ArrowUp', caret('end'))]).to.deep.equal([true, false])
    expect([leaves('ArrowDown', caret('start')), leaves('ArrowDown', caret('end'))]).to.deep.equal([false, true])
    expect(told(press('ArrowLeft'), caret('start'))).to.equal('column -1')
    expect(told(press('ArrowRight'), caret('end'))).to.equal('column 1')
    expect(told(press('ArrowLeft'), caret('end'))).to.equal(undefined)
    const hebrew = { rightToLeft: true }
    expect(told(press('ArrowLeft'), caret('end', hebrew))).to.equal('column -1')
    expect(told(press('ArrowRight'), caret('end', hebrew))).to.equal(undefined)
    expect(told(press('ArrowRight'), caret('both', { marks: true })), 'a marked text loses its mark').to.equal(
      undefined,
    )
    expect(told(press('ArrowRight', 's'), caret('both')), 'marking goes on').to.equal(undefined)
  })

  it('Alt with arrows moves the row, Shift draws the selection, also from within a cell once there is one', () => {
    expect(told(press('ArrowUp', 'a'))).to.equal('move -1')
    expect(told(press('ArrowDown', 'a'))).to.equal('move 1')
    expect(told(press('ArrowDown', 's'), caret('end'))).to.equal('extend 1')
    expect(told(press('ArrowDown', 's'), caret('middle'), selecting)).to.equal(undefined)
    expect(told(press('ArrowUp', 's'), caret('middle'), selecting)).to.equal('extend -1')
    expect(told(press('ArrowUp', 's'), caret('middle'))).to.equal(undefined)
  })

  it('what is selected is let go, emptied and filled; what is not stays as it is', () => {
    const commands = (place: TablePlace): (string | undefined)[] =>
      [press('Escape'), press('Delete'), press('Backspace'), press('d', 'c')].map((key) =>
        told(key, caret('middle'), place),
      )
    expect(commands(selecting)).to.deep.equal(['unselect', 'clear', 'clear', 'fill'])
    expect(commands(second)).to.deep.equal([undefined, undefined, undefined, 'fill-from-above'])
    expect(commands(empty)).to.deep.equal([undefined, undefined, undefined, undefined])
    expect(told(press('d', 'c'), caret('middle'), { ...second, row: 0 }), 'nothing is above the first').to.equal(
      undefined,
    )
    expect(told(press('d')), 'a letter is a letter').to.equal(undefined)
  })

  it('shortcuts do what they say, and nothing to the empty row', () => {
    const SHORTCUTS: [KeyPress, string, string | undefined][] = [
      [press('Backspace', 'c'), 'remove', undefined],
      [press('.', 'c'), 'open', undefined],
      [press(' ', 'cs'), 'select-row', undefined],
      [press('z', 'c'), 'undo', 'undo'],
      [press('Z', 'cs'), 'redo', 'redo'],
      [press('y', 'c'), 'redo', 'redo'],
    ]
    for (const [key, onEntry, onEmpty] of SHORTCUTS)
      expect([told(key), told(key, caret('middle'), empty)], key.key).to.deep.equal([onEntry, onEmpty])
    expect([told(press('a', 'c'), caret('both')), told(press('a', 'c'), caret('start'))]).to.deep.equal([
      'select-all',
      undefined,
    ])
    for (const key of ['x', 'Tab', 'Home', '.', ' ', 'z', 'y', 'a'])
      expect(told(press(key), caret('both')), key).to.equal(undefined)
  })
})

describe('A selection in the table', () => {
  it('runs from where it began to where it is drawn to, either way, and never past the list', () => {
    expect([...selectRange(ROWS, 2, 0, 'all')!.ids].join('')).to.equal('abc')
    expect([...selectRange(ROWS, 1, 9, ['answer'])!.ids].join('')).to.equal('bcd')
    expect(selectRange(ROWS, 1, 9, 'all')!.head).to.equal(3)
    expect(selectRange([], 0, 0, 'all')).to.equal(undefined)
    expect(selectRange(ROWS, 7, 9, 'all')).to.equal(undefined)
  })

  it('takes single rows in and out, and begins anew after cells', () => {
    const both = toggleRow(toggleRow(undefined, 'a', 0), 'c', 2)!
    expect([[...both.ids].join(''), both.columns, both.anchor]).to.deep.equal(['ac', 'all', 2])
    expect([...toggleRow(both, 'a', 0)!.ids].join('')).to.equal('c')
    expect(toggleRow(toggleRow(both, 'a', 0), 'c', 2)).to.equal(undefined)
    expect([...toggleRow(selectRange(ROWS, 0, 2, ['hint']), 'd', 3)!.ids].join('')).to.equal('d')
  })

  it('is copied as it is shown: its rows, in the columns that are there', () => {
    const cells = selectRange(ROWS, 0, 1, ['hint', 'answer', 'fact'])!
    expect(selectedCells(ROWS, cells, ['answer', 'hint'])).to.deep.equal([
      ['a answer', 'first'],
      ['b answer', ''],
    ])
    expect(selectedCells(ROWS, { ...cells, columns: 'all' }, ['prompt'])).to.deep.equal([['a prompt'], ['b prompt']])
  })

  it('is filled from its first row alone, and only in its columns', () => {
    const filled = fillDown(ROWS, selectRange(ROWS, 2, 0, ['hint'])!, ['answer', 'hint'])
    expect(filled.map(({ hint, answer }) => `${answer.text}: ${hint}`)).to.deep.equal([
      'a answer: first',
      'b answer: first',
      'c answer: first',
      'd answer: ',
    ])
    expect(fillDown(ROWS, { ids: new Set(['gone']), columns: 'all', anchor: 0, head: 0 }, ['hint'])).to.deep.equal(ROWS)
  })

  it('is emptied: cells lose their text, rows go', () => {
    const cleared = clearSelected(ROWS, selectRange(ROWS, 0, 1, ['prompt'])!)
    expect(cleared.map(({ prompt }) => prompt.text)).to.deep.equal(['', '', 'c prompt', 'd prompt'])
    expect(ids(cleared)).to.equal('abcd')
    expect(ids(clearSelected(ROWS, selectRange(ROWS, 1, 2, 'all')!))).to.equal('ad')
  })

  it('is written over from a cell on, within the table, leaving out what a column can’t hold', () => {
    const shown: Column[] = ['answer', 'worth', 'prompt']
    const written = overwriteCells(ROWS, 1, 'worth', shown, [
      ['20', 'new prompt', 'beyond'],
      ['not a number', 'also new'],
      ['5'],
      ['past the end'],
    ])
    expect(written.map(({ answer, worth, prompt }) => [answer.text, worth, prompt.text])).to.deep.equal([
      ['a answer', null, 'a prompt'],
      ['b answer', 20, 'new prompt'],
      ['c answer', null, 'also new'],
      ['d answer', 5, 'd prompt'],
    ])
  })
})

describe('The clipboard of the table', () => {
  it('quotes what a spreadsheet would take for another cell', () => {
    expect(
      asTabs([
        ['plain', 'a\tb'],
        ['say "hi"', 'two\nlines'],
      ]),
    ).to.equal('plain\t"a\tb"\n"say ""hi"""\t"two\nlines"')
    expect(asHtml([['<b> & co', 'two\nlines']])).to.equal(
      '<table><tr><td>&lt;b&gt; &amp; co</td><td>two<br>lines</td></tr></table>',
    )
  })

  it('gives back every cell that is copied and pasted, in every column', () => {
    const text = fc.stringMatching(/^[a-z✓é]{1,6}$/u)
    const anyEntry = fc.record({
      hint: text,
      fact: text,
      accepted: fc.array(text, { maxLength: 4 }),
      groups: fc.array(text, { maxLength: 3 }),
      standards: fc.array(text, { maxLength: 3 }),
      worth: fc.option(fc.nat(10_000)),
      seconds: fc.option(fc.integer({ min: 1, max: 3600 })),
      scored: fc.boolean(),
    })
    fc.assert(
      fc.property(anyEntry, (parts) => {
        const from = row('from', 1, parts)
        const onto = row('onto', 2)
        for (const column of COLUMNS)
          expect(withCellText(onto, column, cellText(from, column))?.[column], column).to.deep.equal(from[column])
      }),
    )
  })

  it('reads choices with the right ones marked, and keeps the picture of each place', () => {
    const picture = { id: 'p', alt: '', credit: '' }
    const before = row('q', 1, { choices: [{ text: 'one', right: false, picture }] })
    const typed = withCellText(before, 'choices', ' uno | ✓dos| *tres ||')!
    expect(typed.choices.map(({ text, right }) => `${right ? '+' : '-'}${text}`).sort()).to.deep.equal([
      '+dos',
      '+tres',
      '-uno',
    ])
    expect(typed.choices.find(({ text }) => text === 'uno')?.picture).to.deep.equal(picture)
    expect(
      withCellText(before, 'choices', Array.from({ length: 20 }, (_, index) => `c${index}`).join('|'))!.choices,
    ).to.have.length(11)
  })

  it('refuses numbers and words that a column can’t hold', () => {
    const takes = (column: Column, ...texts: string[]): boolean[] =>
      texts.map((text) => withCellText(ROWS[0]!, column, text) !== undefined)
    expect(takes('worth', '0', '10000', '10001', '-1', '1.5', 'x', ' ')).to.deep.equal([
      true,
      true,
      false,
      false,
      false,
      false,
      true,
    ])
    expect(takes('seconds', '0', '1', '3600', '3601')).to.deep.equal([false, true, true, false])
    expect(takes('scored', 'yes', 'NO', 'x', '', 'maybe')).to.deep.equal([true, true, true, true, false])
    expect(withCellText(ROWS[0]!, 'scored', 'false')!.scored).to.equal(false)
  })
})
