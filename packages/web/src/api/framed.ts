import { TOKEN_HEADER } from '@otter/api'

/** Whether the page stands in a frame of another site: its browser sends no cookies, so it keeps its own token. */
export const isFramed = (): boolean => /^\/e\//u.test(location.pathname)

const KEPT = 'otter-framed'
let token: string | undefined

/** Keeps a student's token, or forgets it; for as long as the browser lets a frame keep something, through a reload. */
export function keepToken(kept: string | undefined): void {
  token = kept
  try {
    if (kept === undefined) sessionStorage.removeItem(place())
    else sessionStorage.setItem(place(), kept)
  } catch {
    // Some browsers let a frame keep nothing: then the page has it until it is closed.
  }
}

/** Returns the headers by which a page in a frame says who plays. */
export function framedHeaders(): Record<string, string> {
  if (!isFramed()) return {}
  token ??= keptToken()
  return token === undefined ? {} : { [TOKEN_HEADER]: token }
}

function keptToken(): string | undefined {
  try {
    return sessionStorage.getItem(place()) ?? undefined
  } catch {
    return undefined
  }
}

/** A game has a token of its own. */
function place(): string {
  return `${KEPT} ${location.pathname}`
}
