import { z } from 'zod'

/** What a gradebook shows: points of the game, per cent right, or a mark of a scale. */
export const GradeScale = z.discriminatedUnion('type', [
  z.object({ type: z.literal('percent') }),
  z.object({ type: z.literal('points') }),
  /** Marks from one number to another, such as 0 to 20, or 6 down to 1; steps of so much. */
  z.object({
    type: z.literal('range'),
    from: z.number().min(-1000).max(1000),
    to: z.number().min(-1000).max(1000),
    step: z.number().positive().max(100).default(1),
  }),
  /** Names of marks, the best first, each with the least share that earns it. */
  z.object({
    type: z.literal('names'),
    marks: z
      .array(z.object({ name: z.string().min(1).max(20), from: z.number().min(0).max(1) }))
      .min(1)
      .max(20),
  }),
])
export type GradeScale = z.infer<typeof GradeScale>

/** Returns the mark of a score on a scale; of points the points themselves. A share stands from 0 to 1. */
export function gradeOf(scale: GradeScale, { share, points }: { share: number; points: number }): string | number {
  switch (scale.type) {
    case 'percent':
      return Math.round(share * 100)
    case 'points':
      return points
    case 'range': {
      const { from, to, step } = scale
      const steps = Math.round((share * Math.abs(to - from)) / step)
      const mark = from + Math.sign(to - from) * steps * step
      // 0.1 + 0.2 is no mark.
      return Number(mark.toFixed(4))
    }
    case 'names':
      return [...scale.marks]
        .sort((one, other) => other.from - one.from)
        .find(({ from }, index, all) => share + 1e-9 >= from || index === all.length - 1)!.name
  }
}
