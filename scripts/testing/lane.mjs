const isLongLane = process.env.OTTER_LANE === 'long'

/** Returns what a test does in the lane it runs in: how often, with how many. */
export function inLane(short, long) {
  return isLongLane ? long : short
}

/** Returns how often a property is tried: each run draws others, and the lane that takes its time tries three times as many. */
export function runs(most) {
  return inLane(Math.ceil(most / 3), most)
}
