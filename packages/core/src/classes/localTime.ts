const HOUR = 3600_000
const DAY = 24 * HOUR
const LOCAL = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/u

const formats = new Map<string, Intl.DateTimeFormat>()

function formatOf(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone)
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    })
    formats.set(timeZone, format)
  }
  return format
}

/** Returns what clocks show at a moment (milliseconds since 1970) in a time zone (IANA): `2026-03-29T08:00`. */
export function localAt(moment: number, timeZone: string): string {
  const parts = new Map(
    formatOf(timeZone)
      .formatToParts(moment)
      .map(({ type, value }) => [type, value]),
  )
  const part = (type: Intl.DateTimeFormatPartTypes): string => parts.get(type) ?? ''
  return `${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}`
}

/**
 * Returns the moment, in milliseconds since 1970, at which clocks in a time zone (IANA) show a local time such as
 * `2026-03-29T08:00`. Where they show it twice, as summer time ends, the first; where never, as it begins, the moment
 * that is as much later as the clocks skip. Throws a RangeError where it is no time.
 */
export function momentFrom(local: string, timeZone: string): number {
  const [, year, month, day, hour, minute] = LOCAL.exec(local) ?? []
  if (year === undefined) throw new RangeError(`${local} is no local time`)
  const wished = Date.UTC(Number(year), Number(month) - 1, Number(day), Number(hour), Number(minute))
  if (new Date(wished).toISOString().slice(0, 16) !== local) throw new RangeError(`${local} is no local time`)
  const offsetAt = (moment: number): number => Date.parse(`${localAt(moment, timeZone)}Z`) - moment
  // Offsets change at most once within two days: the one before and the one after are all there are.
  const offsets = [offsetAt(wished - DAY), offsetAt(wished + DAY)]
  const found = offsets.map((offset) => wished - offset).filter((moment) => localAt(moment, timeZone) === local)
  return found.length > 0 ? Math.min(...found) : wished - offsets[0]!
}
