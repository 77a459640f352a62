import { inPlain } from './characters.ts'
import { inSmall, respelled, unaccented } from './folding.ts'
import { primary, regionOf } from './languages.ts'

/** Names of the months by language, from January; several are parted by a bar. In small letters without accents. */
const MONTHS: Record<string, string> = {
  ar: 'يناير فبراير مارس ابريل مايو يونيو يوليو اغسطس سبتمبر اكتوبر نوفمبر ديسمبر',
  cs: 'ledna|leden unora|unor brezna|brezen dubna|duben kvetna|kveten cervna|cerven cervence|cervenec srpna|srpen zari rijna|rijen listopadu|listopad prosince|prosinec',
  da: 'januar februar marts april maj juni juli august september oktober november december',
  de: 'januar|janner|jan februar|feb marz|maerz april|apr mai juni|jun juli|jul august|aug september|sep|sept oktober|okt november|nov dezember|dez',
  el: 'ιανουαριου|ιανουαριοσ φεβρουαριου|φεβρουαριοσ μαρτιου|μαρτιοσ απριλιου|απριλιοσ μαιου|μαιοσ ιουνιου|ιουνιοσ ιουλιου|ιουλιοσ αυγουστου|αυγουστοσ σεπτεμβριου|σεπτεμβριοσ οκτωβριου|οκτωβριοσ νοεμβριου|νοεμβριοσ δεκεμβριου|δεκεμβριοσ',
  en: 'january|jan february|feb march|mar april|apr may june|jun july|jul august|aug september|sept|sep october|oct november|nov december|dec',
  es: 'enero|ene febrero|feb marzo|mar abril|abr mayo|may junio|jun julio|jul agosto|ago septiembre|setiembre|sept|sep octubre|oct noviembre|nov diciembre|dic',
  fr: 'janvier|janv fevrier|fevr mars avril|avr mai juin juillet|juil aout septembre|sept octobre|oct novembre|nov decembre|dec',
  he: 'ינואר|בינואר פברואר|בפברואר מרץ|במרץ|מרס|במרס אפריל|באפריל מאי|במאי יוני|ביוני יולי|ביולי אוגוסט|באוגוסט ספטמבר|בספטמבר אוקטובר|באוקטובר נובמבר|בנובמבר דצמבר|בדצמבר',
  hu: 'januar februar marcius aprilis majus junius julius augusztus szeptember oktober november december',
  it: 'gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre',
  nb: 'januar februar mars april mai juni juli august september oktober november desember',
  nl: 'januari|jan februari|feb maart|mrt april|apr mei juni|jun juli|jul augustus|aug september|sep oktober|okt november|nov december|dec',
  pl: 'stycznia|styczen lutego|luty marca|marzec kwietnia|kwiecien maja|maj czerwca|czerwiec lipca|lipiec sierpnia|sierpien wrzesnia|wrzesien pazdziernika|pazdziernik listopada|listopad grudnia|grudzien',
  pt: 'janeiro|jan fevereiro|fev marco|mar abril|abr maio junho|jun julho|jul agosto|ago setembro|set outubro|out novembro|nov dezembro|dez',
  ro: 'ianuarie februarie martie aprilie mai iunie iulie august septembrie octombrie noiembrie decembrie',
  ru: 'января|январь февраля|февраль марта|март апреля|апрель мая|май июня|июнь июля|июль августа|август сентября|сентябрь октября|октябрь ноября|ноябрь декабря|декабрь',
  sv: 'januari februari mars april maj juni juli augusti september oktober november december',
  tr: 'ocak subat mart nisan mayıs haziran temmuz agustos eylul ekim kasım aralık',
  uk: 'січня|січень лютого|лютии березня|березень квітня|квітень травня|травень червня|червень липня|липень серпня|серпень вересня|вересень жовтня|жовтень листопада|листопад грудня|грудень',
}
const BY_NAME = new Map<string, ReadonlyMap<string, number>>()

function monthsOf(code: string): ReadonlyMap<string, number> {
  const known = BY_NAME.get(code)
  if (known) return known
  const made = new Map(
    (MONTHS[code] ?? '')
      .split(' ')
      .filter((names) => names !== '')
      .flatMap((names, index) => names.split('|').map((name) => [name, index + 1] as const)),
  )
  BY_NAME.set(code, made)
  return made
}

/** Small words between the parts of a date, and what follows a day. */
const BETWEEN = /^(?:the|of|de|del|den|der|di|le|el|am|d|ден|year|г|года|року|th|st|nd|rd|er|º|ª|o|e)$/u

/**
 * Returns the days that a text can name, as year, month and day in one form; none where it is no date. In digits, the
 * order is that of the language: both, where its region decides and is not known.
 */
export function datesOf(text: string, language: string): string[] {
  const code = primary(language)
  const plain = respelled(unaccented(inSmall(inPlain(text), language), language), language)
  const numeric = /^(\d{1,4})\s*([./-])\s*(\d{1,2})\s*\2\s*(\d{1,4})\.?$/u.exec(plain.trim())
  if (numeric) return numericDates(numeric[1]!, numeric[3]!, numeric[4]!, language)
  // Day and month with a point behind each, as German and its neighbours write them.
  const [, day, month] = code === 'en' ? [] : (/^(\d{1,2})\.\s?(\d{1,2})\.$/u.exec(plain.trim()) ?? [])
  if (day !== undefined) return isDay(Number(month), Number(day)) ? [`-${Number(month)}-${Number(day)}`] : []
  const months = monthsOf(code)
  if (months.size === 0) return eastern(plain)
  const words = plain.match(/\d+|[\p{L}\p{M}]+/gu) ?? []
  if (words.length > 7) return []
  let monthNamed: number | undefined
  const numbers: number[] = []
  for (const word of words) {
    if (/^\d/u.test(word)) numbers.push(Number(word))
    else if (months.has(word) && monthNamed === undefined) monthNamed = months.get(word)
    else if (!BETWEEN.test(word)) return []
  }
  if (monthNamed === undefined || numbers.length === 0 || numbers.length > 2) return []
  const dayNamed = numbers.find((number) => number >= 1 && number <= 31)
  const year = numbers.find(
    (number, index) => number > 31 || (index !== numbers.indexOf(dayNamed ?? -1) && numbers.length === 2),
  )
  return [`${year ?? ''}-${monthNamed}-${dayNamed ?? ''}`]
}

function isDay(month: number, day: number): boolean {
  return month >= 1 && month <= 12 && day >= 1 && day <= 31
}

function numericDates(first: string, second: string, third: string, language: string): string[] {
  const [a, b, c] = [Number(first), Number(second), Number(third)]
  const made = (year: number, month: number, day: number): string[] =>
    isDay(month, day) ? [`${year}-${month}-${day}`] : []
  if (first.length === 4) return made(a, b, c)
  if (first.length > 2 || third.length === 1) return []
  const [dayFirst, monthFirst] = [made(c, b, a), made(c, a, b)]
  if (primary(language) !== 'en') return dayFirst
  const region = regionOf(language)
  return region === '' ? [...dayFirst, ...monthFirst] : region === 'US' ? monthFirst : dayFirst
}

function eastern(text: string): string[] {
  const [, year = '', month, day = ''] =
    /^(?:(\d{1,4})\s*[年년]\s*)?(\d{1,2})\s*[月월]\s*(?:(\d{1,2})\s*[日일号])?$/u.exec(text.trim()) ?? []
  return month === undefined ? [] : [`${year}-${Number(month)}-${day}`]
}

const TIME = /^(\d{1,2})(?:\s*(?:[:.h]|uhr)\s*(\d{2}))?\s*(uhr|o'?clock|h|hrs?|hours)?\s*(?:([ap])\.?\s?m\.?)?$/iu
/** What follows an hour that is a time of day, and no number of hours. */
const ON_THE_CLOCK = /^(?:uhr|o'?clock)$/iu

/** Returns the minutes of the day that a text names, and whether it says which half of it; undefined where it is no time. */
export function timeOf(text: string): { minutes: number; isWhole: boolean } | undefined {
  const plain = inPlain(text).trim()
  const [, hours, minutes, clock = '', half] = TIME.exec(plain) ?? []
  if (hours === undefined || (minutes === undefined && half === undefined && !ON_THE_CLOCK.test(clock)))
    return undefined
  const hour = Number(hours)
  if (hour > 24 || Number(minutes ?? 0) > 59 || (half !== undefined && (hour > 12 || hour === 0))) return undefined
  const shift = half === undefined ? 0 : (/p/iu.test(half) ? 12 : 0) - (hour === 12 ? 12 : 0)
  return { minutes: (hour + shift) * 60 + Number(minutes ?? 0), isWhole: half !== undefined || hour > 12 || hour === 0 }
}

/** Signs of the two eras, in letters alone, before or after the year. */
const BEFORE = new Set(
  'bc bce vchr vorchristus vuz avjc avantjc avj ac aec ane донэ πχ mo pne пне fkr fvt ie prnl قم לפנהס'.split(' '),
)
const AFTER = new Set('ad ce nchr nachchristus nuz apjc apresjc dc ec нэ μχ ms ne ekr evt isz nl לספירה م'.split(' '))

/** Returns a year with its era, below 0 before the common one; undefined where no era is said. */
export function eraOf(text: string): number | undefined {
  const plain = inPlain(text)
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[.,\s-]+/gu, ' ')
    .trim()
  const [, before = '', year, after = ''] = /^([^\d]*?)\s*(\d{1,4})\s*([^\d]*)$/u.exec(plain) ?? []
  if (year === undefined) return undefined
  const sign = `${before}${after}`.replace(/[\s"]+/gu, '')
  if (BEFORE.has(sign)) return -Number(year)
  return AFTER.has(sign) ? Number(year) : undefined
}
