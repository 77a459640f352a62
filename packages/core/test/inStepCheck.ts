import { expect } from 'chai'
import fc from 'fast-check'
import type { Game, Response, Turn } from '../src/index.ts'
import type { QuizMove, QuizPuzzle, QuizView } from '../src/games/quiz/index.ts'
import type { QuizPlay } from '../src/games/quiz/play.ts'
import { begin } from './playing.ts'
import { randomFrom } from '../src/index.ts'

/** One student of a session: joins at some time, then does this and that. */
interface Student {
  joins: number
  acts: { at: number; move: QuizMove }[]
}

/** Students who come within a time, in milliseconds, and answer a little longer than it. */
export function anyStudents(within: number): fc.Arbitrary<Student[]> {
  const moves = fc.oneof(
    fc.constantFrom(0, 1).map((choice): QuizMove => ({ type: 'choose', choices: [choice] })),
    fc.constantFrom<QuizMove>({ type: 'next' }, { type: 'late' }, { type: 'begin' }, { type: 'hint' }),
  )
  const student = fc.record({
    joins: fc.integer({ min: 0, max: within }),
    acts: fc.array(fc.record({ at: fc.integer({ min: 0, max: within + 20_000 }), move: moves }), { maxLength: 20 }),
  })
  return fc.array(student, { minLength: 1, maxLength: 4 })
}

/** A game in which all are asked questions as in a quiz, as the check needs it. */
export interface Asking<Puzzle, Play> {
  game: Pick<
    Game<unknown, Puzzle, Play, QuizMove, unknown>,
    'start' | 'move' | 'end' | 'score' | 'questions' | 'questionsKey' | 'inStep' | 'view'
  >
  puzzle: Puzzle
  /** The quiz within the game: its questions, a play's part of it, and the view of that; null where nothing stands. */
  quiz: QuizPuzzle
  answersOf(play: Play): QuizPlay['answers']
  quizView(view: unknown): QuizView | null
  /** What no screen may show while others can still answer. */
  secret(place: number): string
}

/**
 * Plays some students through a session, and expects that each answer counts once, to what stood while it could be
 * answered; that nothing is told too early; and that all adds up at the end.
 *
 * @param at the turn at a moment of the session, which is over at 900 s
 */
export function expectInStep<Puzzle, Play>(
  { game, puzzle, quiz, answersOf, quizView, secret }: Asking<Puzzle, Play>,
  students: readonly Student[],
  at: (now: number) => Turn,
): void {
  for (const { joins, acts } of students) {
    const { asked = [], standing: atFirst } = at(joins).shared!
    const missed = asked.filter((place) => place !== atFirst?.place)
    let play = game.start(puzzle, begin('p', { ...at(joins), random: randomFrom('p') }))
    const kept = new Map<string, Response>()
    const keep = (responses: readonly Response[]): void => {
      for (const response of responses) kept.set(`${response.entryId} ${response.round}`, response)
    }
    for (const { at: now, move } of acts.filter((act) => act.at >= joins).sort((a, b) => a.at - b.at)) {
      const turn = at(now)
      const standing = turn.shared!.standing ?? null
      const followed = game.inStep!.follow(puzzle, play, turn)
      keep(followed.responses)
      play = followed.play
      const was = answersOf(play).length
      const step = game.move(puzzle, play, move, turn)
      for (const { entryId, outcome, milliseconds } of step.responses) {
        if (outcome === 'passed') continue
        expect(entryId, 'an answer is to what stands').to.equal(quiz.questions[standing!.place]!.entryId)
        expect(standing!.open).to.equal(true)
        expect(milliseconds).to.equal(now - standing!.openedAt)
      }
      if (standing && !standing.change && kept.get(`${quiz.questions[standing.place]!.entryId} first`)?.given)
        expect(answersOf(step.play).length, 'an answer locks').to.equal(was)
      keep(step.responses)
      play = step.play
      const view = game.view(puzzle, play, { ...turn, audience: 'player' })
      if (!standing) expect(quizView(view), 'nothing stands').to.equal(null)
      else
        expect(quizView(view)!.question?.entryId, 'all look at the same').to.equal(
          quiz.questions[standing.place]!.entryId,
        )
      if (standing?.open) {
        const shown = JSON.stringify([view, game.score(puzzle, play, turn.shared)])
        expect(shown).not.to.include(secret(standing.place))
        expect(quizView(view)!.told, 'nothing is told').to.equal(null)
        expect(quizView(view)!.key).to.deep.equal([])
      }
    }
    const end = at(900_000)
    expect(end.shared!.phase).to.equal('over')
    const followed = game.inStep!.follow(puzzle, play, end)
    keep(followed.responses)
    const last = game.end(puzzle, followed.play, end)
    keep(last.responses)
    const score = game.score(puzzle, last.play, end.shared)
    const counted = [...kept.values()].filter(({ counts }) => counts)
    expect(score.points).to.equal(counted.reduce((sum, { points }) => sum + points, 0))
    expect(score.right).to.equal(counted.filter(({ outcome }) => outcome === 'right').length)
    const asks = end.shared!.asked!.filter((place) => !missed.includes(place))
    expect(
      game.questions(puzzle, last.play).map(({ entryId }) => entryId),
      'asked are those that stood from the joining on',
    ).to.deep.equal(asks.map((place) => quiz.questions[place]!.entryId))
    expect([...kept.keys()]).to.have.members(asks.map((place) => `${quiz.questions[place]!.entryId} first`))
    expect(score.total).to.equal(asks.length)
    expect(game.questionsKey!(puzzle, last.play) === '').to.equal(asks.length === quiz.questions.length)
    expect(game.inStep!.follow(puzzle, last.play, end).play, 'nothing follows the end').to.equal(last.play)
  }
}
