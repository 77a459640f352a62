import type { Browser, BrowserContext, Page } from '@playwright/test'
import { expect } from './otter.ts'

/** Returns a device of its own, a phone or a bigger one. */
export async function device(browser: Browser, base: string, isPhone: boolean): Promise<BrowserContext> {
  return browser.newContext({
    baseURL: base,
    locale: 'en-GB',
    reducedMotion: 'reduce',
    ...(isPhone ? { viewport: { width: 360, height: 640 }, hasTouch: true, isMobile: true } : {}),
  })
}

/** Comes into a session. */
export async function comeIn(page: Page, code: string, name: string): Promise<void> {
  await page.goto(`/p/${code}`)
  await page.getByLabel('Your name').fill(name)
  await page.getByRole('button', { name: 'Come in' }).click()
  await expect(page.getByRole('heading', { name: `You are in, ${name}` })).toBeVisible()
}

/** Opens the lobby of a sample list's game; two clicks from the list. Returns the code. */
export async function openLobby(teacher: Page, list: string, game: string, way: string): Promise<string> {
  await teacher.getByRole('link', { name: list }).click()
  await teacher.getByRole('link', { name: 'Play', exact: true }).click()
  await expect(teacher.getByRole('heading', { name: 'Play it live' })).toBeVisible()
  const region = teacher.getByRole('region', { name: 'Play it live' })
  await region.getByLabel('Game', { exact: true }).selectOption({ label: game })
  await teacher.getByLabel('How it is played').selectOption({ label: way })
  const opened = teacher.waitForResponse((reply) => reply.url().endsWith('/live') && reply.status() === 201)
  await teacher.getByRole('button', { name: 'Open the lobby' }).click()
  const { code } = (await (await opened).json()) as { code: string }
  await expect(teacher.getByRole('button', { name: 'Start' })).toBeVisible()
  await expect(teacher.getByText(code, { exact: true })).toBeVisible()
  return code
}
