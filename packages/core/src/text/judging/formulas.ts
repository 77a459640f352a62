import { inPlain } from './characters.ts'

/** Names of functions that are written in letters within a formula. */
const FUNCTIONS = /\b(?:sin|cos|tan|cot|sec|log|ln|lim|max|min|mod|sqrt|exp|abs|gcd|lcm|pi)\b/giu
const SIGNS = /[=<>≤≥≠≈±×÷⋅·*/^√∛∫∑π∞→⇌+−|#~]|[⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻₀-₉]/u
const PAIR = /^[([{].*\d.*[,;].*[)\]}]$|^[([{].*[,;].*\d.*[)\]}]$/su
const WORD = /\p{L}{3,}/u

/**
 * Tells whether a text is a formula: signs of mathematics with names of at most two letters, a pair or an interval, or a
 * number beside a letter such as 2x.
 */
export function isFormula(text: string): boolean {
  const bare = text.replace(FUNCTIONS, '')
  if (WORD.test(bare)) return false
  return (
    SIGNS.test(text) ||
    PAIR.test(text) ||
    /^\p{L}{1,2}\s*[-−–]\s*[\p{L}\d]{1,2}$/u.test(text) ||
    /^[-−]?\d+(?!st$|nd$|rd$|th$)\p{Script=Latin}{1,2}(?:\s*[-+−]|$)/u.test(text) ||
    /^\p{L}\([\p{L}\d]+\)$/u.test(text) ||
    /\b(?:sqrt|pi)\b/iu.test(text)
  )
}

/**
 * Returns a formula in one form: without spaces, with one sign for each operation, powers after ^. Expressions are
 * compared as text: no algebra is done.
 */
export function formulaForm(text: string): string {
  return inPlain(text)
    .replace(/\*\*/gu, '^')
    .replace(/(?<=\d)\s*[xX]\s*(?=\d)/gu, '*')
    .replace(/[×⋅·∗•]/gu, '*')
    .replace(/[÷∕]/gu, '/')
    .replace(/>=|=>|⩾/gu, '≥')
    .replace(/<=|=<|⩽/gu, '≤')
    .replace(/!=|<>|=\/=/gu, '≠')
    .replace(/-+>|⟶/gu, '→')
    .replace(/sqrt/giu, '√')
    .replace(/\bpi\b|(?<=\d)pi\b/giu, 'π')
    .replace(/√\s*\(\s*([\p{L}\d]+)\s*\)/gu, '√$1')
    .replace(/\^\s*[({]\s*([-+]?[\p{L}\d]+)\s*[)}]/gu, '^$1')
    .replace(/\s+/gu, '')
    .replace(/(?<=\d),(?=\d{3}(?!\d))(?![^([]*[)\]])/gu, '')
    .toLowerCase()
}
