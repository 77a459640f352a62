import type { Step, Turn } from '../contract.ts'
import { responseOf } from '../response.ts'
import { detailOf, judge } from './judge.ts'
import { pointsFor, UNHURRIED } from './points.ts'
import { type Answered, type QuizMove, type QuizPlay } from './play.ts'
import type { QuizPuzzle } from './puzzle.ts'

/**
 * Counts an answer to a question of the first round that had passed: as if it had come with the last second. Returns the
 * very play where it answers nothing that was left open.
 */
export function countLate(
  puzzle: QuizPuzzle,
  play: QuizPlay,
  { for: madeFor, move }: { for: string; move: QuizMove },
  { shared, knowledge }: Turn,
): Step<QuizPlay> {
  const nothing = { play, responses: [] }
  if (move.type !== 'choose' && move.type !== 'type' && move.type !== 'claim') return nothing
  const { place, question: number } = askedAt(puzzle, madeFor)
  // Where all are asked the same, nobody has an order of questions of one's own.
  const index = shared?.inStep ? play.answers.findIndex(({ question: one }) => one === number) : place
  const passed = play.answers[index]
  const question = passed && puzzle.questions[passed.question]!
  if (!question || passed.why !== 'none' || passed.given !== '') return nothing
  const judged = judge(puzzle, question, move, knowledge)
  if (!judged) return nothing
  const milliseconds = (question.seconds || UNHURRIED) * 1000
  const outcome = !question.scored ? 'opinion' : judged.right ? 'right' : 'wrong'
  const points = outcome === 'right' ? pointsFor(puzzle, question, milliseconds, false) : 0
  const counted: Answered = { ...judged, question: passed.question, points, outcome }
  return {
    play: {
      ...play,
      answers: play.answers.map((answer, at) => (at === index ? counted : answer)),
      last: play.round === 1 && play.last?.question === passed.question ? counted : play.last,
    },
    responses: [
      responseOf({
        entryId: question.entryId,
        outcome,
        given: judged.given,
        detail: detailOf(question, move, judged),
        points,
        milliseconds,
        place: index,
      }),
    ],
  }
}

/**
 * Returns what a moment names: the place in the first round, from 0, and the question; -1 where it names none. One that
 * came before questions were named has them in the order of the puzzle.
 */
function askedAt({ questions }: QuizPuzzle, moment: string): { place: number; question: number } {
  const [round, left, phase, named] = moment.split(' ')
  const place = round === '1' && phase === 'asking' ? questions.length - Number(left) : -1
  return { place, question: place < 0 || named === undefined ? place : Number(named) }
}
