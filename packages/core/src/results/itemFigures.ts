/** Fewest students from whom anything is told of a question, or of all together. */
export const FEWEST_STUDENTS = 8
/** Fewest questions of whose whole a reliability is told. */
const FEWEST_QUESTIONS = 5

/** What came of one question with one student: right or not; null where it was not met. */
export type Mark = boolean | null

/** How a question has proved with a class. */
export interface ItemFigures {
  /** Students who met it. */
  met: number
  /** Share of them who were right, from 0 to 1; null where nobody met it. */
  difficulty: number | null
  /**
   * How far who is right here is right elsewhere too, from −1 to 1: the point-biserial correlation with the rest of the
   * score (corrected item-total correlation, Henrysson 1963). Null where there are too few students, or all are alike.
   */
  discrimination: number | null
}

/** How all questions have proved together. */
export interface WholeFigures {
  items: ItemFigures[]
  /**
   * How far the score would come out the same with other such questions (KR-20, Kuder and Richardson 1937), of students who
   * met all; null where there are too few, or all have the same score.
   */
  reliability: number | null
}

/** Returns how questions have proved: `marks` holds a row for each student, with a mark for each question. */
export function figuresOf(marks: readonly (readonly Mark[])[], questions: number): WholeFigures {
  const shares = marks.map((row) => ({ row, right: count(row, true), met: row.length - count(row, null) }))
  const items = Array.from({ length: questions }, (_, index): ItemFigures => {
    const met = shares.filter(({ row }) => row[index] !== null && row[index] !== undefined)
    const right = met.filter(({ row }) => row[index] === true).length
    return {
      met: met.length,
      difficulty: met.length === 0 ? null : right / met.length,
      discrimination:
        met.length < FEWEST_STUDENTS
          ? null
          : correlation(
              // Who met nothing else says nothing of it.
              met
                .filter((one) => one.met > 1)
                .map(({ row, right: all, met: of }) => {
                  const here = row[index] === true ? 1 : 0
                  return [here, (all - here) / (of - 1)]
                }),
            ),
    }
  })
  return { items, reliability: reliabilityOf(marks.filter((row) => !row.includes(null))) }
}

/** Returns KR-20 of students who met all questions; null where it can't be told. */
function reliabilityOf(rows: readonly (readonly Mark[])[]): number | null {
  const questions = rows[0]?.length ?? 0
  if (rows.length < FEWEST_STUDENTS || questions < FEWEST_QUESTIONS) return null
  const totals = rows.map((row) => count(row, true))
  const spread = variance(totals)
  if (spread === 0) return null
  const within = Array.from({ length: questions }, (_, index) => {
    const share = rows.filter((row) => row[index] === true).length / rows.length
    return share * (1 - share)
  }).reduce((sum, one) => sum + one, 0)
  return (questions / (questions - 1)) * (1 - within / spread)
}

/** Returns Pearson's correlation of pairs; null where either side is all alike. */
function correlation(pairs: readonly (readonly [number, number] | number[])[]): number | null {
  const ones = pairs.map(([one]) => one!)
  const others = pairs.map(([, other]) => other!)
  const [spread, otherSpread] = [variance(ones), variance(others)]
  if (pairs.length < FEWEST_STUDENTS || spread < 1e-12 || otherSpread < 1e-12) return null
  const [mean, otherMean] = [meanOf(ones), meanOf(others)]
  const together = meanOf(pairs.map(([one, other]) => (one! - mean) * (other! - otherMean)))
  return together / Math.sqrt(spread * otherSpread)
}

function count(row: readonly Mark[], mark: Mark): number {
  return row.filter((one) => one === mark).length
}

function meanOf(numbers: readonly number[]): number {
  return numbers.reduce((sum, one) => sum + one, 0) / Math.max(1, numbers.length)
}

/** Returns the mean square distance from the mean: of all there are, not of a sample. */
function variance(numbers: readonly number[]): number {
  const mean = meanOf(numbers)
  return meanOf(numbers.map((one) => (one - mean) ** 2))
}

/** What a teacher can make of a question's figures. */
export type ItemWord = 'easy' | 'middling' | 'hard'
export type TellingWord = 'tells-well' | 'tells-little' | 'tells-nothing' | 'against'

/** Returns whether a question was easy, hard, or between; null where nobody met it. */
export function difficultyWord({ difficulty }: Pick<ItemFigures, 'difficulty'>): ItemWord | null {
  if (difficulty === null) return null
  return difficulty >= 0.85 ? 'easy' : difficulty >= 0.5 ? 'middling' : 'hard'
}

/** Returns how well a question tells who knows the rest; null where that can't be told. */
export function tellingWord({ discrimination }: Pick<ItemFigures, 'discrimination'>): TellingWord | null {
  if (discrimination === null) return null
  if (discrimination < -0.1) return 'against'
  return discrimination < 0.1 ? 'tells-nothing' : discrimination < 0.3 ? 'tells-little' : 'tells-well'
}

/**
 * Tells whether a question is perhaps wrongly keyed: those who know most miss it, or one wrong answer is given by more than
 * half of those who met it, and by more than the right one.
 */
export function isPerhapsMiskeyed(
  figures: ItemFigures,
  { right, mostGiven }: { right: number; mostGiven: number },
): boolean {
  if (figures.met < FEWEST_STUDENTS) return false
  return tellingWord(figures) === 'against' || (mostGiven * 2 > figures.met && mostGiven > right)
}
