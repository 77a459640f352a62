import { expect } from 'chai'
import fc from 'fast-check'
import Papa from 'papaparse'
import { entriesFromTable, guessFields, readPaste } from '../src/index.ts'
import { idOf } from './sampleWords.ts'

const sides = (text: string): [string, string][] =>
  readPaste(text).rows.map(({ cells: [answer = '', prompt = ''] }) => [answer, prompt])

describe('reading pasted text', () => {
  it('splits two columns at tabs, commas, semicolons, dashes or equal signs', () => {
    for (const separator of ['\t', ',', ';', '|', ' - ', ' = ']) {
      const text = `smoker${separator}calms the bees\ndrone${separator}a male bee\n`
      expect(readPaste(text).separator).to.equal(separator)
      expect(sides(text)).to.deep.equal([
        ['smoker', 'calms the bees'],
        ['drone', 'a male bee'],
      ])
    }
    expect(sides('well-known - famous - very\nT-shirt - a shirt')).to.deep.equal([
      ['well-known', 'famous - very'],
      ['T-shirt', 'a shirt'],
    ])
    expect(sides('smoker\ndrone, the male\nbrood')).to.deep.equal([
      ['smoker', ''],
      ['drone, the male', ''],
      ['brood', ''],
    ])
  })

  it('keeps quotes, line breaks and separators inside quoted cells, and takes stray quotes as they are', () => {
    expect(sides('comb\t"six-sided\ncells, of ""wax"""\nveil\tnet')).to.deep.equal([
      ['comb', 'six-sided\ncells, of "wax"'],
      ['veil', 'net'],
    ])
    expect(sides('"smoker\tcalms\ndrone\ta "male" bee')).to.deep.equal([
      ['"smoker', 'calms'],
      ['drone', 'a "male" bee'],
    ])
  })

  it('recognises a header row in several languages, and blank lines', () => {
    const paste = readPaste('Word\tDefinition\n\nsmoker\tcalms\n\n\ndrone\tmale\n')
    expect(paste.header).to.deep.equal(['Word', 'Definition'])
    expect(paste.rows.map(({ cells: [answer], line }) => [answer, line])).to.deep.equal([
      ['smoker', 3],
      ['drone', 6],
    ])
    expect(paste.blankLines).to.equal(3)
    expect(readPaste('מילה\tתרגום\nלחם\tbread').header).to.deep.equal(['מילה', 'תרגום'])
    expect(readPaste('question\tanswer', {}).rows).to.have.length(1)
  })

  it('loses nothing: what a spreadsheet writes comes back, cells beyond the second joined', () => {
    const cell = fc
      .string({ unit: fc.constantFrom('a', 'é', 'ל', '字', ' ', ',', ';', '"', '\n', '-', '='), maxLength: 8 })
      .map((text) => text.trim())
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(cell, cell).filter(([one, other]) => one !== '' && other !== ''),
          { minLength: 1, maxLength: 8 },
        ),
        (rows) => {
          const text = Papa.unparse(rows, { delimiter: '\t', newline: '\r\n' })
          // Where most lines begin so, it is a list with its marks, as word processors copy one.
          const lines = text.split(/[\r\n]+/u).filter((line) => line.trim() !== '')
          fc.pre(lines.filter((line) => /^\s*-[ \t]/u.test(line)).length < lines.length / 2)
          expect(readPaste(text, { header: false }).rows.map(({ cells }) => cells)).to.deep.equal(rows)
        },
      ),
    )
    const three = readPaste('a\tb\tc\t\nd\te\tf')
    const { entries, joined } = entriesFromTable(three, guessFields(three), () => idOf(0))
    expect(entries.map(({ prompt }) => prompt.text)).to.deep.equal(['b · c', 'e · f'])
    expect(joined).to.equal(2)
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (text) => {
        const kept = readPaste(text, { header: false })
          .rows.flatMap(({ cells }) => cells)
          .join('')
        for (const letter of text.match(/\p{L}/gu) ?? []) expect(kept).to.include(letter)
      }),
    )
  })

  it('takes any separator between sides and between entries', () => {
    const text = 'smoker::calms\nthe bees//drone::a male::bee//brood'
    const { rows } = readPaste(text, { separator: '::', entrySeparator: '//' })
    expect(rows.map(({ cells, line }) => [line, ...cells])).to.deep.equal([
      [1, 'smoker', 'calms\nthe bees'],
      [2, 'drone', 'a male::bee'],
      [2, 'brood'],
    ])
    expect(
      readPaste('eins,one;zwei,two;drei,three', { separator: ',', entrySeparator: ';' }).rows.map(({ cells }) => cells),
    ).to.deep.equal([
      ['eins', 'one'],
      ['zwei', 'two'],
      ['drei', 'three'],
    ])
  })

  it('assigns columns by their headings, or by what stands in them', () => {
    const fieldsOf = (text: string): string[] => guessFields(readPaste(text))
    expect(
      fieldsOf('Question\tAnswer\tWrong answer 1\tWrong answer 2\tPoints\tUnit\tColour\nq\ta\tb\tc\t5\tu\tx'),
    ).to.deep.equal(['prompt', 'answer', 'wrong', 'wrong', 'worth', 'group', 'skip'])
    expect(fieldsOf('How many?\t4\t5\t6\nWho?\tAma\tBo\tCy')).to.deep.equal(['prompt', 'answer', 'wrong', 'wrong'])
    expect(fieldsOf('Palabra\tTraducción\nperro\tdog')).to.deep.equal(['answer', 'prompt'])
  })

  it('leaves rows out that a field can not hold, keeps those where only a cell beside the words is odd, and says why', () => {
    const table = readPaste(
      `Answer,Prompt,Points,Seconds,Scored\na,b,5,30,no\nc,d,many,30,yes\ne,f,5,0,yes\ng,h,5,9,perhaps\n${'x'.repeat(2001)},y\n,,7`,
    )
    const { entries, left } = entriesFromTable(table, guessFields(table), () => idOf(0))
    expect(entries.map(({ answer, worth, seconds, scored }) => [answer.text, worth, seconds, scored])).to.deep.equal([
      ['a', 5, 30, false],
      ['c', null, 30, true],
      ['e', 5, null, true],
      ['g', 5, 9, true],
    ])
    expect(left.map(({ line, why, isKept = false }) => [line, why, isKept])).to.deep.equal([
      [3, 'bad-number', true],
      [4, 'bad-number', true],
      [5, 'bad-scored', true],
      [6, 'too-long', false],
      [7, 'no-text', false],
    ])
  })

  it('keeps a text that is just as long as one may be, and leaves a longer one', () => {
    const read = (length: number): [number, string[]] => {
      const table = readPaste(`Answer,Clue\n${'a'.repeat(length)},clue`)
      const { entries, left } = entriesFromTable(table, guessFields(table), () => idOf(0))
      return [entries.length, left.map(({ why }) => why)]
    }
    expect(read(2000)).to.deep.equal([1, []])
    expect(read(2001)).to.deep.equal([0, ['too-long']])
  })

  /** Returns the entries of a pasted table as its answer and its choices, right ones with a plus. */
  const choicesOf = (text: string): string[] => {
    const table = readPaste(text)
    return entriesFromTable(table, guessFields(table), () => idOf(0)).entries.map(
      ({ answer, prompt, choices }) =>
        `${prompt.text} = ${answer.text} | ${choices
          .map((choice) => (choice.right ? '+' : '') + choice.text)
          .sort()
          .join(' ')}`,
    )
  }

  it('reads choices with the right one told by letter, by number, by text or by a mark, wherever it stands', () => {
    const row = 'Which is a bird?,heron,otter,trout,newt'
    for (const told of ['A', 'a', 'a)', '(A)', '1', 'heron', 'Heron'])
      expect(
        choicesOf(`Question,A,B,C,D,Correct
${row},${told}
${row},${told}`)[0],
        told,
      ).to.equal('Which is a bird? = heron | newt otter trout')
    expect(choicesOf('Question,Option 1,Option 2,Option 3,Option 4,Answer\nq,w,x,y,z,3')).to.deep.equal([
      'q = y | w x z',
    ])
    expect(choicesOf('Answer;Question;Option A;Option B;Option C\nB;q;x;y;z')).to.deep.equal(['q = y | x z'])
    for (const marked of ['*y', 'y*', '✓ y', 'y ✔', '[x] y'])
      expect(choicesOf(`Question\tChoice 1\tChoice 2\tChoice 3\nq\tx\t${marked}\tz`), marked).to.deep.equal([
        'q = y | x z',
      ])
    expect(choicesOf('Question,A,B,C,D,Correct\nq,w,x,y,z,"A, C"\nq,w,x,y,z,B;D')).to.deep.equal([
      'q = w | +y x z',
      'q = x | +z w y',
    ])
    // What no choice says is an answer beside them; where nothing is told, nothing is guessed.
    expect(choicesOf('Question,A,B,Correct\nq,x,y,neither\nq,x,y,')).to.deep.equal(['q = neither | x y', 'q =  | x y'])
  })

  it('takes letters for headings of choices only where they stand in a row under known ones', () => {
    expect(readPaste('a\tb\tc\nd\te\tf').header).to.equal(null)
    expect(guessFields(readPaste('Question\tA\tB\tAnswer\nq\tx\ty\tA'))).to.deep.equal([
      'prompt',
      'choice',
      'choice',
      'answer',
    ])
    expect(guessFields(readPaste('Word\tB\nx\ty'))).not.to.include('choice')
  })

  it('reads points and times as people write them, rounded', () => {
    const read = (worth: string, seconds: string): (number | null)[] => {
      const table = readPaste(`Word\tMeaning\tPoints\tTime
x\ty\t${worth}\t${seconds}`)
      const [entry] = entriesFromTable(table, guessFields(table), () => idOf(0)).entries
      return [entry!.worth, entry!.seconds]
    }
    expect([read('10 pts', '15 s'), read('1.5', '0:30'), read('2,4', '1:05'), read('', '2 min')]).to.deep.equal([
      [10, 15],
      [2, 30],
      [2, 65],
      [null, 120],
    ])
    expect([read('-3', '0:00'), read('1e9', '99999')]).to.deep.equal([
      [null, null],
      [null, null],
    ])
  })

  it('reads notes with any sign between word and meaning, numbered lines, and a title above the headings', () => {
    const birds = [
      ['heron', 'a grey bird'],
      ['otter', 'holds hands'],
      ['newt', 'swims'],
    ]
    for (const between of [' – ', ' — ', ': ', ' : ', ' -> ', ' → ', '   ', ' = ', ' - '])
      expect(sides(birds.map((pair) => pair.join(between)).join('\n')), between).to.deep.equal(birds)
    for (const bullet of ['1. ', '2) ', '• ', '- ', '* '])
      expect(sides(birds.map((pair) => bullet + pair.join(': ')).join('\n')), bullet).to.deep.equal(birds)
    expect(sides('1. heron\ta grey bird\notter\tholds hands\nnewt\tswims')[0]).to.deep.equal([
      '1. heron',
      'a grey bird',
    ])
    const titled = readPaste('Week 7\t\nWord\tMeaning\nheron\ta grey bird')
    expect([titled.header, titled.rows.map(({ cells }) => cells)]).to.deep.equal([
      ['Word', 'Meaning'],
      [['heron', 'a grey bird']],
    ])
    expect(sides('sep=;\nheron;a grey, tall bird\notter;holds hands')).to.deep.equal([
      ['heron', 'a grey, tall bird'],
      ['otter', 'holds hands'],
    ])
  })

  it('reads 5,000 rows at once', () => {
    const text = Array.from({ length: 5000 }, (_, index) => `word${index}\tmeaning ${index}`).join('\n')
    expect(readPaste(text).rows).to.have.length(5000)
  })
})
