/** Whether tests run in the lane that takes its time. */
export const isLongLane = process.env.OTTER_LANE === 'long'

/** Returns what a test does in the lane it runs in: how often, with how many. */
export function inLane(short, long) {
  return isLongLane ? long : short
}
