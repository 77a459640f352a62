import type { Page } from '@playwright/test'

/** Returns how light what lies behind a page is, from 0 to 1. */
export function lightness(page: Page, selector = 'body'): Promise<number> {
  return page.evaluate((wanted) => {
    const canvas = document.createElement('canvas').getContext('2d')!
    canvas.fillStyle = getComputedStyle(document.querySelector(wanted)!).backgroundColor
    canvas.fillRect(0, 0, 1, 1)
    const [red, green, blue] = canvas.getImageData(0, 0, 1, 1).data
    return (red! + green! + blue!) / 3 / 255
  }, selector)
}
