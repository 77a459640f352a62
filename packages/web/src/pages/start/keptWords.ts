const KEY = 'otter-start'

/** Returns the words that were pasted on this device before there was an account; empty where there are none. */
export function keptWords(): string {
  return localStorage.getItem(KEY) ?? ''
}

/** Keeps words on this device until they are in an account. */
export function keepWords(text: string): void {
  if (text.trim() === '') return localStorage.removeItem(KEY)
  try {
    localStorage.setItem(KEY, text)
  } catch {
    // No room on this device: they stand on the screen all the same, but an older text must not come back for them.
    localStorage.removeItem(KEY)
  }
}
