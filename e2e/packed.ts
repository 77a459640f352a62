import { readFileSync } from 'node:fs'

/** Returns how large a script is as it is sent, in bytes. */
export function packed(path: string): number {
  const file = new URL(`../dist/web${path}`, import.meta.url)
  try {
    return readFileSync(`${file.pathname}.gz`).length
  } catch {
    // What is tiny is not packed.
    return readFileSync(file).length
  }
}
