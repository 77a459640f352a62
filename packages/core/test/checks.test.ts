import { expect } from 'chai'
import fc from 'fast-check'
import {
  checkList,
  mendEntries,
  newEntry,
  type CheckCode,
  type CheckNote,
  type Entry,
  type EntryList,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'
import { anyEntry } from './anyEntry.ts'
import { idOf } from './sampleWords.ts'

const listOf = (entries: Entry[]): EntryList => ({ title: '', answerLanguage: 'en', promptLanguage: 'en', entries })
const rows = (...all: (Partial<Omit<Entry, 'answer' | 'prompt'>> & { answer?: string; prompt?: string })[]): Entry[] =>
  all.map(({ answer = '', prompt = '', ...rest }, index) =>
    newEntry({ id: idOf(index), ...rest, answer: { text: answer }, prompt: { text: prompt } }),
  )
const codesOf = (entries: Entry[]): [number, CheckCode][] =>
  checkList(listOf(entries)).map(({ code, entryIds }) => [entries.findIndex(({ id }) => id === entryIds[0]) + 1, code])

describe('what is wrong with a list', () => {
  it('finds each mistake beside its row', () => {
    const wrong = (text: string): Entry['choices'][number] => ({ text, right: false })
    expect(codesOf(rows({ prompt: 'Capital of Peru?', choices: [wrong('Lima'), wrong('Quito')] }))).to.deep.equal([
      [1, 'no-right-choice'],
    ])
    expect(
      codesOf(rows({ prompt: 'Capital of Peru?', choices: [{ text: 'Lima', right: true }, wrong('Quito')] })),
    ).to.deep.equal([])
    expect(codesOf(rows({ answer: 'Lima', prompt: 'Capital?', choices: [wrong(' LIMA! ')] }))).to.include.deep.members([
      [1, 'choice-is-right'],
    ])
    expect(codesOf(rows({ answer: 'año', prompt: 'year', choices: [wrong('ano')] }))).to.deep.equal([])
    expect(
      codesOf(rows({ answer: 'nectar', prompt: 'made by bees' }, { answer: 'wax', prompt: 'Made by bees.' })),
    ).to.deep.equal([[2, 'same-prompt']])
    expect(
      codesOf(rows({ answer: 'nectar', prompt: 'sweet' }, { answer: 'Nectar', prompt: 'of flowers' })),
    ).to.deep.equal([[2, 'same-answer']])
    expect(codesOf(rows({ answer: 'nectar', prompt: 'sweet' }, { answer: 'Nectar', prompt: 'Sweet' }))).to.deep.equal([
      [2, 'same-row'],
    ])
    expect(
      codesOf(
        rows(
          { answer: 'bee', prompt: 'A Bee makes honey' },
          { answer: 'ant', prompt: 'a giant' },
          { answer: 'veil', prompt: 'veil' },
        ),
      ),
    ).to.deep.equal([[1, 'gives-away']])
    expect(
      codesOf(
        rows(
          { prompt: 'sweet' },
          { answer: 'wax', prompt: 'for candles' },
          { answer: 'comb', prompt: 'of wax' },
          { answer: 'veil' },
        ),
      ),
    ).to.deep.equal([
      [1, 'empty-answer'],
      [4, 'empty-prompt'],
    ])
    expect(codesOf(rows({ answer: 'wax' }, { answer: 'comb' }, {}))).to.deep.equal([[3, 'empty-row']])
    expect(codesOf(rows({ answer: 'abcdefghij'.repeat(4), prompt: 'long' }))).to.deep.equal([[1, 'long-word']])
    expect(
      codesOf(
        rows(
          { answer: 'раis', prompt: 'two scripts' },
          { answer: 'мир', prompt: 'peace' },
          { answer: 'α-rays', prompt: 'Greek on its own' },
        ),
      ),
    ).to.deep.equal([[1, 'mixed-scripts']])
    expect(
      codesOf(
        rows(
          { answer: 'wax ', prompt: 'for candles' },
          { answer: 'co\u00admb', prompt: 'cells' },
          { answer: 'veil', prompt: 'a  net' },
          { answer: 'می‌خواهم', prompt: 'I want' },
          { answer: '👩‍🏫', prompt: 'Qui ?' },
        ),
      ),
    ).to.deep.equal([
      [1, 'stray-characters'],
      [2, 'stray-characters'],
      [3, 'stray-characters'],
    ])
  })

  it('offers mends, each of which takes its note away and leaves other rows as they were', () => {
    fc.assert(
      fc.property(fc.array(anyEntry, { maxLength: 8 }), (drawn) => {
        const entries = drawn.map((entry, index) => ({ ...entry, id: idOf(index) }))
        const has = (all: Entry[], { code, entryIds, values }: CheckNote): boolean =>
          checkList(listOf(all)).some(
            (note) =>
              note.code === code &&
              note.entryIds[0] === entryIds[0] &&
              note.values.index === values.index &&
              note.values.text === values.text,
          )
        for (const note of checkList(listOf(entries))) {
          for (const mend of note.mends) {
            const mended = mendEntries(entries, note, mend)
            expect(has(mended, note), `${note.code} after ${mend.code}: ${JSON.stringify(mended)}`).to.equal(false)
            for (const entry of entries) if (!note.entryIds.includes(entry.id)) expect(mended).to.include(entry)
          }
        }
      }),
      { numRuns: runs(300) },
    )
  })

  it('says what a mend does in plain cases', () => {
    const mendFirst = (entries: Entry[], code: CheckCode, which = 0): Entry[] => {
      const note = checkList(listOf(entries)).find((one) => one.code === code)
      if (!note) throw new Error(`${code} was not found`)
      return mendEntries(entries, note, note.mends[which]!)
    }
    const [marked] = mendFirst(
      rows({
        prompt: 'Capital of Peru?',
        choices: [
          { text: 'Quito', right: false },
          { text: 'Lima', right: false },
        ],
      }),
      'no-right-choice',
      1,
    )
    expect([marked!.answer.text, marked!.choices.map(({ text }) => text)]).to.deep.equal(['Lima', ['Quito']])
    expect(mendFirst(rows({ answer: 'bee', prompt: 'A bee makes honey' }), 'gives-away')[0]!.prompt.text).to.equal(
      'A ____ makes honey',
    )
    expect(mendFirst(rows({ answer: 'раis', prompt: '' }), 'mixed-scripts')[0]!.answer.text).to.equal('pais')
    expect(
      mendFirst(
        rows({ answer: 'nectar', prompt: 'sweet' }, { answer: 'nectar', prompt: 'of flowers' }),
        'same-answer',
      ).map(({ prompt }) => prompt.text),
    ).to.deep.equal(['sweet; of flowers'])
    expect(
      mendFirst(
        rows({ answer: 'wax', prompt: 'made by bees' }, { answer: 'honey', prompt: 'made by bees' }),
        'same-prompt',
      ).map(({ accepted }) => accepted),
    ).to.deep.equal([['honey'], ['wax']])
  })
})
