import { randomUUID } from 'node:crypto'
import type { PlacedEntry } from '@otter/api'
import { newEntry, type WordSearchOptions, type WordSearchPuzzle } from '@otter/core'
import type { Database } from '../db/database.ts'
import { createLink } from '../services/links.ts'
import { createList, saveList } from '../services/lists.ts'
import { takePicture } from '../services/media.ts'
import { joinLink, sendMove } from '../services/plays.ts'
import { findTeacherByEmail, signUp } from '../services/teachers.ts'
import type { Workers } from '../workers/pool.ts'
import { SAMPLE_LISTS, SAMPLE_STUDENTS } from './scenario.ts'

export const SAMPLE_EMAIL = 'ines@harlowquay.example'
const SAMPLE_PASSWORD = 'otters-hold-hands'

/** Loads the sample scenario once: a teacher, her lists, and one link that students have played. */
export async function loadSample(database: Database, workers: Workers): Promise<void> {
  if (await findTeacherByEmail(database, SAMPLE_EMAIL)) return
  const teacher = await signUp(database, { name: 'Ines Okafor', email: SAMPLE_EMAIL, password: SAMPLE_PASSWORD })
  let last = ''
  for (const { entries, ...details } of SAMPLE_LISTS) {
    const list = await createList(database, teacher.id, details)
    const put: PlacedEntry[] = []
    for (const [answer, prompt, { draws, ...rest } = {}] of entries) {
      const picture = draws === undefined ? undefined : await takePicture(database, teacher.id, { set: 'plain', name: draws, alt: answer })
      put.push(newEntry({ id: randomUUID(), position: put.length + 1, answer: { text: answer }, prompt: { text: prompt, ...(picture && { picture }) }, ...rest }))
    }
    await saveList(database, teacher.id, list.id, { version: 0, remove: [], put })
    last = list.id
  }
  const options: Partial<WordSearchOptions> = { directions: 4 }
  const link = await createLink(database, workers, teacher.id, last, { kind: 'wordsearch', options, seed: 'otter' })
  const version = await database.gameVersions.findOne({ rejectOnEmpty: true, where: { seed: 'otter' } })
  await playSample(database, link.code, version.puzzle as WordSearchPuzzle)
}

/** How long ago the sample class played, in milliseconds: this morning's first lesson, more or less. */
const SAMPLE_AGE = 2 * 3600_000

async function playSample(database: Database, code: string, { words }: WordSearchPuzzle): Promise<void> {
  for (const [number, { name, finds, hints, stops }] of SAMPLE_STUDENTS.entries()) {
    const joined = Date.now() - SAMPLE_AGE + number * 20_000
    const { token } = await joinLink(database, code, name, new Date(joined))
    let after = 0
    const send = async (move: unknown): Promise<void> => {
      await sendMove(database, code, token, { attempt: 1, after, move }, new Date(joined + ++after * (11 + ((number * 7 + after * 5) % 13)) * 1000))
    }
    // Each begins somewhere else, so that some words are found by fewer.
    const order = words.map((_, index) => (index * 3 + number * (finds < words.length ? 1 : 3)) % words.length)
    for (const item of order.slice(0, hints)) await send({ type: 'hint', item })
    for (const item of order.slice(0, finds)) {
      const { row, col, dRow, dCol, length } = words[item]
      await send({ type: 'mark', from: { row, col }, to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) } })
    }
    if (stops) await send({ type: 'finish' })
  }
}
