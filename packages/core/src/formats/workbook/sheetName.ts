/** Returns a title as the name of a sheet: of at most 31 characters, without those that are forbidden. */
export function sheetName(title: string): string {
  return (
    title
      .replace(/[\\/*?:[\]]/gu, ' ')
      .replace(/^'+|'+$/gu, '')
      .trim()
      .slice(0, 31)
      .trim() || 'Words'
  )
}
