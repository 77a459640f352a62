// The processes that serve: started, started again whenever one ends by itself, and ended. Node built-ins only.
import { fork } from 'node:child_process'
import { setTimeout as pause } from 'node:timers/promises'
import { Advice } from '../advice.mjs'
import { growingWaits } from './growingWaits.mjs'

/** How long a server may take to end before it is ended, in milliseconds: a little more than it takes for itself. */
const LONGEST_END = 1800

/** Keeps servers of a program running; it is the path of a module. */
export class Servers {
  #program
  /** The processes, each at its place. */
  #processes = []
  #isStopping = false
  #isRestarting = false

  constructor(program) {
    this.#program = program
  }

  /**
   * Starts the server of a place, and starts it again whenever it ends by itself. Done once it answers; throws an Advice where it
   * ends before that.
   */
  async serve(place, env) {
    const nextWait = growingWaits()
    const again = async (why) => {
      while (!this.#isStopping) {
        const wait = nextWait()
        console.error(`The server stopped (${why}). What was saved is safe; it is started again in ${wait / 1000} s.`)
        await pause(wait)
        if (this.#isStopping) return
        try {
          await this.#run(place, env, again)
          console.error('The server is back.')
          return
        } catch (error) {
          why = error.message
        }
      }
    }
    await this.#run(place, env, again)
  }

  #run(place, env, again) {
    return new Promise((resolve, reject) => {
      let isReady = false
      // In a process group of its own, Ctrl-C does not reach it: it is stopped by a signal instead.
      const child = fork(this.#program, { env, detached: true })
      this.#processes[place] = child
      child.once('message', () => {
        isReady = true
        resolve()
      })
      child.once('exit', (code, signal) => {
        if (this.#isStopping) return resolve()
        if (this.#isRestarting) {
          this.#isRestarting = false
          // Who waits for the first one, which was ended before it answered, waits for the next.
          return void this.#run(place, env, again).then(resolve, (error) =>
            isReady ? console.error(error.message) : reject(error),
          )
        }
        if (!isReady) return reject(new Advice(`The server stopped (${signal ?? code}). The lines above say why.`))
        void again(`${signal ?? `code ${code}`}`)
      })
    })
  }

  /** Ends the first server so that it starts with what was bundled last; where it has ended already, it is started. */
  restart() {
    const [server] = this.#processes
    if (this.#isStopping || !server) return
    this.#isRestarting = true
    if (isAlive(server)) server.kill('SIGTERM')
    else server.emit('exit', null, 'SIGTERM')
  }

  /** Ends all; done when they have ended. */
  async stop() {
    this.#isStopping = true
    await Promise.all(
      this.#processes.filter(isAlive).map(
        (server) =>
          new Promise((resolve) => {
            server.once('exit', resolve)
            server.kill('SIGTERM')
            setTimeout(() => server.kill('SIGKILL'), LONGEST_END).unref()
          }),
      ),
    )
  }
}

function isAlive({ exitCode, signalCode }) {
  return exitCode === null && signalCode === null
}
