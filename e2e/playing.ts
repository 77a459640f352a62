import type { Page } from '@playwright/test'
import { expect, query } from './otter.ts'

/** Opens a game of a list of the sample, as the teacher sees it. */
export async function openGame(teacher: Page, list: string, game: string): Promise<void> {
  await teacher.getByRole('link', { name: list }).click()
  await teacher
    .getByRole('link')
    .filter({ has: teacher.getByText(game, { exact: true }) })
    .click()
  await expect(teacher.getByRole('heading', { name: game, exact: true })).toBeVisible()
}

/** Changes to another game of the list whose games are open: what is set next is set on that game. */
export async function changeGame(teacher: Page, game: string): Promise<void> {
  await teacher.getByRole('button', { name: game, exact: true }).click()
  await expect(teacher.getByRole('heading', { name: game, exact: true })).toBeVisible()
}

/** Shares the game that is open; gives its code. */
export async function share(teacher: Page): Promise<string> {
  const reply = teacher.waitForResponse(
    (response) => response.url().endsWith('/links') && response.request().method() === 'POST',
  )
  await teacher.getByRole('button', { name: 'Share with students' }).click()
  const { code } = (await (await reply).json()) as { code: string }
  await expect(teacher.getByRole('article', { name: `Link ${code}` })).toBeVisible()
  expect(code).toMatch(/^\w{6}$/)
  return code
}

/** Joins a game on a phone. */
export async function join(phone: Page, code: string): Promise<void> {
  await phone.goto(`/p/${code}`)
  await phone.getByLabel('Your name').fill('Ada')
  await phone.getByRole('button', { name: 'Begin' }).click()
}

/** Returns the puzzle behind a code, with its answers. */
export async function puzzleOf<Puzzle>(databaseUrl: string, code: string): Promise<Puzzle> {
  const { puzzle } = (
    await query<{ puzzle: Puzzle }>(
      databaseUrl,
      `SELECT v.puzzle FROM offers o JOIN offer_games m ON m.offer_id = o.id JOIN game_versions v
      ON v.id = m.game_version_id WHERE o.code = $1`,
      [code],
    )
  )[0]!
  return puzzle
}

/** Returns the list of ten words that every game can be made of. */
export async function beehive(databaseUrl: string): Promise<string> {
  const [list] = await query<{ id: string }>(
    databaseUrl,
    "SELECT id FROM lists WHERE title = 'The beehive' ORDER BY created_at LIMIT 1",
    [],
  )
  return list!.id
}
