/**
 * Tells whether each tag ends before the next one begins, as well-formed XML has it. A parser may take minutes for what
 * is not.
 */
export function tagsEnd(xml: string): boolean {
  for (let open = xml.indexOf('<'); open >= 0;) {
    const isQuoted = xml.startsWith('<!--', open) || xml.startsWith('<![CDATA[', open)
    const close = isQuoted ? xml.indexOf(xml[open + 2] === '-' ? '-->' : ']]>', open) : xml.indexOf('>', open)
    const next = xml.indexOf('<', isQuoted ? close : open + 1)
    if (close < 0 || (next >= 0 && next < close)) return false
    open = next
  }
  return true
}

/** Longest tag that is looked into, in UTF-16 units. */
const LONGEST_TAG = 2000

/**
 * Finds the tags of a name, with the place behind each. In one pass: an expression over a whole sheet can take minutes
 * for some.
 */
export function* tagsOf(xml: string, name: string): Generator<{ tag: string; end: number }> {
  for (let from = xml.indexOf(`<${name}`); from >= 0;) {
    const close = xml.indexOf('>', from)
    if (close < 0) return
    if (/[\s/>]/u.test(xml[from + name.length + 1]!))
      yield { tag: xml.slice(from, Math.min(close, from + LONGEST_TAG)), end: close + 1 }
    from = xml.indexOf(`<${name}`, close)
  }
}

/** Returns the value of a tag's attribute; empty where it has none. */
export function attribute(tag: string, name: string): string {
  const from = tag.indexOf(` ${name}="`)
  return from < 0 ? '' : tag.slice(from + name.length + 3).split('"', 1)[0]!
}

/** Returns the elements of a name, which don't hold each other, with all that is in them. */
export function elementsOf(xml: string, name: string): string[] {
  return [...tagsOf(xml, name)].map(({ tag, end }) => {
    if (tag.endsWith('/') || xml[end - 2] === '/') return tag
    const to = xml.indexOf(`</${name}>`, end)
    return xml.slice(end, to < 0 ? end : to)
  })
}
