const IRREGULAR: Record<string, string> = {
  mice: 'mouse',
  geese: 'goose',
  feet: 'foot',
  teeth: 'tooth',
  men: 'man',
  women: 'woman',
  children: 'child',
  people: 'person',
  oxen: 'ox',
  leaves: 'leaf',
  knives: 'knife',
  wolves: 'wolf',
  loaves: 'loaf',
  shelves: 'shelf',
  scarves: 'scarf',
  wives: 'wife',
  lives: 'life',
  calves: 'calf',
  halves: 'half',
  elves: 'elf',
  thieves: 'thief',
  hooves: 'hoof',
}

/**
 * Returns what the singular of a folded word may be, and its plural too, since a picture may be named for several; rules
 * of thumb, for finding alone.
 */
export function singularsOf(word: string, language: string): string[] {
  switch (language) {
    case 'en':
      return english(word)
    case 'es':
    case 'pt':
      return [
        ...(/[^aeiou]es$/u.test(word) ? [word.slice(0, -2)] : []),
        ...(word.endsWith('ces') ? [`${word.slice(0, -3)}z`] : []),
        ...(word.endsWith('s') ? [word.slice(0, -1)] : [`${word}s`, `${word}es`]),
      ]
    case 'fr':
      return word.endsWith('aux')
        ? [`${word.slice(0, -3)}al`, word.slice(0, -1)]
        : /[sx]$/u.test(word)
          ? [word.slice(0, -1)]
          : [`${word}s`]
    case 'de':
      return [
        ...['en', 'er', 'n', 'e', 's']
          .filter((end) => word.endsWith(end) && word.length > end.length + 2)
          .map((end) => word.slice(0, -end.length)),
        `${word}e`,
        `${word}n`,
      ]
    case 'he':
      return [
        ...(word.endsWith('ים') ? [word.slice(0, -2)] : []),
        ...(word.endsWith('ות') ? [word.slice(0, -2), `${word.slice(0, -2)}ה`] : []),
        ...(word.startsWith('ה') ? [word.slice(1)] : []),
        `${word}ים`,
        `${word}ות`,
      ]
    default:
      return []
  }
}

function english(word: string): string[] {
  const last = word.slice(word.lastIndexOf(' ') + 1)
  if (last in IRREGULAR) return [word.slice(0, word.length - last.length) + IRREGULAR[last]]
  if (word.endsWith('ies') && word.length > 4) return [`${word.slice(0, -3)}y`, word.slice(0, -1)]
  if (/(s|x|z|ch|sh|o)es$/u.test(word)) return [word.slice(0, -2), word.slice(0, -1)]
  if (word.endsWith('s') && !word.endsWith('ss')) return [word.slice(0, -1)]
  return [/[^aeiou]y$/u.test(word) ? `${word.slice(0, -1)}ies` : /(s|x|ch|sh)$/u.test(word) ? `${word}es` : `${word}s`]
}
