/** Whether tests run in the lane that takes its time. */
export declare const isLongLane: boolean

/** Returns what a test does in the lane it runs in: how often, with how many. */
export function inLane<Value>(short: Value, long: Value): Value
