/** Work that waits for its turn. */
interface Waiting {
  begin: () => void
}

/** Thrown where somebody has more work waiting than fits. */
export class QueueFull extends Error {}

/**
 * Lets so many pieces of work run at once, and takes turns between those who ask: who asks for a hundred things waits
 * for them, and who asks for one is next.
 */
export class FairQueue {
  private readonly lines = new Map<string, Waiting[]>()
  private running = 0
  private readonly atOnce: number
  private readonly mostEach: number

  /** @param mostEach most pieces of work that one of those who ask may have waiting */
  constructor(atOnce: number, mostEach: number) {
    this.atOnce = atOnce
    this.mostEach = mostEach
  }

  /**
   * Runs work when its turn has come; returns what it returns. Throws QueueFull, or the signal's reason where nobody
   * waits for it any more.
   */
  async run<Value>(who: string, work: () => Promise<Value>, signal?: AbortSignal): Promise<Value> {
    await this.turn(who, signal)
    try {
      return await work()
    } finally {
      this.running--
      this.next()
    }
  }

  private turn(who: string, signal: AbortSignal | undefined): Promise<void> {
    signal?.throwIfAborted()
    if (this.running < this.atOnce) {
      this.running++
      return Promise.resolve()
    }
    const line = this.lines.get(who) ?? []
    if (line.length >= this.mostEach) return Promise.reject(new QueueFull())
    this.lines.set(who, line)
    return new Promise((resolve, reject) => {
      const waiting: Waiting = {
        begin: () => {
          signal?.removeEventListener('abort', leave)
          resolve()
        },
      }
      const leave = (): void => {
        const place = line.indexOf(waiting)
        if (place >= 0) line.splice(place, 1)
        if (line.length === 0 && this.lines.get(who) === line) this.lines.delete(who)
        reject(signal?.reason as Error)
      }
      line.push(waiting)
      signal?.addEventListener('abort', leave, { once: true })
    })
  }

  private next(): void {
    for (const [who, line] of this.lines) {
      if (this.running >= this.atOnce) return
      // Who was served goes behind all others.
      this.lines.delete(who)
      const waiting = line.shift()
      if (line.length > 0) this.lines.set(who, line)
      if (!waiting) continue
      this.running++
      waiting.begin()
    }
  }
}
