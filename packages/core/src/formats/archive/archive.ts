import { z } from 'zod'
import { Entry, MAX_ENTRIES } from '../../list/entry.ts'
import { ListDetails } from '../../list/details.ts'
import { upgradedEntry } from '../../list/upgradedEntry.ts'

/** Version 2: an entry has several groups and standards. */
export const ARCHIVE_VERSION = 2

/** What `list.json` of an archive holds. Pictures and sounds lie beside it as media/ID. */
export const ArchivedList = z.object({
  format: z.literal('jolly-otter-list'),
  version: z.number().int(),
  details: ListDetails,
  entries: z.array(Entry).max(MAX_ENTRIES),
})
export type ArchivedList = z.infer<typeof ArchivedList>

/** Returns what `list.json` held in an earlier version, as today's version has it. */
export function upgradedList(json: unknown): unknown {
  const { version, entries } = (json ?? {}) as { version?: unknown; entries?: unknown }
  if (version !== 1 || !Array.isArray(entries)) return json
  return {
    ...(json as object),
    version: ARCHIVE_VERSION,
    entries: entries.map((entry) =>
      typeof entry === 'object' && entry !== null ? upgradedEntry(entry as object) : (entry as unknown),
    ),
  }
}

/** Returns the ids of all pictures and sounds that a list refers to. */
export function mediaOf({ details, entries }: { details: ListDetails; entries: readonly Entry[] }): string[] {
  const faces = entries.flatMap(({ answer, prompt, choices }) => [answer, prompt, ...choices])
  const ids = faces.flatMap(({ picture, sound }) => [picture?.id, sound?.id]).concat(details.cover?.id)
  return [...new Set(ids.filter((id) => id !== undefined))]
}

/**
 * Returns a list in which each picture and sound has the id that another keeper gave it; what has none there is taken
 * out.
 */
export function withMediaIds<Listed extends { details: ListDetails; entries: readonly Entry[] }>(
  list: Listed,
  idOf: ReadonlyMap<string, string>,
): Listed {
  const renamed = <Medium extends { id: string }>(medium: Medium | null | undefined): Medium | undefined => {
    const id = medium ? idOf.get(medium.id) : undefined
    return medium && id !== undefined ? { ...medium, id } : undefined
  }
  const face = <Side extends Entry['answer']>(side: Side): Side => {
    const { picture, sound, ...rest } = side
    const [ownPicture, ownSound] = [renamed(picture), renamed(sound)]
    return { ...rest, ...(ownPicture && { picture: ownPicture }), ...(ownSound && { sound: ownSound }) } as Side
  }
  return {
    ...list,
    details: { ...list.details, cover: renamed(list.details.cover) ?? null },
    entries: list.entries.map((entry) => ({
      ...entry,
      answer: face(entry.answer),
      prompt: face(entry.prompt),
      choices: entry.choices.map(face),
    })),
  }
}
