const KEY = 'otter-start'

/** Returns the words that were pasted on this device before there was an account; empty where there are none. */
export function keptWords(): string {
  return localStorage.getItem(KEY) ?? ''
}

/** Keeps words on this device until they are in an account. */
export function keepWords(text: string): void {
  if (text.trim() === '') localStorage.removeItem(KEY)
  else localStorage.setItem(KEY, text)
}
