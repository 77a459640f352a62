import { expect } from 'chai'
import { newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { worddraw, WorddrawOptions, type WorddrawPuzzle } from '../src/games/worddraw/index.ts'
import { begin, LOOK, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

const WORDS = 'amber basil cedar denim ember fjord'.split(' ')
const list: EntryList = {
  title: 'T',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: WORDS.map((text, index) =>
    newEntry({ id: idOf(index), answer: { text }, prompt: { text: `A sentence with ${text}.` } }),
  ),
  proved: { [idOf(0)]: { met: 40, right: 0 }, [idOf(1)]: { met: 40, right: 40 } },
}
const make = (options: object = {}): WorddrawPuzzle =>
  worddraw.make(list, WorddrawOptions.parse(options), randomFrom('1'))
type Play = ReturnType<typeof worddraw.start>
const draw = (puzzle: WorddrawPuzzle, play: Play, count: number): Play =>
  worddraw.move(puzzle, play, { type: 'draw', count }, when(0)).play
/** So many draws, as many at once as there can be. */
const draws = (puzzle: WorddrawPuzzle, play: Play, count: number): Play =>
  count <= 0 ? play : draws(puzzle, draw(puzzle, play, Math.min(20, count)), count - 20)
const tally = (puzzle: WorddrawPuzzle, play: Play): number[] =>
  worddraw.view(puzzle, play, LOOK).words.map(({ count }) => count)

describe('Word draw', () => {
  it('lets no word come twice before all have come once', () => {
    const puzzle = make()
    const play = draw(puzzle, worddraw.start(puzzle, begin('p')), 6)
    expect(tally(puzzle, play)).to.deep.equal([1, 1, 1, 1, 1, 1])
    expect([...tally(puzzle, draw(puzzle, play, 3))].sort().join('')).to.equal('111222')
  })

  it('draws the same one by one as all at once, and another way in another play', () => {
    const puzzle = make({ repeats: true })
    let play = worddraw.start(puzzle, begin('p'))
    const whole = draw(puzzle, play, 20)
    for (let index = 0; index < 20; index++) play = draw(puzzle, play, 1)
    expect(tally(puzzle, play)).to.deep.equal(tally(puzzle, whole))
    const others = ['q', 'r', 's'].map((seed) => draw(puzzle, worddraw.start(puzzle, begin(seed)), 20).last.join())
    expect(new Set([...others, whole.last.join()]).size).to.equal(4)
  })

  it('is fair: over 60,000 draws each of six comes as often as it should', () => {
    const counts = Array<number>(6).fill(0)
    const puzzle = make({ repeats: true })
    for (let seed = 0; seed < 600; seed++)
      tally(puzzle, draws(puzzle, worddraw.start(puzzle, begin(String(seed))), 100)).forEach(
        (count, word) => (counts[word]! += count),
      )
    const chi = counts.reduce((sum, count) => sum + (count - 10_000) ** 2 / 10_000, 0)
    // Five degrees of freedom: 99.9 % stay below this.
    expect(chi).to.be.below(20.5)
  })

  it('lets what was missed come sooner where that is wished, and shows how likely each is', () => {
    const puzzle = make({ weights: 'missed', repeats: true })
    const chances = worddraw.view(puzzle, worddraw.start(puzzle, begin('p')), LOOK).words.map(({ chance }) => chance)
    expect(chances[0]).to.be.above(3 * chances[1]!)
    expect(chances.reduce((sum, chance) => sum + chance, 0)).to.be.closeTo(1, 1e-9)
    const even = make({ repeats: true })
    expect(worddraw.view(even, worddraw.start(even, begin('p')), LOOK).words[0]!.chance).to.be.closeTo(1 / 6, 1e-9)
  })

  it('shows the sentence of what came most often, once something came twice', () => {
    const puzzle = make({ repeats: true })
    const begun = worddraw.start(puzzle, begin('p'))
    expect(worddraw.view(puzzle, draw(puzzle, begun, 1), LOOK).most).to.deep.equal([])
    const { most, mostCount, words } = worddraw.view(puzzle, draw(puzzle, begun, 30), LOOK)
    expect(mostCount).to.equal(Math.max(...words.map(({ count }) => count)))
    expect(most[0]!.sentence.text).to.include(words[most[0]!.word]!.face.text)
  })

  it('begins anew with other draws, and asks nothing that could count', () => {
    const puzzle = make()
    const play = draw(puzzle, worddraw.start(puzzle, begin('p')), 4)
    const anew = worddraw.move(puzzle, play, { type: 'anew' }, when(0)).play
    expect(tally(puzzle, anew)).to.deep.equal([0, 0, 0, 0, 0, 0])
    expect(draw(puzzle, anew, 6).last).not.to.deep.equal(draw(puzzle, worddraw.start(puzzle, begin('p')), 6).last)
    expect(worddraw.score(puzzle, play)).to.include({ total: 0, points: 0 })
  })
})
