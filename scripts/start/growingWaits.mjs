/** The first and longest wait before something is started again, in milliseconds. */
const FIRST_WAIT = 500
const LONGEST_WAIT = 30_000
/** After so long without trouble the next wait is short again, in milliseconds. */
const CALM = 60_000

/** Returns what gives the next wait, in milliseconds: waits grow while trouble follows trouble. */
export function growingWaits() {
  let wait = FIRST_WAIT
  let last = 0
  return () => {
    const now = Date.now()
    wait = now - last > CALM ? FIRST_WAIT : Math.min(LONGEST_WAIT, wait * 2)
    last = now
    return wait
  }
}
