// A program whose lines are heard as it goes. Node built-ins only.
import { spawn } from 'node:child_process'

/** Runs a program that prints where this one does; returns its exit code. It is ended with this process. */
export function runTold(command, args, options) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { ...options, stdio: ['ignore', 'inherit', 'inherit'] })
    const end = () => child.kill()
    process.once('exit', end)
    child.once('error', reject)
    child.once('close', (code) => {
      process.off('exit', end)
      resolve(code)
    })
  })
}
