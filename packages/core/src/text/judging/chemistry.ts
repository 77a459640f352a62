import { inPlain } from './characters.ts'

/** Symbols of the elements. */
const ELEMENTS =
  'H He Li Be B C N O F Ne Na Mg Al Si P S Cl Ar K Ca Sc Ti V Cr Mn Fe Co Ni Cu Zn Ga Ge As Se Br Kr Rb Sr Y Zr Nb Mo Tc Ru Rh Pd Ag Cd In Sn Sb Te I Xe Cs Ba La Ce Pr Nd Pm Sm Eu Gd Tb Dy Ho Er Tm Yb Lu Hf Ta W Re Os Ir Pt Au Hg Tl Pb Bi Po At Rn Fr Ra Ac Th Pa U Np Pu Am Cm Bk Cf Es Fm Md No Lr Rf Db Sg Bh Hs Mt Ds Rg Cn Nh Fl Mc Lv Ts Og'.split(
    ' ',
  )
const ELEMENT = new Set(ELEMENTS)
/** Formulas in capitals alone, without a number: all others of that kind are taken for abbreviations. */
const KNOWN = new Set('KOH HCN HF KI KF BN SIC HNO HI OH'.split(' '))
const PART = `(?:[A-Z][a-z]?\\d*|[([]|[)\\]]\\d*)`
const FORMULA = new RegExp(
  `^\\d*${PART}+(?:[·.*]\\d*${PART}+)*(?:\\((?:s|l|g|aq)\\))?(?:\\^?\\d*[-+]|\\^[-+]\\d*)?$`,
  'u',
)

/** Returns a text without spaces, with its numbers as plain digits; a charge follows ^. */
function plainFormula(text: string): string {
  return inPlain(text.replace(/\s+/gu, ''))
}

/** Tells whether a text is a chemical formula, such as H₂O, NaCl or SO₄²⁻, or a symbol of an element. */
export function isChemical(text: string): boolean {
  const plain = plainFormula(text.trim())
  if (!FORMULA.test(plain) || plain.length > 60) return false
  const symbols = plain.replace(/\((?:s|l|g|aq)\)/gu, '').match(/[A-Z][a-z]?/gu) ?? []
  if (!symbols.every((symbol) => ELEMENT.has(symbol))) return false
  // A number before it says how many, and makes no formula of it.
  const hasNumber = /\d/u.test(plain.replace(/^\d+/u, ''))
  const hasCharge = /[-+]$/u.test(plain)
  // B+ is a mark or a blood group.
  if (symbols.length === 1)
    return (hasCharge && !/^[BCOV][-+]$/u.test(plain)) || (hasNumber && /^(?:H|O|N|F|I|P|S|C|Cl|Br)\d+$/u.test(plain))
  return hasNumber || hasCharge || KNOWN.has(plain) || (/[A-Z]/u.test(plain.slice(1)) && /[a-z]/u.test(plain))
}

/** Tells whether a text is the symbol of an element, or a formula of such, whatever else it may be. */
export function couldBeChemical(text: string): boolean {
  const symbols = plainFormula(text.trim()).match(/[A-Z][a-z]?|[^A-Z]+/gu) ?? []
  return symbols.length > 0 && symbols.every((symbol) => ELEMENT.has(symbol) || /^[\d()^+-]+$/u.test(symbol))
}

/** Returns a chemical formula in one form: capitals count, and where a charge or a number is written does not. */
export function chemicalForm(text: string): string {
  return plainFormula(text).replace(/[\^_{}[\]]/gu, '')
}
