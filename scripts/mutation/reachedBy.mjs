// Keeps which places the tests of a file come to, and how long they take.
import { appendFileSync } from 'node:fs'

const reached = (globalThis.otterReached ??= new Set())
let began = 0
/** What is come to as a module is loaded, once for all files of a process. */
let atLoading

export const mochaHooks = {
  beforeAll() {
    atLoading ??= new Set(reached)
    for (const number of reached) if (!atLoading.has(number)) atLoading.add(number)
    reached.clear()
    began = Date.now()
  },
  afterAll() {
    const [suite] = this.test.parent.suites
    const line = {
      file: suite?.file,
      milliseconds: Date.now() - began,
      reached: [...reached],
      atLoading: [...atLoading],
    }
    appendFileSync(process.env.OTTER_REACHED, `${JSON.stringify(line)}\n`)
    reached.clear()
  },
}
