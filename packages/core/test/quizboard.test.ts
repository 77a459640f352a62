import { expect } from 'chai'
import fc from 'fast-check'
import { newEntry, randomFrom, type Entry, type EntryList, type Response } from '../src/index.ts'
import {
  quizboard,
  QuizboardOptions,
  type QuizboardMove,
  type QuizboardPuzzle,
  type QuizboardView,
} from '../src/games/quizboard/index.ts'
import { columnsOf } from '../src/games/quizboard/columns.ts'
import { hardnessOf } from '../src/list/hardness.ts'
import { LOOK } from './playing.ts'
import { playThrough, type Playthrough } from './playthrough.ts'
import { idOf } from './sampleWords.ts'

function listOf(entries: (Partial<Entry> & { group?: string })[], proved?: EntryList['proved']): EntryList {
  return {
    title: 'T',
    answerLanguage: 'en',
    promptLanguage: 'en',
    entries: entries.map(({ group, ...entry }, index) =>
      newEntry({
        id: idOf(index),
        answer: { text: `answer${index}` },
        prompt: { text: `clue ${index}` },
        groups: group === undefined ? [] : [group],
        ...entry,
      }),
    ),
    ...(proved && { proved }),
  }
}

/** Two columns of three questions. */
const six = listOf([0, 1, 2, 3, 4, 5].map((index) => ({ group: index % 2 ? 'Two' : 'One', hint: 'think' })))
const make = (list: EntryList, options: object = {}): QuizboardPuzzle =>
  quizboard.make(list, QuizboardOptions.parse({ tiles: 3, ...options }), randomFrom('1'))
type Run = Playthrough<ReturnType<typeof quizboard.start>, QuizboardMove, QuizboardView>
const run = (puzzle: QuizboardPuzzle): Run => playThrough(quizboard, puzzle) as Run
const at = (play: Run, ...moves: QuizboardMove[]): Response[] => play.at(1000, ...moves)
const points = (play: Run): number[] => play.view().teams.map((team) => team.points)

describe('Columns of a quiz board', () => {
  it('ask each entry once, and fill as many places as there can be, whichever groups entries have', () => {
    fc.assert(
      fc.property(
        fc.array(fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { maxLength: 3 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 3, max: 4 }),
        (groups, tiles) => {
          const list = listOf(groups.map((own) => ({ groups: own })))
          const { columns } = columnsOf(list, QuizboardOptions.parse({ tiles, columns: 3 }))
          const ids = columns.flatMap(({ entries }) => entries.map(({ id }) => id))
          expect(new Set(ids).size).to.equal(ids.length)
          if (!groups.some((own) => own.length > 0)) return
          for (const { name, entries } of columns) {
            expect(entries.length).to.be.at.most(tiles)
            for (const entry of entries) expect(entry.groups).to.include(name)
          }
          // All ways to give entries to their groups, one after the other.
          const most = (index: number, room: Record<string, number>): number =>
            index === groups.length
              ? 0
              : Math.max(
                  most(index + 1, room),
                  ...groups[index]!.filter((group) => room[group]! > 0).map(
                    (group) => 1 + most(index + 1, { ...room, [group]: room[group]! - 1 }),
                  ),
                )
          expect(ids.length).to.equal(most(0, { a: tiles, b: tiles, c: tiles }))
        },
      ),
    )
  })

  it('say what a thin one lacks, and take the rest of the list where that is wished', () => {
    const list = listOf([
      { group: 'One' },
      { group: 'One' },
      { group: 'One' },
      { group: 'Two' },
      {},
      { scored: false, group: 'Two' },
    ])
    const fit = (options: object): string[] =>
      quizboard
        .fit(list, QuizboardOptions.parse({ tiles: 3, ...options }))
        .notes.map(({ code, values }) => `${code} ${values.group ?? ''} ${values.count ?? ''}`)
    expect(fit({ depth: 'worth' })).to.deep.equal(['opinion  1', 'thin Two 2'])
    expect(fit({ depth: 'worth', fill: true })).to.deep.equal(['opinion  1', 'thin Two 1'])
    expect(make(list, { fill: true }).columns.map(({ items }) => items.length)).to.deep.equal([3, 2])
  })

  it('stand as the teacher laid them, each entry in the first alone', () => {
    const laid = [
      { name: 'Mine', entryIds: [idOf(5), idOf(0), idOf(3)] },
      { name: 'Yours', entryIds: [idOf(0), idOf(1)] },
    ]
    const { columns, questions } = make(six, { laid, dive: false })
    expect(columns.map(({ name, items }) => [name, items.map((item) => questions[item]!.entryId)])).to.deep.equal([
      ['Mine', [idOf(5), idOf(0), idOf(3)]],
      ['Yours', [idOf(1)]],
    ])
  })

  it('go down by how hard questions have proved, or by their points; untried ones by an estimate', () => {
    const proved = { [idOf(0)]: { met: 20, right: 2 }, [idOf(2)]: { met: 20, right: 19 } }
    const list = listOf(
      [
        { group: 'One', worth: 5 },
        { group: 'One', worth: 50 },
        { group: 'One', worth: 20 },
      ],
      proved,
    )
    const order = (options: object): string[] => make(list, options).questions.map(({ entryId }) => entryId)
    expect(order({ depth: 'proved' })).to.deep.equal([idOf(2), idOf(1), idOf(0)])
    expect(order({ depth: 'worth' })).to.deep.equal([idOf(0), idOf(2), idOf(1)])
    expect(make(list, { depth: 'worth' }).questions.map(({ value }) => value)).to.deep.equal([5, 20, 50])
    expect(make(list).questions.map((question) => question.proved)).to.deep.equal([true, false, true])
    const notes = quizboard.fit(list, QuizboardOptions.parse({ tiles: 3 })).notes
    expect(notes.at(-1)).to.deep.include({ code: 'untried', values: { count: 1 } })
  })

  it('hold an entry for hard that most miss, the surer the more answered it', () => {
    const entry = newEntry({ id: idOf(1), answer: { text: 'arch' }, prompt: { text: 'a bow' } })
    const hardness = (met: number, right: number): number => hardnessOf(entry, { met, right }).hardness
    expect(hardness(50, 5)).to.be.above(hardness(4, 0))
    expect(hardness(50, 45)).to.be.below(hardnessOf(entry, undefined).hardness)
    expect([
      hardnessOf(entry, { met: 2, right: 1 }).proved,
      hardnessOf(entry, { met: 3, right: 1 }).proved,
    ]).to.deep.equal([false, true])
  })
})

describe('A quiz board under way', () => {
  it('passes a question on, gives its points to who knew it, and the turn to the next team', () => {
    const play = run(make(six, { wrong: 'points', teams: 3, dive: false }))
    at(play, { type: 'open', item: 2 })
    expect(play.view()).to.deep.include({ value: 30 })
    const wrong = at(play, { type: 'judge', right: false })
    expect(wrong.map(({ outcome, team, counts }) => [outcome, team, counts])).to.deep.equal([['wrong', 0, true]])
    expect(play.view().question).to.deep.include({ answering: 0, next: 1, over: false, answer: null })
    expect(at(play, { type: 'pass-on' }), 'who was wrong has answered, and not passed').to.deep.equal([])
    const [passed] = at(play, { type: 'pass-on' })
    expect(passed).to.deep.include({ outcome: 'passed', team: 1, counts: false, occasion: 1 })
    const [right] = at(play, { type: 'judge', right: true })
    expect(right).to.deep.include({ outcome: 'right', team: 2, points: 30, given: 'answer4' })
    expect(points(play)).to.deep.equal([-30, 0, 30])
    expect(play.view().question).to.deep.include({ over: true, next: null })
    at(play, { type: 'close' })
    expect(play.view().teams.map(({ turn }) => turn)).to.deep.equal([false, true, false])
    expect(play.view().columns[0]!.tiles[2]).to.deep.include({ state: 'used', team: 2 })
  })

  it('goes back to a question that was judged by mistake, and takes its points back', () => {
    const play = run(make(six, { teams: 2, dive: false }))
    at(play, { type: 'open', item: 0 }, { type: 'judge', right: true }, { type: 'close' })
    expect(points(play)).to.deep.equal([10, 0])
    at(play, { type: 'open', item: 0 })
    expect(play.view().question).to.deep.include({ again: true, over: true, revealed: true })
    at(play, { type: 'judge', right: false, team: 0 }, { type: 'judge', right: true, team: 1 }, { type: 'close' })
    expect(points(play)).to.deep.equal([0, 10])
    // Looking back is nobody's turn.
    expect(play.view().teams[1]!.turn).to.equal(true)
  })

  it('puts a question back that nobody answered as if it had not been opened', () => {
    const play = run(make(six, { teams: 2, seconds: 30 }))
    at(play, { type: 'open', item: 1 })
    expect(play.play().teams.timer).to.deep.equal({ endsAt: 31_000 })
    at(play, { type: 'hint' }, { type: 'close' })
    expect(play.view().columns[0]!.tiles[1]!.state).to.equal('there')
    expect([play.view().teams[0]!.turn, play.play().teams.timer]).to.deep.equal([true, null])
  })

  it('ends with a dive that all answer at once: the hardest that was not met, and nothing to lose', () => {
    const proved = { [idOf(6)]: { met: 30, right: 1 } }
    const list = listOf(
      [...[0, 1, 2, 3, 4, 5, 6]].map((index) => ({ group: index === 6 ? 'Spare' : index % 2 ? 'Two' : 'One' })),
      proved,
    )
    const play = run(make(list, { columns: 2, wrong: 'points', teams: 3 }))
    for (const item of [0, 1, 2, 3, 4, 5]) at(play, { type: 'open', item }, { type: 'nobody' }, { type: 'close' })
    expect(play.view()).to.deep.include({ left: 0, canDive: true, finished: false })
    expect(play.isVoid({ type: 'open', item: 6 }), 'it is no tile').to.equal(true)
    at(play, { type: 'dive' })
    expect(play.view()).to.deep.include({ isDive: true, value: 100 })
    expect(play.view().question).to.deep.include({ everyone: true, answering: null })
    const given = at(
      play,
      { type: 'judge', right: true, team: 2 },
      { type: 'judge', right: false, team: 0 },
      { type: 'nobody' },
    )
    expect(given.map(({ team, outcome, entryId }) => [team, outcome, entryId])).to.deep.equal([
      [2, 'right', idOf(6)],
      [0, 'wrong', idOf(6)],
      [1, 'passed', idOf(6)],
    ])
    expect(points(play)).to.deep.equal([0, 0, 100])
    at(play, { type: 'close' })
    expect(play.view().finished).to.equal(true)
  })

  it('shows the answer to the teacher alone until it is told', () => {
    const puzzle = make(six)
    const play = run(puzzle)
    at(play, { type: 'open', item: 0 })
    const seen = (audience: 'player' | 'teacher' | 'wall'): string | undefined =>
      (quizboard.view(puzzle, play.play(), { ...LOOK, audience }) as QuizboardView).question?.answer?.text
    expect([seen('player'), seen('wall'), seen('teacher')]).to.deep.equal([undefined, undefined, 'answer0'])
    at(play, { type: 'reveal' })
    expect(seen('wall')).to.equal('answer0')
  })
})
