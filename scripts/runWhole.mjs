// A program run to its end without holding up this one. Node built-ins only.
import { spawn } from 'node:child_process'

/** Runs a program; returns its exit code and all that it printed. It is ended with this process. */
export function runWhole(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { ...options, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk))
    const end = () => child.kill()
    process.once('exit', end)
    child.once('error', ({ message }) => {
      output += message
    })
    child.once('close', (code) => {
      process.off('exit', end)
      resolve({ code, output })
    })
  })
}
