/**
 * Runs jobs, in their order as far as there is room: the weights of those that run at once add up to `bound` at most; one that
 * is heavier runs alone. Done when all have ended.
 */
export function runQueue(jobs, bound) {
  const waiting = [...jobs]
  let load = 0
  let running = 0
  return new Promise((resolve, reject) => {
    const next = () => {
      if (waiting.length === 0 && running === 0) return resolve()
      for (;;) {
        const place = waiting.findIndex(({ weight }) => running === 0 || load + weight <= bound)
        if (place < 0) return
        const [{ weight, run }] = waiting.splice(place, 1)
        load += weight
        running++
        run().then(() => {
          load -= weight
          running--
          next()
        }, reject)
      }
    }
    next()
  })
}
