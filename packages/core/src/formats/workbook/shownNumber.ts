/** Largest denominator that is tried for a code with so many places for it. */
const DENOMINATORS = [1, 9, 99, 999]

/**
 * Returns a number as its cell shows it, where that is a percentage, a time or a fraction; undefined for all other
 * codes.
 */
export function shownNumber(value: number, format: string): string | undefined {
  // Parts for negative numbers and zero, texts in quotes, colours and conditions say nothing of the kind of number.
  const code = format
    .split(';')[0]!
    .replace(/"[^"]*"|\\.|\[(?!h+\]|m+\]|s+\])[^\]]*\]/giu, '')
    .trim()
  if (code.includes('%')) {
    const places = /\.([0#?]+)/u.exec(code)?.[1]?.length ?? 0
    return `${Number((value * 100).toFixed(places))}%`
  }
  const denominator = /\?*\/(\?+|\d+)/u.exec(code)?.[1]
  if (denominator !== undefined && /[?#0]\s*\/|\?\//u.test(code)) return fraction(value, denominator)
  if (/h|s/iu.test(code) && !/[yd]/iu.test(code)) return time(value, code)
  return undefined
}

function fraction(value: number, denominator: string): string {
  const whole = Math.trunc(value)
  const rest = Math.abs(value - whole)
  const given = Number(denominator)
  let best = { over: given || 1, under: given || 1, off: Infinity }
  const most = DENOMINATORS[Math.min(3, denominator.length)]!
  for (let under = given || 1; under <= (given || most); under++) {
    const over = Math.round(rest * under)
    const off = Math.abs(rest - over / under)
    if (off < best.off - 1e-9) best = { over, under, off }
  }
  if (best.over === 0) return String(whole)
  if (best.over === best.under) return String(whole + Math.sign(value || 1))
  const part = `${best.over}/${best.under}`
  return whole === 0 ? `${value < 0 ? '-' : ''}${part}` : `${whole} ${part}`
}

/** Days of a serial number are left out, but where hours count on. */
function time(value: number, code: string): string {
  const countsOn = /\[h+\]/iu.test(code)
  const all = Math.round((countsOn ? value : value % 1) * 86_400)
  const two = (number: number): string => String(number).padStart(2, '0')
  const [hours, minutes, seconds] = [Math.floor(all / 3600), Math.floor(all / 60) % 60, all % 60]
  const isHalved = /am\/pm/iu.test(code)
  const withSeconds = /s/iu.test(code)
  if (!/h/iu.test(code)) return `${Math.floor(all / 60)}:${two(seconds)}`
  const hour = isHalved ? hours % 12 || 12 : hours
  return `${hour}:${two(minutes)}${withSeconds ? `:${two(seconds)}` : ''}${isHalved ? (hours < 12 ? ' AM' : ' PM') : ''}`
}
