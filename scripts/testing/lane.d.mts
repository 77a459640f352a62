/** Returns what a test does in the lane it runs in: how often, with how many. */
export function inLane<Value>(short: Value, long: Value): Value

/** Returns how often a property is tried: each run draws others, and the lane that takes its time tries three times as many. */
export function runs(most: number): number
