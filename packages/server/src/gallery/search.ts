import { createRequire } from 'node:module'
import { indexPictures, type PictureIndex, type PictureWords } from '@otter/core'
import { ALIASES } from './aliases.ts'
import { openGallery, type GalleryPicture } from './pictures.ts'

const require = createRequire(import.meta.url)

/** Words for emoji in one language (Unicode CLDR): a name, and keywords. */
type Annotations = Record<string, { default?: string[]; tts?: string[] }>

/** What counts against a picture, by category: a word mostly means the thing. */
const HANDICAPS: Record<string, number> = { 'People & Body': 20, 'Smileys & Emotion': 12, Symbols: 16, Flags: 16 }
const PLAIN_HANDICAP = 18
/** A picture that is found through the English word is less sure than one by the word itself. */
const THROUGH_ENGLISH = 6
/** Body parts are body, not people. */
const BODY =
  /(ear|eye|eyes|nose|mouth|tongue|hand|foot|leg|arm|tooth|bone|biceps|lungs|heart|finger|hands|footprints|lips|mechanical)/u

/** Words of names by which a picture shows people, whatever they do. */
const PEOPLE = /(?:^|-)(?:man|woman|person|men|women|people)(?=-|$)/gu

/** Colours of skin in names. */
const SKIN = /(?:-medium)?-(?:light|medium|dark)(?=-|$)/gu

const indexes = new Map<string, PictureIndex>()
let english: { index: PictureIndex; nameOf: Map<string, string> } | undefined

/**
 * Finds pictures for a word in a language, the likeliest first. Languages without words of their own are searched in
 * English.
 */
export function searchPictures(word: string, language: string, most: number): GalleryPicture[] {
  const { pictures } = openGallery()
  const index = indexOf(language)
  const hits = new Map(index?.search(word, most * 4).map(({ picture, score }) => [picture, score]) ?? [])
  if (index && language.split('-')[0]!.toLowerCase() !== 'en') {
    // The plain set has English names alone: what a picture is called there leads on to it.
    for (const [picture, score] of [...hits].slice(0, 3)) {
      if (score < 60) continue
      const name = inEnglish().nameOf.get(pictures[picture]!.emoji)
      for (const hit of name === undefined ? [] : inEnglish().index.search(name, most)) {
        const through = Math.min(hit.score, score) - THROUGH_ENGLISH
        if ((hits.get(hit.picture) ?? 0) < through) hits.set(hit.picture, through)
      }
    }
  }
  const sorted = [...hits]
    .map(([picture, score]) => ({ picture: pictures[picture]!, place: picture, score }))
    .sort(
      (one, other) =>
        Number(isUnasked(one)) - Number(isUnasked(other)) || other.score - one.score || one.place - other.place,
    )
  const motifs = new Set<string>()
  return sorted.flatMap(({ picture }) => {
    const motif = motifOf(picture)
    if (motifs.has(motif) || motifs.size === most) return []
    motifs.add(motif)
    return [picture]
  })
}

/** From this score on the word means the people that a picture shows. */
const MEANT = 60

/** Whether a picture shows people that were hardly asked for: they come after all else. */
function isUnasked({ picture: { category, name }, score }: { picture: GalleryPicture; score: number }): boolean {
  return showsPeople(category, name) && score < MEANT
}

function showsPeople(category: string, name: string): boolean {
  return category === 'People & Body' && (!BODY.test(name) || name.search(PEOPLE) >= 0)
}

/** Returns what a picture shows, whoever does it: a dancing woman, man and person are one picture three times over. */
function motifOf({ set, name, category }: GalleryPicture): string {
  const plain = category === 'People & Body' ? name.replace(SKIN, '') : name
  return `${set} ${plain.replace(PEOPLE, '').replace(/^-/u, '') || plain}`
}

function indexOf(language: string): PictureIndex | undefined {
  const base = language.split('-')[0]!.toLowerCase()
  if (base === '' || base === 'en') return inEnglish().index
  let index = indexes.get(base)
  if (!index) {
    const annotations = annotationsOf(base)
    if (!annotations) return inEnglish().index
    index = indexPictures(wordsIn(annotations), base, ALIASES[base])
    indexes.set(base, index)
  }
  return index
}

function wordsIn(annotations: Annotations): PictureWords[] {
  return openGallery().pictures.flatMap(({ emoji, name, category }, picture): PictureWords[] => {
    const words = annotations[emoji] ?? annotations[emoji.replaceAll('\ufe0f', '')]
    const title = words?.tts?.[0]
    return title === undefined
      ? []
      : [{ picture, title, keywords: words!.default ?? [], handicap: handicapOf(category, name), plain: false }]
  })
}

function handicapOf(category: string, name: string): number {
  return category === 'People & Body' && !showsPeople(category, name) ? 0 : (HANDICAPS[category] ?? 0)
}

function inEnglish(): { index: PictureIndex; nameOf: Map<string, string> } {
  if (!english) {
    const annotations = annotationsOf('en') ?? {}
    const tags = new Map(
      (require('emojibase-data/en/compact.json') as { unicode: string; tags?: string[] }[]).map(
        ({ unicode, tags: own }) => [unicode.replaceAll('\ufe0f', ''), own ?? []],
      ),
    )
    const nameOf = new Map<string, string>()
    const words = openGallery().pictures.map(({ emoji, name, category, set }, picture): PictureWords => {
      const title = name.replaceAll('-', ' ')
      if (emoji !== '') nameOf.set(emoji, title)
      const bare = emoji.replaceAll('\ufe0f', '')
      return {
        picture,
        title,
        keywords: [
          ...new Set([
            ...(annotations[bare]?.tts ?? []),
            ...(annotations[bare]?.default ?? []),
            ...(tags.get(bare) ?? []),
          ]),
        ],
        handicap: set === 'plain' ? PLAIN_HANDICAP : handicapOf(category, name),
        plain: set === 'plain',
      }
    })
    english = { index: indexPictures(words, 'en', ALIASES.en), nameOf }
  }
  return english
}

function annotationsOf(language: string): Annotations | undefined {
  if (!/^[a-z]{2,3}$/u.test(language)) return undefined
  try {
    return (
      require(`cldr-annotations-full/annotations/${language}/annotations.json`) as {
        annotations: { annotations: Annotations }
      }
    ).annotations.annotations
  } catch {
    return undefined
  }
}
