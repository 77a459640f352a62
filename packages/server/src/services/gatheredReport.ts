import type { ReportScope } from '@otter/api'
import { gameOf } from '@otter/core'
import { marksOfPlays, type ReportFacts } from '@otter/core/results'
import {
  countPlays,
  otherMarks,
  reportPlays,
  reportQuestions,
  reportWorks,
  type AskedSet,
  type ReportPerson,
  type ReportPlay,
  type ReportSpan,
  type ReportWork,
} from '../db/queries/report.ts'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { readClass } from './classes.ts'
import { readVersion } from './lists.ts'

/** More attempts are told by their sums, not one by one. */
export const MOST_PLAYS = 6000

/** Returns a scope of a report as queries take it. */
export function spanOf({ work, list, class: classId, from, to }: ReportScope): ReportSpan {
  return { work: work ?? null, list: list ?? null, class: classId ?? null, from: from ?? null, to: to ?? null }
}

/** All facts of a report, and whose and what they are. */
export interface GatheredReport {
  title: string
  works: ReportWork[]
  persons: ReportPerson[]
  plays: ReportPlay[]
  entries: { entryId: string; text: string; standards: string[] }[]
  facts: ReportFacts & { /** What sets ask by place, −1 for what does not count. */ asked: number[][] }
  /** What teams, and students who judge themselves, gave: by entry, towards what to teach again alone. */
  others: ReadonlyMap<string, { right: number; wrong: number; passed: number }>
}

/** Returns whether a piece of work counts for its students' scores. */
export function counts({ isWall, kind }: Pick<ReportWork, 'isWall' | 'kind'>): boolean {
  return !isWall && gameOf(kind).isSelfJudged !== true
}

/** Returns the title of what a report is of. Throws a Problem where it is another's. */
export async function titleOf(
  scope: TeacherScope,
  { list, class: classId }: ReportSpan,
  works: ReportWork[],
): Promise<string> {
  if (classId !== null) return (await readClass(scope, classId)).name
  if (list !== null) {
    await readVersion(scope, list)
    const [row] = await scope.query<{ title: string }>('SELECT title FROM lists WHERE id = $list', { list })
    return row?.title ?? ''
  }
  const [work] = works
  if (!work) throw notFound()
  return work.name || work.title
}

/** Gathers what a report is made of, where its attempts are few enough to be told one by one. */
export async function gatherReport(scope: TeacherScope, asked: ReportScope): Promise<GatheredReport | undefined> {
  const span = spanOf(asked)
  const works = await reportWorks(scope, span)
  const title = await titleOf(scope, span, works)
  const offerIds = works.map(({ offerId }) => offerId)
  if ((await countPlays(scope, offerIds, span)) > MOST_PLAYS) return undefined
  return gatherFrom(scope, { span, works, title })
}

/** Gathers what a report of some work is made of. */
export async function gatherFrom(
  scope: TeacherScope,
  { span, works, title }: { span: ReportSpan; works: ReportWork[]; title: string },
): Promise<GatheredReport> {
  const shown = works.filter(({ isWall }) => !isWall)
  const walls = works.filter(({ isWall }) => isWall).map(({ offerId }) => offerId)
  const { persons, plays } = await reportPlays(
    scope,
    shown.map(({ offerId }) => offerId),
    span,
  )
  const workOf = new Map(works.map(({ offerId }, place) => [offerId, place]))
  const placed = plays.map((play) => ({ ...play, work: workOf.get(shown[play.work]!.offerId)! }))
  const wallSets = await setsOfWalls(scope, walls)
  const { sets, entries: asked } = await reportQuestions(scope, [
    ...new Set([...placed.map(({ setId }) => setId), ...wallSets]),
  ])
  // Of several games that students pick from, some may be judged by themselves.
  const scores = ({ setId }: ReportPlay): boolean => {
    const kind = sets.get(setId)?.kind
    return kind === undefined || gameOf(kind).isSelfJudged !== true
  }
  // Where students judge themselves alone, what they say is all that there is to see: it still counts for no score.
  const areAllSelfJudged = !placed.some(scores)
  const isMarked = (play: ReportPlay): boolean => areAllSelfJudged || scores(play)
  const unmarked = placed.filter((play) => !isMarked(play)).map(({ id }) => id)
  const others = await otherMarks(scope, { walls, plays: unmarked }, span)
  const asking = new Asking(works, sets)
  for (const play of placed) asking.of(play)
  // What is taken out of the scoring of all work that asked it is nowhere.
  const told = new Set([
    ...others.map(({ entryId }) => entryId),
    ...wallSets.flatMap((setId) => sets.get(setId)?.entryIds ?? []),
    ...asking.entryIds(),
  ])
  const entries = asked.filter(({ entryId }) => told.has(entryId))
  const entryOf = new Map(entries.map(({ entryId }, place) => [entryId, place]))
  const places = asking.lists.map((ids) => ids.map((id) => (id === null ? -1 : entryOf.get(id)!)))
  const personOf = new Map(persons.map(({ id }, place) => [id, place]))
  return {
    title,
    works,
    persons,
    plays: placed,
    entries,
    others: new Map(others.map(({ entryId, ...rest }) => [entryId, rest])),
    facts: {
      persons: persons.length,
      entries: entries.length,
      sets: [...places, []].map((list) => list.filter((place) => place >= 0)),
      asked: [...places, []],
      marks: marksOfPlays(
        { persons: persons.length, entries: entries.length },
        placed.filter(isMarked).map((play) => ({
          person: personOf.get(play.person)!,
          entries: places[asking.of(play)]!,
          letters: play.marks,
        })),
      ),
      attempts: placed.map((play) => ({
        ...play,
        person: personOf.get(play.person)!,
        scores: scores(play),
        // What is not marked asks nothing that a map could miss.
        set: isMarked(play) ? asking.of(play) : places.length,
      })),
    },
  }
}

/** What plays ask of what counts in their work, by the places of their sets: each list once. */
class Asking {
  /** Entries by place; null for what does not count, or is taken out. */
  readonly lists: (string | null)[][] = []
  private readonly known = new Map<string, number>()
  private readonly outs: ReadonlySet<string>[]
  private readonly sets: ReadonlyMap<string, AskedSet>

  constructor(works: readonly ReportWork[], sets: ReadonlyMap<string, AskedSet>) {
    this.outs = works.map(({ out }) => new Set(out))
    this.sets = sets
  }

  /** Returns the number of the list that a play asks. */
  of({ setId, work }: Pick<ReportPlay, 'setId' | 'work'>): number {
    const out = this.outs[work]!
    const key = out.size > 0 ? `${setId} ${work}` : setId
    const known = this.known.get(key)
    if (known !== undefined) return known
    this.known.set(key, this.lists.length)
    const list = (this.sets.get(setId)?.entryIds ?? []).map((id) => (id === null || out.has(id) ? null : id))
    return this.lists.push(list) - 1
  }

  /** Returns all entries that are asked. */
  entryIds(): Set<string> {
    return new Set(this.lists.flat().filter((id) => id !== null))
  }
}

async function setsOfWalls(scope: TeacherScope, offerIds: readonly string[]): Promise<string[]> {
  if (offerIds.length === 0) return []
  const rows = await scope.query<{ id: string }>(
    'SELECT DISTINCT question_set_id AS id FROM plays WHERE offer_id = ANY ($offerIds::uuid[])',
    { offerIds },
  )
  return rows.map(({ id }) => id)
}
