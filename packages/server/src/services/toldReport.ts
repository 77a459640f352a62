import type { ReportReply } from '@otter/api'

/** An entry that an attempt missed. */
export interface Missing {
  playId: string
  entryId: string
}

/** What a report tells beside its title, its work and its first lines. */
export type ToldReport = Omit<ReportReply, 'title' | 'of' | 'works' | 'standards' | 'brief'> & {
  /** Where an entry was missed, by places of entries. */
  missesOf: (places: ReadonlySet<number>) => Missing[]
}
