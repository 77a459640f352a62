/** Gives a port on loopback that nobody uses. */
export function freePort(): Promise<number>
