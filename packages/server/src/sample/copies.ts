import { randomUUID } from 'node:crypto'
import type { ListReply, PlacedEntry, SampleReply } from '@otter/api'
import { newEntry } from '@otter/core'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { createList, readList, saveList } from '../services/lists.ts'
import { takePicture } from '../services/media.ts'
import { SAMPLE_LISTS, type SampleList } from './scenario.ts'

/** Returns what sample lists there are to copy. */
export function sampleLists(): SampleReply[] {
  return SAMPLE_LISTS.map(({ title, answerLanguage = '', entries }) => ({
    title,
    answerLanguage,
    entryCount: entries.length,
  }))
}

/** Gives a teacher a sample list as her own, by its place among them. Throws a Problem where there is none. */
export async function copySample(scope: TeacherScope, place: number): Promise<ListReply> {
  const sample = SAMPLE_LISTS[place]
  if (!sample) throw notFound()
  return readList(scope, await addSampleList(scope, sample))
}

/** Adds a sample list, with its pictures; returns the list's id. */
export async function addSampleList(scope: TeacherScope, { entries, ...details }: SampleList): Promise<string> {
  const list = await createList(scope, details)
  const put: PlacedEntry[] = []
  for (const [answer, prompt, { draws, ...rest } = {}] of entries) {
    const picture =
      draws === undefined ? undefined : await takePicture(scope, { set: 'plain', name: draws, alt: answer })
    put.push(
      newEntry({
        id: randomUUID(),
        position: put.length + 1,
        answer: { text: answer },
        prompt: { text: prompt, ...(picture && { picture }) },
        ...rest,
      }),
    )
  }
  await saveList(scope, list.id, { version: 0, remove: [], put })
  return list.id
}
