import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { newEntry, randomFrom, type EntryList, type PlayContext, type Response } from '../src/index.ts'
import {
  isUnique,
  overlaps,
  thread,
  ThreadOptions,
  type ThreadMove,
  type ThreadPuzzle,
  type ThreadView,
} from '../src/games/thread/index.ts'
import { knownLinks, partitions } from '../src/games/thread/links.ts'
import { patternsOf } from '../src/games/thread/patterns.ts'
import { LOOK } from './playing.ts'
import { playThrough, type Playthrough } from './playthrough.ts'
import { idOf } from './sampleWords.ts'

function listOf(words: Record<string, string[]>): EntryList {
  return {
    title: 'T',
    answerLanguage: 'en',
    promptLanguage: 'en',
    entries: Object.entries(words).map(([text, groups], index) =>
      newEntry({ id: idOf(index), answer: { text }, prompt: { text: `clue ${index}` }, groups }),
    ),
  }
}

const NINE = {
  oak: ['trees'],
  elm: ['trees'],
  fir: ['trees'],
  cod: ['fish'],
  eel: ['fish'],
  ray: ['fish'],
  red: ['colours'],
  tan: ['colours'],
  jet: ['colours'],
}
const make = (words: Record<string, string[]>, options: object = {}): ThreadPuzzle =>
  thread.make(listOf(words), ThreadOptions.parse({ links: 3, ...options }), randomFrom('1'))
const start = (puzzle: ThreadPuzzle, context: Partial<PlayContext> = {}): Run => playThrough(thread, puzzle, context)
type Run = Playthrough<ReturnType<typeof thread.start>, ThreadMove, ThreadView>
const at = (play: Run, ...moves: ThreadMove[]): Response[] => play.at(1000, ...moves)
const slipsOf = ({ items, links }: ThreadPuzzle, link: string): number[] =>
  [...items.keys()].filter((item) => links[items[item]!.link] === link)

/** Counts the ways to part items into known sets by trying all orders of choosing. */
function waysByHand(count: number, each: number, fits: readonly ReadonlySet<number>[]): number {
  const ways = new Set<string>()
  const go = (left: readonly number[], sets: readonly string[]): void => {
    if (left.length === 0) {
      ways.add([...sets].sort().join(' '))
      return
    }
    const [first, ...others] = left
    const pick = (from: readonly number[], taken: readonly number[]): void => {
      if (taken.length === each) {
        if (fits.some((set) => taken.every((item) => set.has(item))))
          go(
            left.filter((item) => !taken.includes(item)),
            [...sets, taken.join(',')],
          )
        return
      }
      from.forEach((item, index) => pick(from.slice(index + 1), [...taken, item]))
    }
    pick(others, [first!])
  }
  go([...Array(count).keys()], [])
  return ways.size
}

describe('What could hold slips together', () => {
  it('is found in how words are spelled', () => {
    expect(patternsOf('level')).to.include.members(['begins le', 'ends vel', 'mirror '])
    expect(patternsOf('Balloon')).to.include('double ')
    expect(patternsOf('cat')).not.to.include('double ')
    expect(patternsOf('ré')).to.deep.equal([])
  })

  it('parts slips in as many ways as counting by hand finds', () => {
    const anySets = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { minLength: 2 }), { maxLength: 6 })
    fc.assert(
      fc.property(anySets, fc.constantFrom(2, 3), (sets, each) => {
        const links = sets.map((fits) => ({ by: 'list' as const, name: 'x', fits: new Set(fits) }))
        const ways = waysByHand(
          6,
          each,
          links.map(({ fits }) => fits),
        )
        expect(partitions(6, each, links)).to.equal(Math.min(2, ways))
      }),
      { numRuns: runs(400) },
    )
  })

  it('makes no board that can be parted in two ways, by the list or by how its words are spelled', () => {
    expect(thread.fit(listOf(NINE), ThreadOptions.parse({ links: 3 })).ready).to.equal(true)
    // Every tree is a colour as well, and the other way round.
    const both = Object.fromEntries(
      Object.entries(NINE).map(([word, [group]]) => [word, group === 'fish' ? ['fish'] : ['trees', 'colours']]),
    )
    const fit = thread.fit(listOf(both), ThreadOptions.parse({ links: 3 }))
    expect([fit.ready, fit.summary.code]).to.deep.equal([false, 'ambiguous'])
    const spelled = {
      stone: ['a'],
      stork: ['b'],
      storm: ['c'],
      brain: ['a'],
      bread: ['b'],
      brick: ['c'],
      clay: ['a'],
      clown: ['b'],
      cloud: ['c'],
    }
    const items = Object.entries(spelled).map(([text, groups]) => ({ text, groups }))
    expect(knownLinks(items, 3).map(({ name }) => name)).to.include.members(['begins st', 'begins br', 'begins cl'])
    expect(isUnique(items, 3), 'they can be parted by how they begin as well').to.equal(false)
    expect(thread.fit(listOf(spelled), ThreadOptions.parse({ links: 3 })).ready).to.equal(false)
  })

  it('misleads where a slip shares what holds another link: by the list, by spelling, by what it is a kind of', () => {
    const items = [
      { text: 'robin', groups: ['birds'], link: 0 },
      { text: 'rook', groups: ['birds'], link: 0 },
      { text: 'raven', groups: ['birds'], link: 0 },
      { text: 'crane', groups: ['machines', 'birds'], link: 1 },
      { text: 'lift', groups: ['machines'], link: 1 },
      { text: 'drill', groups: ['machines'], link: 1 },
    ]
    expect(overlaps(items, ['birds', 'machines'])).to.deep.equal([{ item: 3, link: 0, by: 'list', name: 'birds' }])
    const kinds = { robin: ['bird'], rook: ['bird'], raven: ['bird'], lift: ['bird'] }
    expect(overlaps(items, ['birds', 'machines'], kinds).at(-1)).to.deep.equal({
      item: 4,
      link: 0,
      by: 'kind',
      name: 'bird',
    })
    const ending = [
      { text: 'baking', groups: ['a'], link: 0 },
      { text: 'hiking', groups: ['a'], link: 0 },
      { text: 'viking', groups: ['b'], link: 1 },
      { text: 'saxon', groups: ['b'], link: 1 },
    ]
    expect(overlaps(ending, ['a', 'b'])[0]).to.deep.include({ item: 2, by: 'spelling' })
  })

  it('can be chosen so that more or fewer slips mislead', () => {
    const words: Record<string, string[]> = {}
    for (const [place, group] of ['one', 'two', 'three'].entries())
      for (let index = 0; index < 8; index++)
        words[`${'bcdfghjk'[index]}${'aeo'[place]}${'lmnp'[index % 4]}`] =
          index < 3 ? [group, ['two', 'three', 'one'][place]!] : [group]
    const misleading = (hard: string): number => {
      const { items, links } = make(words, { hard })
      return overlaps(
        items.map(({ text, link }) => ({ text, link, groups: words[text]! })),
        links,
      ).length
    }
    expect(misleading('easier')).to.be.below(misleading('harder'))
  })
})

describe('A common thread under way', () => {
  it('tells a link from none, and asks for its name before its card is labelled', () => {
    const puzzle = make(NINE)
    const play = start(puzzle)
    const one = slipsOf(puzzle, 'fish')[0]!
    expect(at(play, { type: 'choose', items: [...slipsOf(puzzle, 'trees').slice(0, 2), one] })).to.deep.equal([])
    expect(play.view()).to.deep.include({ misses: 1, cards: [] })
    const found = at(play, { type: 'choose', items: slipsOf(puzzle, 'trees') })
    expect(found.map(({ outcome, given }) => [outcome, given])).to.deep.equal(Array(3).fill(['right', 'trees']))
    expect(play.view().cards[0]).to.deep.include({ link: null, tries: 1 })
    expect(JSON.stringify(play.view()), 'the name is not told').not.to.include('trees')
    expect(play.isVoid({ type: 'choose', items: slipsOf(puzzle, 'fish') })).to.equal(true)
    at(play, { type: 'say', link: ' The Trees' })
    expect(play.view().cards[0]).to.deep.include({ link: 'trees', said: 'right' })
    expect(thread.score(puzzle, play.play())).to.include({ right: 3, points: 14, bonus: 5 })
  })

  it('takes another link’s name for wrong, and then tells the right one', () => {
    const puzzle = make(NINE)
    const play = start(puzzle)
    at(play, { type: 'choose', items: slipsOf(puzzle, 'fish') }, { type: 'say', link: 'trees' })
    expect(play.view().cards[0]).to.deep.include({ link: 'fish', said: 'wrong' })
  })

  it('offers names of which one is right, always the same', () => {
    const puzzle = make({ ...NINE, hat: ['clothes'], cap: ['clothes'] }, { say: 'choices' })
    const play = start(puzzle)
    at(play, { type: 'choose', items: slipsOf(puzzle, 'fish') })
    const { choices } = play.view().naming!
    expect(choices).to.have.length(4)
    expect(choices).to.include.members(['fish', 'clothes'])
    expect(play.view().naming!.choices).to.deep.equal(choices)
  })

  it('lets a teacher judge what was said aloud, at the wall alone, with the name on the teacher’s screen', () => {
    const puzzle = make(NINE)
    const alone = start(puzzle)
    at(alone, { type: 'choose', items: slipsOf(puzzle, 'fish') })
    expect(alone.isVoid({ type: 'heard', right: true })).to.equal(true)
    const play = start(puzzle, { teams: 2 })
    at(play, { type: 'choose', items: slipsOf(puzzle, 'fish') })
    const seen = (audience: 'wall' | 'teacher'): string | null =>
      thread.view(puzzle, play.play(), { ...LOOK, teams: 2, audience }).key
    expect([seen('wall'), seen('teacher')]).to.deep.equal([null, 'fish'])
    at(play, { type: 'heard', right: true })
    expect(play.view().teams).to.deep.equal([
      { points: 14, turn: false },
      { points: 0, turn: true },
    ])
  })

  it('shows at the end what stayed hidden, and counts it as passed', () => {
    const puzzle = make(NINE, { say: 'off' })
    const play = start(puzzle)
    at(play, { type: 'choose', items: slipsOf(puzzle, 'fish') })
    const left = at(play, { type: 'finish' })
    expect(left.map(({ outcome }) => outcome)).to.deep.equal(Array(6).fill('passed'))
    expect(play.view().cards.map(({ found }) => found)).to.deep.equal([true, false, false])
    expect(play.view().cards.map(({ link }) => link)).to.have.members(['fish', 'trees', 'colours'])
  })
})
