import { MAX_ENTRIES, MAX_PASTE, readPaste, type Field } from '@otter/core'
import { expect } from 'chai'
import {
  beginImport,
  excess,
  importReducer,
  isTooLong,
  understand,
  type ImportAction,
  type ImportState,
} from '../src/pages/list/import/importing.ts'
import type { ReadFile } from '../src/workers/importAnswer.ts'

const pasted = (text: string, cells?: string[][]): ImportState => beginImport({ pasted: { text, cells, files: [] } })
const after = (state: ImportState, ...actions: ImportAction[]): ImportState => actions.reduce(importReducer, state)
function told(state: ImportState, read?: ReadFile): string[] | undefined {
  let made = 0
  return understand(state, read, () => String(++made))?.entries.map(
    ({ answer, prompt, hint }) => `${answer.text}/${prompt.text}${hint === '' ? '' : `/${hint}`}`,
  )
}
const file = (name: string): File => ({ name }) as File

describe('What is taken in', () => {
  it('is understood from pasted text, and read otherwise when the teacher says so', () => {
    const state = pasted('drone = male bee\nbrood = young bees')
    expect(told(state)).to.deep.equal(['drone/male bee', 'brood/young bees'])
    expect(told(after(state, { type: 'set', separator: '' }))).to.deep.equal([
      'drone = male bee/',
      'brood = young bees/',
    ])
    expect(told(after(state, { type: 'swap', fields: ['answer', 'prompt'] }))).to.deep.equal([
      'male bee/drone',
      'young bees/brood',
    ])
    const others: Field[] = ['answer', 'hint']
    expect(told(after(state, { type: 'set', fields: others }))).to.deep.equal(['drone//male bee', 'brood//young bees'])
    expect(
      told(after(state, { type: 'set', fields: ['answer'] })),
      'columns chosen for another table count no more',
    ).to.deep.equal(['drone/male bee', 'brood/young bees'])
    expect(told(pasted('   \n '))).to.equal(undefined)
    expect(told(beginImport(undefined))).to.equal(undefined)
  })

  it('is a group with its words in each line where the teacher says so, and a word of two groups is one', () => {
    const groups = (state: ImportState): string[] | undefined => {
      let made = 0
      const found = understand({ ...state, areGroups: true }, undefined, () => String(++made))
      return (
        found && [
          ...found.entries.map((entry) => `${entry.answer.text}: ${entry.groups.join(', ')}`),
          ...found.left.map(({ line, why }) => `${line} ${why}`),
        ]
      )
    }
    const bees = ['queen: Bees, Chess', 'drone: Bees', 'rook: Chess']
    expect(groups(pasted('Bees: queen, drone\nChess: Queen, rook'))).to.deep.equal(bees)
    expect(groups(pasted('Bees:queen,drone\nChess：queen，rook'))).to.deep.equal(bees)
    expect(groups(pasted('Bees - queen; drone\nChess - queen; rook'))).to.deep.equal(bees)
    expect(
      groups(
        pasted('', [
          ['Bees', 'queen', 'drone'],
          ['Chess', 'queen', '', 'rook'],
        ]),
      ),
    ).to.deep.equal(bees)
    expect(groups(pasted('Group: queen\nAnswer: rook')), 'no line is a heading').to.deep.equal([
      'queen: Group',
      'rook: Answer',
    ])
    expect(groups(pasted('Bees: queen\nChess:\njust words'))).to.deep.equal(['queen: Bees', '2 no-group', '3 no-group'])
  })

  it('has a heading where one is seen, or where the teacher says so', () => {
    const state = pasted('Word\tClue\ndrone\tmale bee')
    expect(told(state)).to.deep.equal(['drone/male bee'])
    expect(told(after(state, { type: 'set', header: false }))).to.deep.equal(['Word/Clue', 'drone/male bee'])
    const bare = pasted('queen\tlays eggs\ndrone\tmale bee')
    expect(told(after(bare, { type: 'set', header: true }))).to.deep.equal(['drone/male bee'])
  })

  it('comes as cells from a spreadsheet, with line breaks inside them', () => {
    const cells = [
      ['drone', 'male\nbee'],
      ['brood', 'young bees'],
    ]
    expect(told(pasted('whatever', cells))).to.deep.equal(['drone/male\nbee', 'brood/young bees'])
  })

  it('may stand on one line, with a sign of the teacher’s between entries', () => {
    const state = pasted('drone: male bee; brood: young bees')
    expect(told(after(state, { type: 'set', separator: ':', between: ';' }))).to.deep.equal([
      'drone/male bee',
      'brood/young bees',
    ])
    const apart = after(pasted('drone\nmale bee\n\nbrood\nyoung bees'), {
      type: 'set',
      separator: '\n',
      between: '\\n\\n',
    })
    expect(told(apart)).to.deep.equal(['drone/male bee', 'brood/young bees'])
  })

  it('comes from a sheet of a workbook once it is read, and from the one that is chosen', () => {
    const read: ReadFile = {
      kind: 'tables',
      sheets: [
        { name: 'Bees', table: readPaste('drone\tmale bee') },
        { name: 'Ponds', table: readPaste('otter\tswims') },
      ],
    }
    const state = beginImport({ file: file('words.xlsx') })
    expect(told(state)).to.equal(undefined)
    expect(told(state, read)).to.deep.equal(['drone/male bee'])
    expect(told(after(state, { type: 'set', sheet: 1 }), read)).to.deep.equal(['otter/swims'])
    expect(told(after(state, { type: 'set', sheet: 7 }), read)).to.equal(undefined)
  })

  it('begins anew with another file, and keeps whether rows are written over', () => {
    const state = after(
      beginImport({ file: file('one.csv') }),
      { type: 'set', overwrite: true, sheet: 2, header: true },
      { type: 'file', file: file('two.csv') },
    )
    expect(state).to.deep.include({ sheet: 0, header: undefined, overwrite: true })
    expect(state.file?.name).to.equal('two.csv')
    expect(after(beginImport(undefined), { type: 'paste', text: 'a\tb' }).pasted?.text).to.equal('a\tb')
  })

  it('is refused where it is too long to be read, or more than there is room for', () => {
    const most = pasted('x'.repeat(MAX_PASTE))
    expect([isTooLong(most), isTooLong(pasted('x'.repeat(MAX_PASTE + 1)))]).to.deep.equal([false, true])
    expect(told(pasted('x'.repeat(MAX_PASTE + 1)))).to.equal(undefined)
    expect([
      excess(5, MAX_ENTRIES - 5, false),
      excess(6, MAX_ENTRIES - 5, false),
      excess(6, MAX_ENTRIES, true),
    ]).to.deep.equal([0, 1, 0])
  })
})
