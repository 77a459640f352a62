// Debian's Chromium, found or installed. Node built-ins only.
import { existsSync } from 'node:fs'
import { Advice } from '../advice.mjs'
import { installPackages } from '../postgres/programs.mjs'

/** The one without a window draws the same pages with a sixth less work. */
const BROWSERS = { 'chromium-headless-shell': '/usr/bin/chromium-headless-shell', chromium: '/usr/bin/chromium' }

/** Returns the path of a browser for tests. */
export function findBrowser() {
  const first = Object.values(BROWSERS)[0]
  if (existsSync(first)) return first
  for (const [name, path] of Object.entries(BROWSERS)) {
    try {
      if (!existsSync(path)) installPackages([name], 'Chromium')
      return path
    } catch (error) {
      // Not every release has the first one.
      if (!(error instanceof Advice) || path !== first) throw error
    }
  }
}
