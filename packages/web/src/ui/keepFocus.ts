import { land } from './useLanding.ts'

/** Time that what is disabled for a moment, such as a button that waits for a reply, has to come back, in ms. */
const PATIENCE = 600
const FOCUSABLE = 'a[href], button, input, select, textarea, summary, [tabindex]'
/** Where the focus can stay where what had it is gone. */
const HOMES = 'section, form, fieldset, table, main, dialog, article, li, [role="group"], [data-landing]'

/**
 * Keeps the focus from falling to the page's body where what had it is taken away or disabled: it goes to what is marked
 * as the landing of the nearest part around it that is still there, to the next control, or to that part itself. Returns
 * a function that ends it.
 */
export function keepFocus(): () => void {
  let last: Element[] = []
  let lostAt: number | undefined
  let frame: number | undefined
  const note = ({ target }: FocusEvent): void => {
    last = []
    lostAt = undefined
    for (let at = target instanceof Element ? target : null; at; at = at.parentElement) last.push(at)
  }
  const look = (): void => {
    frame = undefined
    const [focused, ...around] = last
    if (!focused || (document.activeElement !== document.body && document.activeElement !== null)) return
    if (focused.isConnected && !focused.matches(':disabled')) {
      // It waited for a reply, and has it; a click beside everything is meant.
      if (lostAt !== undefined && focused instanceof HTMLElement) focused.focus({ preventScroll: true })
      lostAt = undefined
      return
    }
    lostAt ??= performance.now()
    if (focused.isConnected && performance.now() - lostAt < PATIENCE) return ask()
    const home = around.find((part) => part.isConnected && part.matches(HOMES)) ?? document.querySelector('main')
    if (!(home instanceof HTMLElement)) return
    lostAt = undefined
    const next = focused.isConnected ? nextOf(focused, home) : home.querySelector<HTMLElement>('[data-landing]')
    if (next) return land(next)
    if (!home.hasAttribute('tabindex')) {
      home.tabIndex = -1
      // A part of the page is no control: it shows no ring.
      home.style.outline = 'none'
    }
    home.focus({ preventScroll: true })
  }
  const ask = (): void => {
    frame ??= requestAnimationFrame(look)
  }
  const observer = new MutationObserver(ask)
  observer.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] })
  document.addEventListener('focusin', note)
  return () => {
    observer.disconnect()
    document.removeEventListener('focusin', note)
    if (frame !== undefined) cancelAnimationFrame(frame)
  }
}

/** Returns the control after one that is disabled, of a part of the page; the one before it where none follows. */
function nextOf(focused: Element, home: HTMLElement): HTMLElement | undefined {
  const controls = [...home.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(
    (control) => control.tabIndex >= 0 && !control.matches(':disabled') && control.checkVisibility(),
  )
  const isAfter = (control: Element): boolean =>
    (focused.compareDocumentPosition(control) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0
  return controls.find(isAfter) ?? controls.at(-1)
}
