import { TOKEN_HEADER } from '@otter/api'

/** Whether the page stands in a frame of another site: its browser sends no cookies, so it keeps its own token. */
export const isFramed = (): boolean => /^\/e\//u.test(location.pathname)

/**
 * Keeps a student's token, or forgets it. Browsers let a frame of another site store nothing; what a frame is called
 * stays with it through a reload, and no other page can read it.
 */
export function keepToken(token = ''): void {
  if (isFramed()) window.name = token
}

/** Returns the headers by which a page in a frame says who plays. */
export const framedHeaders = (): Record<string, string> =>
  // The site around it may have called the frame anything.
  isFramed() && /^[\w-]{10,}$/u.test(window.name) ? { [TOKEN_HEADER]: window.name } : {}
