import { expect } from 'chai'
import { newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { flashcards, FlashcardsOptions, type FlashcardsPuzzle } from '../src/games/flashcards/index.ts'
import { pairs, PairsOptions, type PairsMove, type PairsPuzzle } from '../src/games/pairs/index.ts'
import { begin, LOOK, when } from './playing.ts'
import { playThrough, rules } from './playthrough.ts'
import { idOf, listOf, sampleList } from './sampleWords.ts'

const DAY = 86_400_000

describe('Flashcards on paper', () => {
  it('have each back behind its front once the paper is turned along its long side', () => {
    const list = sampleList(19, 'paper')
    const inAll = { 4: [2, 2], 8: [2, 4], 16: [4, 4] } as const
    for (const perPage of [4, 8, 16] as const) {
      const puzzle = flashcards.make(list, FlashcardsOptions.parse({ order: 'list', perPage }), randomFrom('1'))
      const decks = flashcards
        .sheet(puzzle, false)
        .flatMap(({ blocks }) => blocks.flatMap((block) => (block.type === 'deck' ? [block] : [])))
      expect(decks).to.have.length(2 * Math.ceil(19 / perPage))
      const [columns, rows] = inAll[perPage]
      for (const [number, card] of puzzle.cards.entries()) {
        const [front, back] = decks.slice(2 * Math.floor(number / perPage))
        const [row, column] = [Math.floor((number % perPage) / columns), (number % perPage) % columns]
        expect([front!.columns, front!.rows, back!.columns, back!.rows]).to.deep.equal([columns, rows, columns, rows])
        expect(front!.cells[row * columns + column]!.text).to.equal(card.front.text)
        // Seen from behind, the first column is the last.
        expect(back!.cells[row * columns + (columns - 1 - column)]!.text).to.equal(card.back.text)
      }
      expect(decks.at(-1)!.cells.filter(Boolean)).to.have.length(19 % perPage)
    }
  })
})

describe('Flashcards under way', () => {
  const list: EntryList = {
    ...listOf([]),
    entries: ['ace', 'bee', 'cod', 'doe', 'elk', 'fox'].map((text, index) =>
      newEntry({
        id: idOf(index),
        answer: { text },
        prompt: { text: `clue ${index}` },
        hint: 'h',
        fact: `fact ${index}`,
      }),
    ),
  }
  const puzzle: FlashcardsPuzzle = flashcards.make(list, FlashcardsOptions.parse({ order: 'list' }), randomFrom('1'))

  it('show the back and its fact only while a card is turned', () => {
    const run = playThrough(flashcards, puzzle)
    expect(run.view()).to.deep.include({ back: null, fact: '', turned: false, hint: 'h', left: 6, total: 6 })
    expect(run.view().front!.text).to.equal('clue 0')
    run.at(100, { type: 'turn' })
    expect(run.view()).to.deep.include({ fact: 'fact 0', turned: true })
    run.at(200, { type: 'turn' })
    expect(run.view()).to.deep.include({ back: null, fact: '', turned: false })
  })

  it('bring a card that was not known back after three others, and it counts once', () => {
    const run = playThrough(flashcards, puzzle)
    const fronts: string[] = []
    const rate = (at: number, knew: boolean) => {
      fronts.push(run.view().front!.text)
      return run.at(at, { type: 'turn' }, { type: 'rate', knew })
    }
    const [missed] = rate(1000, false)
    expect(missed).to.include({ outcome: 'wrong', given: '', milliseconds: 1000, place: 0, round: 'first' })
    const [known] = rate(1600, true)
    expect(known).to.include({ outcome: 'right', given: 'bee', milliseconds: 600, place: 1 })
    rate(2000, true)
    rate(3000, true)
    const again = rate(4000, true)
    expect(fronts).to.deep.equal(['clue 0', 'clue 1', 'clue 2', 'clue 3', 'clue 0'])
    expect(
      again.every(({ counts }) => !counts),
      'a card that came back is for learning',
    ).to.equal(true)
    expect(run.view()).to.include({ seen: 4, knew: 3, left: 2 })
    rate(5000, true)
    expect(run.view().finished).to.equal(false)
    rate(6000, true)
    expect(run.view()).to.include({ finished: true, left: 0, front: null })
    expect(flashcards.score(puzzle, run.play())).to.include({ right: 5, total: 6, points: 0 })
  })

  it('say in how many days the next card is due', () => {
    const run = playThrough(flashcards, puzzle)
    expect(run.view().dueInDays).to.equal(null)
    for (let card = 0; card < 6; card++) run.at(card * 1000, { type: 'turn' }, { type: 'rate', knew: true })
    const soonest = Math.min(...Object.values(run.play().memories).map(({ due }) => due))
    expect(run.view().dueInDays).to.equal(Math.max(0, Math.round((soonest - 5000) / DAY)))
  })

  it('deal what is due, and all that there is once a student asks for it', () => {
    const first = playThrough(flashcards, puzzle)
    for (let card = 0; card < 6; card++) first.at(card * 1000, { type: 'turn' }, { type: 'rate', knew: true })
    const { memories } = first.play()
    const dues = Object.values(memories).map(({ due }) => due)
    const early = flashcards.start(puzzle, begin('p', { now: Math.min(...dues) - 1, memory: memories }))
    expect([early.queue, early.dealt]).to.deep.equal([[], []])
    expect(flashcards.view(puzzle, early, LOOK)).to.include({ front: null, total: 0, finished: false })
    for (const type of ['turn', 'rate'] as const)
      expect(flashcards.move(puzzle, early, { type, knew: true } as never, when(0)).play).to.equal(early)
    const { play } = flashcards.move(puzzle, early, { type: 'all' }, when(0))
    expect([play.queue.length, play.dealt.length]).to.deep.equal([6, 6])
    expect(flashcards.move(puzzle, play, { type: 'all' }, when(1)).play, 'there are cards to study').to.equal(play)
    const due = flashcards.start(puzzle, begin('p', { now: Math.max(...dues), memory: memories }))
    expect(due.queue).to.have.length(6)
    const some = flashcards.start(puzzle, begin('p', { now: 0, memory: { [idOf(1)]: memories[idOf(1)] } }))
    expect(some.queue).to.deep.equal([0, 2, 3, 4, 5])
    expect(flashcards.questions(puzzle, some).map(({ text }) => text)).to.deep.equal([
      'ace',
      'cod',
      'doe',
      'elk',
      'fox',
    ])
    expect(flashcards.questionsKey!(puzzle, some)).not.to.equal(flashcards.questionsKey!(puzzle, due))
  })

  it('let a card that is forgotten be due again soon', () => {
    const rated = (knew: boolean): number => {
      const run = playThrough(flashcards, puzzle)
      run.at(0, { type: 'turn' }, { type: 'rate', knew })
      return run.play().memories[idOf(0)]!.due
    }
    expect(rated(false)).to.be.below(rated(true))
  })

  it('come in another order for each student where the rules say so', () => {
    const mixed = playThrough(flashcards, puzzle, rules({ order: 'mixed' })).play().queue
    expect(mixed).to.have.members([0, 1, 2, 3, 4, 5])
    expect(mixed).not.to.deep.equal([0, 1, 2, 3, 4, 5])
  })
})

describe('Pairs under way', () => {
  const puzzle: PairsPuzzle = pairs.make(sampleList(6, 'p', 'en', 8), PairsOptions.parse({ pairs: 6 }), randomFrom('1'))
  const cardsOf = (couple: number): [number, number] => {
    const cards = [...puzzle.cards.keys()].filter((card) => puzzle.cards[card]!.couple === couple)
    return [cards[0]!, cards[1]!]
  }
  const turn = (card: number): PairsMove => ({ type: 'turn', card })

  it('turn cards up, and back down with the next one where two do not belong together', () => {
    const run = playThrough(pairs, puzzle)
    const [one] = cardsOf(0)
    const [other] = cardsOf(1)
    const [third] = cardsOf(2)
    run.at(100, turn(one))
    expect(run.view()).to.deep.include({ shown: [one], last: 'none', turns: 0 })
    expect(run.isVoid(turn(one)), 'a card that lies open').to.equal(true)
    expect(run.at(200, turn(other))).to.deep.equal([])
    expect(run.view()).to.deep.include({ shown: [one, other], last: 'other', turns: 1 })
    run.at(300, turn(third))
    expect(run.view().cards.filter(({ state }) => state === 'up')).to.have.length(1)
    expect(run.view().cards[one]).to.deep.equal({ state: 'down', face: null })
  })

  it('keep a pair open, give its points, and time it from the last one', () => {
    const run = playThrough(pairs, puzzle)
    const [response] = run.at(1500, ...cardsOf(0).map(turn))
    expect(response).to.include({ outcome: 'right', points: 10, milliseconds: 1500, place: 0 })
    expect(run.view()).to.deep.include({ shown: cardsOf(0), last: 'pair', turns: 1, teams: [] })
    expect(cardsOf(0).every((card) => run.isVoid(turn(card)))).to.equal(true)
    expect(run.at(2100, ...cardsOf(3).map(turn))[0]).to.include({ milliseconds: 600, place: 1 })
    expect(run.isVoid(turn(99))).to.equal(true)
  })

  it('count every two cards as a turn, those in vain as misses, and end with the last pair', () => {
    const run = playThrough(pairs, puzzle)
    run.at(100, turn(cardsOf(0)[0]), turn(cardsOf(1)[0]))
    for (let couple = 0; couple < 6; couple++) {
      expect(run.view().finished).to.equal(false)
      run.at(1000 * (couple + 1), ...cardsOf(couple).map(turn))
    }
    expect(pairs.score(puzzle, run.play())).to.include({
      finished: true,
      right: 6,
      total: 6,
      points: 60,
      misses: 1,
      milliseconds: 6000,
    })
  })

  it('stopped, shows all cards; those that were found stay found', () => {
    const run = playThrough(pairs, puzzle)
    run.at(1000, ...cardsOf(0).map(turn), turn(cardsOf(1)[0]))
    run.at(2000, { type: 'finish' })
    const { cards } = run.view()
    expect(cards.filter(({ state }) => state === 'found')).to.have.length(2)
    expect(cards.filter(({ state }) => state === 'up')).to.have.length(puzzle.cards.length - 2)
    expect(cards.every(({ face }) => face !== null)).to.equal(true)
  })
})
