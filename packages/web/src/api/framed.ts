import { TOKEN_HEADER } from '@otter/api'

/** Whether the page stands in a frame of another site: its browser sends no cookies, so it keeps its own token. */
export const isFramed = (): boolean => /^\/e\//u.test(location.pathname)

const KEPT = 'otter-framed '
let token: string | undefined

/**
 * Keeps a student's token, or forgets it. Browsers let a frame of another site store nothing; what a frame is called
 * stays with it through a reload, and no other page can read it.
 */
export function keepToken(kept: string | undefined): void {
  token = kept
  if (isFramed()) window.name = kept === undefined ? '' : `${KEPT}${location.pathname} ${kept}`
}

/** Returns the headers by which a page in a frame says who plays. */
export function framedHeaders(): Record<string, string> {
  if (!isFramed()) return {}
  const start = `${KEPT}${location.pathname} `
  token ??= window.name.startsWith(start) ? window.name.slice(start.length) : undefined
  return token === undefined ? {} : { [TOKEN_HEADER]: token }
}
