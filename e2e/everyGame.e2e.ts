import { GAME_KINDS, type GameKind } from '@otter/core'
import type { Page } from '@playwright/test'
import { inLane } from '../scripts/testing/lane.mjs'
import { lightness } from './lightness.ts'
import { expect, expectAccessible, test } from './otter.ts'
import { packed } from './packed.ts'
import { beehive, join } from './playing.ts'

/** Most script that a student's page may fetch, packed with gzip, in bytes. */
const MOST = 120_000

/** Returns the smallest text of what is on the wall, in pixels of the screen, and what of it needs scrolling. */
function measureWall(page: Page): Promise<{ smallest: number; scrolls: string[] }> {
  return page.evaluate(() => {
    const wall = document.querySelector('dialog[open]')!
    const sizes: number[] = []
    const texts = document.createTreeWalker(wall, NodeFilter.SHOW_TEXT)
    for (let node = texts.nextNode(); node; node = texts.nextNode()) {
      const element = node.parentElement!
      if (node.textContent!.trim() === '' || !element.checkVisibility() || element.closest('.sr-only, svg, kbd'))
        continue
      const { currentCSSZoom } = element as unknown as { currentCSSZoom: number }
      sizes.push(parseFloat(getComputedStyle(element).fontSize) * currentCSSZoom)
    }
    const scrolls = [...wall.querySelectorAll('*')]
      .filter((element) => ['auto', 'scroll'].includes(getComputedStyle(element).overflowY))
      .filter(({ scrollHeight, clientHeight }) => scrollHeight > clientHeight + 1)
    return { smallest: Math.min(...sizes), scrolls: scrolls.map(({ className }) => String(className)) }
  })
}

/** Returns what is too small for a finger on a phone; the letters of a crossword are as wide as its grid lets them be. */
function smallTargets(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('button, a, input, select, summary')]
      .filter((element) => element.checkVisibility() && !element.closest('.sr-only'))
      .filter((element) => !/, letter \d+ of/u.test(element.getAttribute('aria-label') ?? ''))
      .map((element) => ({ element, box: (element.closest('label') ?? element).getBoundingClientRect() }))
      .filter(({ box }) => box.width > 1 && (box.width < 43.5 || box.height < 43.5))
      .map(
        ({ element, box }) =>
          `${element.getAttribute('aria-label') ?? element.textContent}: ${box.width.toFixed(0)} x ${box.height.toFixed(0)}`,
      ),
  )
}

/** Opens a game to students over the API; returns its code. */
async function opened(teacher: Page, path: 'links' | 'live', list: string, kind: GameKind): Promise<string> {
  const headers = { 'Sec-Fetch-Site': 'same-origin' }
  const data = { kind, seed: '7', ...(path === 'links' && { options: { early: kind === 'quiz' } }) }
  const { id, code } = (await (await teacher.request.post(`/api/lists/${list}/${path}`, { data, headers })).json()) as {
    id: string
    code: string
  }
  if (path === 'live') {
    const { facts } = (await (await teacher.request.get(`/api/live/${id}`)).json()) as { facts: { revision: number } }
    const begin = { command: { type: 'start' }, revision: facts.revision }
    await teacher.request.post(`/api/live/${id}/commands`, { data: begin, headers })
  }
  return code
}

for (const kind of GAME_KINDS) {
  test(`${kind} is dark where the device is, stands on the wall alone, is small on a phone, and fits fingers`, async ({
    signedIn: teacher,
    phone,
    server,
  }) => {
    const list = await beehive(server.databaseUrl)
    await teacher.emulateMedia({ colorScheme: 'dark' })
    await teacher.goto(`/lists/${list}/games/${kind}`)
    await expect(teacher.getByRole('navigation', { name: 'Steps of this list' })).toBeVisible()
    await teacher.waitForLoadState('networkidle')
    expect(await lightness(teacher)).toBeLessThan(0.3)
    await expectAccessible(teacher)

    // Whole on one screen, in letters for the last row.
    await teacher.emulateMedia({ colorScheme: 'light' })
    const screens = [[1280, 800, 18] as const, ...inLane([], [[1920, 1080, 28] as const])]
    for (const [width, height, least] of kind === 'bingo' ? [] : screens) {
      // What was as large as the screen can't be resized before the page is loaded anew.
      if (width > 1280) await teacher.goto(`/lists/${list}/games/${kind}`)
      await teacher.setViewportSize({ width, height })
      await teacher.getByRole('button', { name: 'Show on the wall' }).click()
      const wall = teacher.getByRole('dialog', { name: / on the wall$/ })
      await expect(wall).toBeVisible()
      await expect(wall.getByText('What students get')).toHaveCount(0)
      await expect.poll(async () => (await measureWall(teacher)).scrolls, `at ${width}`).toEqual([])
      expect((await measureWall(teacher)).smallest, `at ${width}`).toBeGreaterThanOrEqual(least)
      await expectAccessible(teacher)
      await teacher.keyboard.press('Escape')
      await expect(teacher.getByRole('dialog')).toHaveCount(0)
      await expect(teacher.getByRole('button', { name: 'Show on the wall' })).toBeFocused()
    }

    const scripts = new Set<string>()
    phone.on('response', (response) => {
      if (response.request().resourceType() === 'script') scripts.add(new URL(response.url()).pathname)
    })
    await phone.goto(`/p/${await opened(teacher, 'live', list, kind)}`)
    await phone.getByLabel('Your name').fill('Ada')
    await phone.getByRole('button', { name: 'Come in' }).tap()
    await expect(phone.getByText('Playing as Ada')).toBeVisible()
    await phone.waitForLoadState('networkidle')
    const size = [...scripts].reduce((sum, path) => sum + packed(path), 0)
    expect(size).toBeGreaterThan(50_000)
    expect(size).toBeLessThanOrEqual(MOST)

    // Letters twice as large make nothing wider than a phone; the youngest see a whole question.
    await join(phone, await opened(teacher, 'links', list, kind))
    await expect(phone.getByText('Playing as Ada').first()).toBeVisible()
    expect(await smallTargets(phone)).toEqual([])
    const extent = (side: 'scrollWidth' | 'scrollHeight'): Promise<number> =>
      phone.evaluate((name) => document.documentElement[name], side)
    if (kind === 'quiz') await expect.poll(() => extent('scrollHeight')).toBeLessThanOrEqual(640)
    await phone.evaluate(() => (document.documentElement.style.fontSize = '200%'))
    expect(await extent('scrollWidth')).toBeLessThanOrEqual(360)
  })
}
