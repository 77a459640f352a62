import type { ReportReply } from '@otter/api'
import type { Missing } from '../db/queries/report.ts'

/** What a report tells beside its title, its work and its first lines. */
export type ToldReport = Omit<ReportReply, 'title' | 'of' | 'works' | 'standards' | 'brief'> & {
  /** Where an entry was missed, by places of entries. */
  missesOf: (places: ReadonlySet<number>) => Missing[]
}
