/** Symbols of units, as they are written: capitals count in them. */
const SYMBOLS = (
  'm cm mm dm km nm μm pm Mm in ft yd mi ha a ac g kg mg μg t lb oz l L ml mL cl cL dl dL hl kL s ms μs ns min h d ' +
  'Hz kHz MHz GHz THz N kN mN MN J kJ MJ mJ GJ W kW MW GW mW TW kWh Wh Pa kPa hPa MPa bar mbar atm V kV mV MV A mA kA μA ' +
  'Ω kΩ MΩ mΩ F μF nF pF C mC μC T mT H mH Wb lm lx cd mol mmol kmol K °C °F ° rad sr Bq Gy Sv mSv dB B kB MB GB TB ' +
  'bit byte px eV keV MeV GeV cal kcal mph kph rpm pH M mM u % ‰ € $ £ ¥ ₪ ₹ ₺ ₽ zł kr Kč Ft c ¢ p'
).split(' ')
const KNOWN = new Set(SYMBOLS)
const CURRENCIES = /^[€$£¥₪₹₺₽]/u

/** Names of units by their symbol; in small letters, several languages together. */
const NAMES: Record<string, string> = {
  '%': 'percent,per cent,pct,prozent,por ciento,por cento,pour cent,procent,per cento,процент,процентов,процента,procent,prosent,prosenttia,yüzde,τοις εκατό,אחוז,אחוזים,فى المائة,في المئة,بالمئة',
  '°': 'degree,degrees,deg,grad,grados,grado,degré,degrés,graus,grau,gradi,graden,градус,градусов,градуса,grader,stopni,derece,מעלות,درجة',
  '°C': '℃,degrees celsius,degree celsius,deg c,celsius,grad celsius,grados celsius,degrés celsius,graus celsius,gradi celsius,градусов цельсия',
  '°F': '℉,degrees fahrenheit,degree fahrenheit,deg f,fahrenheit,grad fahrenheit,grados fahrenheit,degrés fahrenheit',
  mm: 'millimetre,millimetres,millimeter,millimeters,milímetro,milímetros,millimètre,millimètres,millimetri,миллиметр,миллиметров',
  cm: 'centimetre,centimetres,centimeter,centimeters,zentimeter,centímetro,centímetros,centimètre,centimètres,centimetri,centimetro,сантиметр,сантиметров,сантиметра,см',
  m: 'metre,metres,meter,meters,metro,metros,mètre,mètres,metri,метр,метров,метра,м',
  km: 'kilometre,kilometres,kilometer,kilometers,kilómetro,kilómetros,quilômetro,quilômetros,quilómetros,kilomètre,kilomètres,chilometri,chilometro,километр,километров,километра,км',
  in: 'inch,inches,"',
  ft: 'foot,feet',
  yd: 'yard,yards',
  mi: 'mile,miles',
  mg: 'milligram,milligrams,miligramo,miligramos,milligramme,milligrammes',
  g: 'gram,grams,gramm,gramo,gramos,gramme,grammes,grama,gramas,grammi,грамм,граммов,г',
  kg: 'kilogram,kilograms,kilogramme,kilogrammes,kilogramm,kilo,kilos,kilogramo,kilogramos,quilograma,quilogramas,chilogrammi,килограмм,килограммов,килограмма,кг',
  t: 'tonne,tonnes,tonelada,toneladas,тонн,тонна',
  lb: 'pound,pounds,lbs',
  oz: 'ounce,ounces',
  ml: 'mL,millilitre,millilitres,milliliter,milliliters,mililitro,mililitros,миллилитр,мл',
  l: 'L,litre,litres,liter,liters,litro,litros,litri,литр,литров,литра,л',
  s: 'second,seconds,sec,secs,sekunde,sekunden,segundo,segundos,seconde,secondes,secondi,секунд,секунда,секунды,с',
  min: 'minute,minutes,mins,minuten,minuto,minutos,minuti,минут,минута,минуты,мин',
  h: 'hour,hours,hr,hrs,stunde,stunden,hora,horas,heure,heures,ore,час,часов,часа,ч',
  d: 'day,days,tag,tage,día,días,dia,dias,jour,jours,giorni,день,дней,дня',
  Hz: 'hertz',
  N: 'newton,newtons',
  J: 'joule,joules,julio,julios',
  W: 'watt,watts,vatio,vatios',
  V: 'volt,volts,voltio,voltios',
  A: 'ampere,amperes,amp,amps,amperio,amperios',
  Ω: 'ohm,ohms,ohmio,ohmios',
  Pa: 'pascal,pascals',
  K: 'kelvin,kelvins',
  mol: 'mole,moles,moli',
  $: 'dollar,dollars,dólar,dólares,доллар,долларов',
  '€': 'euro,euros,eur,евро',
  '£': 'pound sterling,pounds sterling,gbp',
}
const SYMBOL_OF = new Map(
  Object.entries(NAMES).flatMap(([symbol, names]) => names.split(',').map((name) => [name, symbol] as const)),
)

/**
 * Returns the unit that a text is, in one form: its symbol, also where it is written out; parts of m/s or m² each;
 * undefined where it is none.
 */
export function unitOf(text: string): string | undefined {
  const plain = text
    .trim()
    .replace(/[µ]/gu, 'μ')
    .replace(/\u2126/gu, 'Ω')
    .replace(/\s*\/\s*/gu, '/')
    .replace(/\s*\^\s*/gu, '^')
  if (plain === '') return ''
  const whole = oneUnit(plain)
  if (whole !== undefined) return whole
  const parts = plain.replace(/ per /gu, '/').split('/')
  if (parts.length === 1) return undefined
  const units = parts.map((part) =>
    part
      .trim()
      .split(/[ ·*]+/u)
      .map(oneUnit),
  )
  return units.every((group) => group.every((unit) => unit !== undefined && unit !== ''))
    ? units.map((group) => group.join('·')).join('/')
    : undefined
}

function oneUnit(text: string): string | undefined {
  const named = SYMBOL_OF.get(text) ?? SYMBOL_OF.get(text.toLowerCase())
  if (named !== undefined) return named
  if (KNOWN.has(text)) return text
  const [, base, power] = /^(.*?)\^?([-]?[23]|-1)$/u.exec(text) ?? []
  if (base !== undefined && KNOWN.has(base) && /\p{L}$/u.test(base)) return `${base}^${power}`
  const [, shape, rest] = /^(square|cubic) (.+)$/u.exec(text.toLowerCase()) ?? []
  const unit = rest === undefined ? undefined : oneUnit(rest)
  return unit && `${unit}^${shape === 'square' ? 2 : 3}`
}

/** Tells whether a text is a unit's symbol by itself, of such letters that nobody takes it for a word. */
export function isUnitSymbol(text: string): boolean {
  return (
    KNOWN.has(text) &&
    text.length > 1 &&
    (/^[kcmdhμnp](?:m|g|l|s)$/u.test(text) || /[a-zμ][A-ZΩ]|^[MGTk][A-Z]|^kWh$/u.test(text))
  )
}

/** Tells whether a text begins with the sign of a currency. */
export function isCurrencyFirst(text: string): boolean {
  return CURRENCIES.test(text)
}
