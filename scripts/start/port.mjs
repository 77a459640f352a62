// The port that is served on. Node built-ins only.
import { createServer } from 'node:net'
import { setTimeout as pause } from 'node:timers/promises'
import { Advice } from '../advice.mjs'

/** How often a port is looked at, and how long between, in milliseconds: who was killed may still be closing. */
const LOOKS = 5
const BETWEEN = 400

/** Throws an Advice where a port can't be used; `command` is what was typed. */
export async function claimPort(wanted, command) {
  for (let looks = 0; looks < LOOKS; looks++) {
    const code = await obstacleAt(wanted)
    if (code === undefined) return
    if (code === 'EACCES')
      throw new Advice(
        `Port ${wanted} needs the rights of root. Choose one from 1024 on: PORT=4780 ${command}, with a proxy before it where ${wanted} is wanted.`,
      )
    if (code !== 'EADDRINUSE') throw new Advice(`Port ${wanted} can't be used (${code}). Choose another with PORT.`)
    await pause(BETWEEN)
  }
  throw new Advice(`Port ${wanted} is in use. Choose another: PORT=${wanted === 65535 ? 4780 : wanted + 1} ${command}`)
}

function obstacleAt(wanted) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', ({ code }) => resolve(code))
    probe.listen(wanted, () => probe.close(() => resolve(undefined)))
  })
}
