/** Returns the whole numbers from one to another, as what can be chosen. */
export function numbers(from: number, to: number): [number, string][] {
  return Array.from({ length: to - from + 1 }, (_, index) => [from + index, String(from + index)])
}
