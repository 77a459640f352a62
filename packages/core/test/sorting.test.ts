import { expect } from 'chai'
import { newEntry, randomFrom, type EntryList, type PlayContext, type Response } from '../src/index.ts'
import {
  sorting,
  SortingOptions,
  type SortingMove,
  type SortingPuzzle,
  type SortingView,
} from '../src/games/sorting/index.ts'
import { playThrough, type Playthrough } from './playthrough.ts'
import { idOf } from './sampleWords.ts'

const GROUPS = [['bird'], ['bird'], ['fish'], ['fish'], ['bird', 'fish'], []]
const list: EntryList = {
  title: 'T',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: GROUPS.map((groups, index) =>
    newEntry({ id: idOf(index), answer: { text: `animal${index}` }, prompt: { text: `clue ${index}` }, groups }),
  ),
}
const make = (options: object = {}): SortingPuzzle => sorting.make(list, SortingOptions.parse(options), randomFrom('1'))
const placeOf = ({ items }: SortingPuzzle, entry: number): number =>
  items.findIndex(({ entryId }) => entryId === idOf(entry))
const groupOf = ({ groups }: SortingPuzzle, name: string): number => groups.indexOf(name)
type Run = Playthrough<ReturnType<typeof sorting.start>, SortingMove, SortingView>
const start = (puzzle: SortingPuzzle, context: Partial<PlayContext> = {}): Run => playThrough(sorting, puzzle, context)

describe('Sorting', () => {
  it('takes what has a group, says what has none, and what fits two', () => {
    const { summary, notes } = sorting.fit(list, SortingOptions.parse({}))
    expect(summary).to.deep.include({ code: 'ready', values: { count: 5, groups: 2 } })
    expect(notes.map(({ code, entryIds }) => [code, entryIds])).to.deep.equal([
      ['no-group', [idOf(5)]],
      ['double', [idOf(4)]],
    ])
    const bare = { ...list, entries: list.entries.slice(0, 2) }
    expect(sorting.fit(bare, SortingOptions.parse({})).summary.code).to.equal('no-groups')
  })

  it('holds what fits two groups for right in both', () => {
    for (const name of ['bird', 'fish']) {
      const puzzle = make()
      const play = start(puzzle)
      const [response] = play.at(1000, {
        type: 'put',
        item: placeOf(puzzle, 4),
        group: groupOf(puzzle, name),
      })
      expect(response).to.deep.include({ outcome: 'right', given: name })
    }
  })

  it('counts where each is put first, and takes it in when it is put right later', () => {
    const puzzle = make()
    const play = start(puzzle)
    const put = (name: string): Response[] =>
      play.at(1000, { type: 'put', item: placeOf(puzzle, 0), group: groupOf(puzzle, name) })
    expect(put('fish')[0]).to.deep.include({ outcome: 'wrong', points: 0 })
    expect(play.view().wrong).to.deep.equal({ item: placeOf(puzzle, 0), group: groupOf(puzzle, 'fish') })
    expect(put('fish'), 'the same once more is nothing').to.deep.equal([])
    expect(put('bird')).to.deep.equal([])
    expect(play.view().items[placeOf(puzzle, 0)]).to.deep.include({ mark: 'later', lies: groupOf(puzzle, 'bird') })
    expect(sorting.score(puzzle, play.play())).to.include({ right: 0, total: 5, misses: 1 })
  })

  it('tells nothing before the end where all is checked there, and lets slips be moved until then', () => {
    const puzzle = make({ check: 'at-end' })
    const play = start(puzzle)
    const bird = groupOf(puzzle, 'bird')
    for (const item of puzzle.items.keys()) play.at(1000, { type: 'put', item, group: bird })
    expect(play.view().items.map(({ mark }) => mark)).to.deep.equal([null, null, null, null, null])
    expect(play.view().items.every(({ belongs }) => belongs.length === 0)).to.equal(true)
    const moved = placeOf(puzzle, 2)
    play.at(1000, { type: 'take-out', item: moved })
    expect([play.view().canCheck, play.isVoid({ type: 'check' })]).to.deep.equal([false, true])
    play.at(1000, { type: 'put', item: moved, group: groupOf(puzzle, 'fish') })
    const responses = play.at(6000, { type: 'check' })
    expect(responses.filter(({ outcome }) => outcome === 'right')).to.have.length(4)
    expect(play.view().finished).to.equal(true)
    expect(play.view().items[placeOf(puzzle, 3)]).to.deep.include({ mark: 'wrong', belongs: [groupOf(puzzle, 'fish')] })
  })

  it('gives the turn on with each slip, and its points to the team that laid it', () => {
    const puzzle = make()
    const play = start(puzzle, { teams: 2 })
    const put = (entry: number, name: string): number | undefined =>
      play.at(1000, { type: 'put', item: placeOf(puzzle, entry), group: groupOf(puzzle, name) })[0]?.team
    expect([put(0, 'bird'), put(2, 'bird'), put(1, 'bird'), put(2, 'fish')]).to.deep.equal([0, 1, 0, undefined])
    expect(play.view().teams.map(({ points }) => points)).to.deep.equal([20, 10])
  })

  it('prints a table and slips, and on the key what belongs in each group', () => {
    const puzzle = make()
    const [table, slips] = sorting.sheet(puzzle, false)
    expect([table!.blocks[0]!.type, slips!.blocks[0]!.type]).to.deep.equal(['items', 'tokens'])
    const key = JSON.stringify(sorting.sheet(puzzle, true))
    expect(key.split('animal4'), 'it stands in both').to.have.length(3)
  })
})
