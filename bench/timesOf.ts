const WARM = 10
const REQUESTS = 60

/** Returns the times of so many runs of some work, in milliseconds, once it is warm. */
export async function timesOf(work: () => Promise<unknown>): Promise<number[]> {
  for (let warm = 0; warm < WARM; warm++) await work()
  const times: number[] = []
  for (let index = 0; index < REQUESTS; index++) {
    const began = performance.now()
    await work()
    times.push(performance.now() - began)
  }
  return times
}
