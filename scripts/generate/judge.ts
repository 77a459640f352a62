import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { CommandRefusal, JudgeOptionsInput } from '@otter/core'
import { z } from 'zod'
import { serverKnowledge } from '../../packages/server/src/dictionary/knowledge.ts'

/** A typed answer with all that it is judged by. */
const Line = JudgeOptionsInput.extend({
  given: z.string(),
  accepted: z.array(z.string()),
  others: z.array(z.string()).default([]),
})

/** How much is printed at once, in letters. */
const AT_ONCE = 60_000

/** Judges the lines of a file of JSON, and prints for each whether it counts and why; how long it took goes to stderr. */
export async function judgeFile(file: string): Promise<void> {
  let printed = ''
  let count = 0
  let judging = 0
  const flush = async (): Promise<void> => {
    const text = printed
    printed = ''
    if (!process.stdout.write(text)) await new Promise((resolve) => process.stdout.once('drain', resolve))
  }
  for await (const text of createInterface({ input: createReadStream(file, 'utf8'), crlfDelay: Infinity })) {
    if (text.trim() === '') continue
    const { given, accepted, others, ...options } = parsed(text, ++count)
    const began = performance.now()
    const { right, why } = serverKnowledge.judge.judge(given, { accepted, others }, options)
    judging += performance.now() - began
    printed += `${JSON.stringify({ right, why })}\n`
    if (printed.length > AT_ONCE) await flush()
  }
  await flush()
  const seconds = judging / 1000
  process.stderr.write(
    `${count} judged in ${seconds.toFixed(2)} s, ${Math.round(count / Math.max(seconds, 1e-6))} a second\n`,
  )
}

function parsed(text: string, line: number): z.output<typeof Line> {
  try {
    return Line.parse(JSON.parse(text))
  } catch (error) {
    const why =
      error instanceof z.ZodError ? `${error.issues[0]!.path.join('.')}: ${error.issues[0]!.message}` : String(error)
    throw new CommandRefusal(`line ${line}: ${why}`)
  }
}
