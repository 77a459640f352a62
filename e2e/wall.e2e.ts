import { GAME_KINDS } from '@otter/core'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, query, test } from './otter.ts'
import { join } from './playing.ts'

/** Returns the list of ten words that every game can be made of. */
async function beehive(databaseUrl: string): Promise<string> {
  const [list] = await query<{ id: string }>(
    databaseUrl,
    "SELECT id FROM lists WHERE title = 'The beehive' ORDER BY created_at LIMIT 1",
    [],
  )
  return list!.id
}

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

test('every game stands on the wall alone, whole on one screen, in letters for the last row', async ({
  teacher,
  server,
}) => {
  test.setTimeout(300_000)
  const list = await beehive(server.databaseUrl)
  for (const kind of GAME_KINDS.filter((one) => one !== 'bingo')) {
    for (const [width, height, least] of [
      [1920, 1080, 28],
      [1280, 800, 18],
    ] as const) {
      await teacher.setViewportSize({ width, height })
      await teacher.goto(`/lists/${list}/games/${kind}`)
      await teacher.getByRole('button', { name: 'Show on the wall' }).click()
      const wall = teacher.getByRole('dialog', { name: / on the wall$/ })
      await expect(wall).toBeVisible()
      await expect(wall.getByText('What students get')).toHaveCount(0)
      await expect.poll(async () => (await measureWall(teacher)).scrolls, `${kind} at ${width}`).toEqual([])
      expect((await measureWall(teacher)).smallest, `${kind} at ${width}`).toBeGreaterThanOrEqual(least)
    }
    await expectAccessible(teacher)
    await teacher.keyboard.press('Escape')
    await expect(teacher.getByRole('dialog')).toHaveCount(0)
    await expect(teacher.getByRole('button', { name: 'Show on the wall' })).toBeFocused()
  }
})

test('a quiz on the wall shows an answer when the teacher says so, and goes back, by keys', async ({
  teacher,
  server,
}) => {
  await teacher.goto(`/lists/${await beehive(server.databaseUrl)}/games/quiz`)
  await teacher.getByRole('button', { name: 'Show on the wall' }).click()
  const wall = teacher.getByRole('dialog', { name: 'Quiz on the wall' })
  const question = wall.getByRole('heading', { level: 2 })
  await expect(wall.getByRole('status')).toHaveText('1 of 10')
  const first = await question.textContent()
  await expect(wall.getByLabel('right')).toHaveCount(0)
  await teacher.keyboard.press(' ')
  await expect(wall.getByLabel('right')).toHaveCount(1)
  await teacher.keyboard.press('ArrowRight')
  await expect(wall.getByRole('status')).toHaveText('2 of 10')
  await expect(wall.getByLabel('right')).toHaveCount(0)
  expect(await question.textContent()).not.toBe(first)
  await teacher.keyboard.press('ArrowLeft')
  await expect(question).toHaveText(first!)
  await wall.getByRole('button', { name: 'Close' }).click()
  await expect(wall).toHaveCount(0)
})

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

test('every game fits fingers; letters twice as large make none wider than a phone; the youngest see a whole question', async ({
  teacher,
  phone,
  server,
}) => {
  const list = await beehive(server.databaseUrl)
  for (const kind of GAME_KINDS) {
    const reply = await teacher.request.post(`/api/lists/${list}/links`, {
      data: { kind, seed: '7', options: { early: kind === 'quiz' } },
      headers: { 'Sec-Fetch-Site': 'same-origin' },
    })
    const { code } = (await reply.json()) as { code: string }
    await join(phone, code)
    await expect(phone.getByText('Playing as Ada').first()).toBeVisible()
    const size = (): Promise<{ width: number; height: number }> =>
      phone.evaluate(() => ({
        width: document.documentElement.scrollWidth,
        height: document.documentElement.scrollHeight,
      }))
    expect(await smallTargets(phone), kind).toEqual([])
    if (kind === 'quiz') await expect.poll(async () => (await size()).height).toBeLessThanOrEqual(640)
    await phone.evaluate(() => (document.documentElement.style.fontSize = '200%'))
    expect((await size()).width, kind).toBeLessThanOrEqual(360)
  }
})
