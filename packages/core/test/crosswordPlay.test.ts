import { expect } from 'chai'
import { newEntry, randomFrom } from '../src/index.ts'
import { crossword, CrosswordOptions, type CrosswordMove, type CrosswordPuzzle } from '../src/games/crossword/index.ts'
import { playThrough, rules } from './playthrough.ts'
import { idOf, listOf } from './sampleWords.ts'

const WORDS = ['heron', 'otter', 'robin']

function made(): CrosswordPuzzle {
  const list = listOf(WORDS)
  const entries = WORDS.map((text, index) =>
    newEntry({
      id: idOf(index),
      answer: { text },
      prompt: { text: `clue ${index}` },
      hint: text === 'robin' ? '' : 'a bird?',
      fact: `fact of ${text}`,
    }),
  )
  return crossword.make({ ...list, entries }, CrosswordOptions.parse({}), randomFrom('birds'))
}

const PUZZLE = made()

function numberOf(text: string): number {
  return PUZZLE.words.findIndex((word) => word.text === text)
}

function cellsOf(text: string): number[] {
  const { row, col, dir, letters } = PUZZLE.words[numberOf(text)]!
  return letters.map((_, at) => (dir === 'across' ? row * PUZZLE.cols + col + at : (row + at) * PUZZLE.cols + col))
}

function write(text: string, letters = text): CrosswordMove {
  const cells = cellsOf(text)
  return { type: 'write', cells: [...letters].map((letter, at) => ({ cell: cells[at]!, letter })) }
}

function ask(type: 'check' | 'reveal', scope: 'letter' | 'word' | 'all', text: string, at = 0): CrosswordMove {
  return { type, scope, cell: cellsOf(text)[at]!, word: numberOf(text) }
}

describe('A crossword under way', () => {
  it('takes letters of any case, the first of several, and nothing outside its words', () => {
    const run = playThrough(crossword, PUZZLE)
    const [first, second] = cellsOf('heron')
    run.at(100, {
      type: 'write',
      cells: [
        { cell: first!, letter: 'h' },
        { cell: second!, letter: 'Éx' },
      ],
    })
    expect([run.view().letters[first!], run.view().letters[second!]]).to.deep.equal(['H', 'E'])
    const blocked = run.view().open.indexOf(false)
    expect(blocked).to.be.at.least(0)
    run.at(200, {
      type: 'write',
      cells: [
        { cell: blocked, letter: 'x' },
        { cell: 9999, letter: 'x' },
      ],
    })
    expect(run.view().letters[blocked]).to.equal('')
    expect(run.view().letters).to.have.length(PUZZLE.rows * PUZZLE.cols)
    run.at(300, { type: 'write', cells: [{ cell: first!, letter: '' }] })
    expect(run.view().letters[first!], 'a letter can be taken out').to.equal('')
  })

  it('answers for a word as soon as it stands right, once, with its own time', () => {
    const run = playThrough(crossword, PUZZLE)
    const [heron] = run.at(4000, write('heron'))
    const [otter] = run.at(5500, write('otter'))
    expect(heron).to.include({ outcome: 'right', points: 10, milliseconds: 4000, place: 0, hints: 0 })
    expect(otter).to.include({ outcome: 'right', points: 10, milliseconds: 1500, place: 1 })
    expect(run.at(6000, write('heron', 'xeron'))).to.deep.equal([])
    expect(run.view().clues.filter(({ solved }) => solved)).to.have.length(2)
    expect(run.at(6500, write('heron')), 'a word that was right before').to.deep.equal([])
    expect(crossword.score(PUZZLE, run.play())).to.include({ right: 2, total: 3, points: 20, finished: false })
    run.at(7000, write('robin'))
    expect(crossword.score(PUZZLE, run.play())).to.include({ right: 3, finished: true, points: 30 })
  })

  it('is not over while a word that was right has been written over', () => {
    const run = playThrough(crossword, PUZZLE)
    const own = cellsOf('heron').findIndex(
      (cell) => !cellsOf('otter').includes(cell) && !cellsOf('robin').includes(cell),
    )
    const spoiled = [...'heron'].map((letter, at) => (at === own ? 'z' : letter)).join('')
    run.at(1000, write('heron'), write('otter'), write('heron', spoiled), write('robin'))
    expect(run.view().finished).to.equal(false)
    run.at(2000, write('heron'))
    expect(run.view().finished).to.equal(true)
  })

  it('checks a letter, a word or all that is filled in, and forgets the mark of a letter that changes', () => {
    const run = playThrough(crossword, PUZZLE)
    const cells = cellsOf('heron')
    run.at(100, write('heron', 'hxx'))
    run.at(200, ask('check', 'letter', 'heron', 1))
    expect(cells.map((cell) => run.view().marks[cell])).to.deep.equal([null, 'wrong', null, null, null])
    run.at(300, ask('check', 'word', 'heron'))
    expect(cells.map((cell) => run.view().marks[cell])).to.deep.equal(['right', 'wrong', 'wrong', null, null])
    run.at(400, write('heron', 'hex'))
    expect(cells.map((cell) => run.view().marks[cell])).to.deep.equal(['right', null, 'wrong', null, null])
    run.at(500, ask('check', 'all', 'heron'))
    expect(cells.map((cell) => run.view().marks[cell])).to.deep.equal(['right', 'right', 'wrong', null, null])
    expect(crossword.score(PUZZLE, run.play()).hints).to.equal(3)
  })

  it('shows a letter, and a word with a shown letter earns less', () => {
    const run = playThrough(crossword, PUZZLE)
    const cells = cellsOf('heron')
    run.at(100, ask('reveal', 'letter', 'heron', 2))
    expect(run.view().letters[cells[2]!]).to.equal('R')
    expect(run.view().marks[cells[2]!]).to.equal('given')
    run.at(200, write('heron', 'hezon'))
    expect(run.view().letters[cells[2]!], 'what was shown stays').to.equal('R')
    expect(crossword.score(PUZZLE, run.play())).to.include({ right: 1, points: 8, hints: 1 })
  })

  it('passes a word that was shown whole, and charges nothing for letters that stood right already', () => {
    const whole = playThrough(crossword, PUZZLE)
    expect(
      whole.at(1000, ask('reveal', 'word', 'heron')).map(({ outcome, points }) => [outcome, points]),
    ).to.deep.equal([['passed', 0]])
    const rest = playThrough(crossword, PUZZLE)
    rest.at(500, write('heron', 'hero'))
    const [response] = rest.at(1000, ask('reveal', 'word', 'heron'))
    expect(response).to.include({ outcome: 'right', points: 8, hints: 1 })
  })

  it('is over once all was shown, with what was written before kept as earned', () => {
    const run = playThrough(crossword, PUZZLE)
    run.at(500, write('otter'))
    const shown = run.at(1000, ask('reveal', 'all', 'heron'))
    expect(shown.map(({ entryId }) => entryId)).to.have.members([idOf(0), idOf(2)])
    expect(run.view().finished).to.equal(true)
    expect(crossword.score(PUZZLE, run.play()).points).to.be.at.least(10)
  })

  it('gives the hint of a word once where it has one', () => {
    const run = playThrough(crossword, PUZZLE)
    const clue = (text: string) => run.view().clues[numberOf(text)]!
    expect([clue('heron').hasHint, clue('robin').hasHint, clue('heron').hint]).to.deep.equal([true, false, null])
    run.at(100, { type: 'hint', word: numberOf('heron') })
    expect([clue('heron').hint, clue('otter').hint]).to.deep.equal(['a bird?', null])
    expect(run.isVoid({ type: 'hint', word: numberOf('heron') })).to.equal(true)
    expect(run.isVoid({ type: 'hint', word: numberOf('robin') })).to.equal(true)
    expect(run.isVoid({ type: 'hint', word: 99 })).to.equal(true)
    const [response] = run.at(1000, write('heron'))
    expect(response).to.include({ hints: 1, points: 10 })
  })

  it('neither checks nor shows nor hints where the rules allow none', () => {
    const run = playThrough(crossword, PUZZLE, rules({ hints: false }))
    run.at(100, write('heron', 'xx'))
    expect([run.view().canHint, run.view().clues.some(({ hasHint }) => hasHint)]).to.deep.equal([false, false])
    expect(run.isVoid(ask('check', 'all', 'heron')) && run.isVoid(ask('reveal', 'all', 'heron'))).to.equal(true)
  })

  it('stopped, calls a filled word wrong and leaves out one with gaps; then shows answers and facts', () => {
    const run = playThrough(crossword, PUZZLE)
    run.at(1000, write('robin'))
    const shared = cellsOf('heron').findIndex((cell) => cellsOf('robin').includes(cell))
    const wrong = [...'heron'].map((letter, at) => (at === shared ? letter : 'z')).join('')
    run.at(2000, write('heron', wrong))
    const responses = run.at(3500, { type: 'finish' })
    const heron = responses.find(({ entryId }) => entryId === idOf(0))
    expect(heron).to.include({ outcome: 'wrong', given: wrong.toUpperCase(), points: 0, place: 1, milliseconds: 2500 })
    expect(
      responses.some(({ entryId }) => entryId === idOf(2)),
      'it was right before',
    ).to.equal(false)
    const { letters, clues, marks } = run.view()
    expect(cellsOf('heron').map((cell) => letters[cell])).to.deep.equal([...'HERON'])
    expect(cellsOf('heron').filter((cell) => marks[cell] === 'wrong').length).to.be.at.least(3)
    expect(cellsOf('robin').every((cell) => marks[cell] === 'right' || marks[cell] === 'wrong')).to.equal(true)
    expect(clues[numberOf('heron')]!.answer).to.deep.equal({ text: 'heron', fact: 'fact of heron' })
  })

  it('asks for nothing that is not there', () => {
    const run = playThrough(crossword, PUZZLE)
    expect(run.isVoid({ type: 'check', scope: 'word', cell: 0, word: 99 })).to.equal(true)
    expect(run.isVoid({ type: 'reveal', scope: 'letter', cell: run.view().open.indexOf(false), word: 0 })).to.equal(
      true,
    )
  })
})
