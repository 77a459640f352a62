import { createRequire } from 'node:module'

const require = createRequire(import.meta.url)

/** A drawing as an icon set holds it: what stands inside its svg element, and its size. */
interface IconSet {
  icons: Record<string, { body: string; width?: number; height?: number; left?: number; top?: number }>
  width: number
  height: number
}

/** The two sets of drawings: flat in colour, and plain in one colour. They are not to be mixed in one game. */
type PictureSet = 'flat' | 'plain'

/** A picture of the gallery. */
export interface GalleryPicture {
  set: PictureSet
  name: string
  /** The emoji that it draws; empty for the plain set. */
  emoji: string
  category: string
}

const SOURCES: Record<PictureSet, { pack: string; credit: string }> = {
  flat: { pack: '@iconify-json/fluent-emoji-flat', credit: 'Fluent Emoji, © Microsoft, MIT licence' },
  plain: { pack: '@iconify-json/game-icons', credit: 'game-icons.net authors, CC BY 3.0' },
}

/** Gestures that offend somewhere, and drawings not meant for children. */
const BLOCKED_NAMES = new Set([
  'middle-finger',
  'sign-of-the-horns',
  'pinching-hand',
  'ok-hand',
  'smoking-finger',
  'button-finger',
  'no-one-under-eighteen',
  'animal-skull-crossed',
  'death-star',
  'drowning',
  'hanging-sign',
  'voodoo-doll',
])
const BLOCKED_WORDS =
  /(^|-)(skull|skulls|gun|guns|handgun|autogun|minigun|chaingun|pistol|pistols|shotgun|rifle|grenade|bomb|bomber|bombs|bombing|blood|bloody|bleeding|wound|wounds|suicide|murder|decapitation|guillotine|executioner|assassin|backstab|slavery|slaver|whip|whiplash|devil|daemon|demon|diablo|imp|hell|inferno|satan|pentacle|pentagram|death|dead|deathcab|deadly|overkill|cigar|cigarette|smoking|martini|corpse|severed|flesh|fleshy|gore|gut|guts|hanged|vomiting|stabbed|stab|torture|crucifix|poison|naked|lingerie|bra|thong|kamasutra|prostitute|gunshot|bullet|bullets|winchester|sawed|tombstone|coffin|grave|graveyard|zombie|vampire|werewolf|evil|brutal|impaled|beheaded|hanging|noose|gallows|slime|parasite|parasitic|tentacle|tentacles|internal|disintegrate|shambling|shattered|sacrificial|harpy|brain|scalpel|mutilated|stoned|weed|joint|beer|wine|drunk|swastika|nazi|lust|love|kiss|pregnant|minefield|landmine|mine-explosion|martyr|kill|killer|terror|horror)(-|$)/u
const SKIN_TONE = /-(light|medium-light|medium|medium-dark|dark)$/u

/** Everything that is drawn, with the drawings. */
export interface Gallery {
  pictures: GalleryPicture[]
  /** Returns the whole of a picture as SVG; undefined where there is none of that name. */
  svgOf(set: string, name: string): string | undefined
  creditOf(set: PictureSet): string
}

let gallery: Gallery | undefined

/** Returns the gallery; it is read once. */
export function openGallery(): Gallery {
  gallery ??= readGallery()
  return gallery
}

function readGallery(): Gallery {
  const sets = {
    flat: require(`${SOURCES.flat.pack}/icons.json`) as IconSet,
    plain: require(`${SOURCES.plain.pack}/icons.json`) as IconSet,
  }
  const emojis = new Map(
    Object.entries(require(`${SOURCES.flat.pack}/chars.json`) as Record<string, string>).map(([codes, name]) => [
      name,
      String.fromCodePoint(...codes.split('-').map((code) => parseInt(code, 16))),
    ]),
  )
  const { categories } = require(`${SOURCES.flat.pack}/metadata.json`) as { categories: Record<string, string[]> }
  const categoryOf = new Map(
    Object.entries(categories).flatMap(([category, names]) => names.map((name) => [name, category] as const)),
  )
  const allowed = (name: string): boolean => !BLOCKED_NAMES.has(name) && !BLOCKED_WORDS.test(name)
  const flat = Object.keys(sets.flat.icons)
    .filter((name) => allowed(name) && !(SKIN_TONE.test(name) && categoryOf.get(name) === 'People & Body'))
    .map((name): GalleryPicture => ({
      set: 'flat',
      name,
      emoji: emojis.get(name) ?? '',
      category: categoryOf.get(name) ?? '',
    }))
  const plain = Object.keys(sets.plain.icons)
    .filter(allowed)
    .map((name): GalleryPicture => ({ set: 'plain', name, emoji: '', category: '' }))
  const known = new Set([...flat, ...plain].map(({ set, name }) => `${set}/${name}`))
  return {
    pictures: [...flat, ...plain],
    svgOf: (set, name) => {
      if (!known.has(`${set}/${name}`)) return undefined
      const { icons, width, height } = sets[set as PictureSet]
      const icon = icons[name]!
      const box = `${icon.left ?? 0} ${icon.top ?? 0} ${icon.width ?? width} ${icon.height ?? height}`
      return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" color="#14312F">${icon.body}</svg>`
    },
    creditOf: (set) => SOURCES[set].credit,
  }
}
