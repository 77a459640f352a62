import type { Thing, Things, ThingsWanted } from '@otter/core'
import { englishLevels } from './english.ts'
import { senseAt, sensesOf } from './nouns.ts'

/** Senses of a name that are looked at, the most frequent first. */
const SENSES = 3
/** How far up a common kind is looked for, and how many things beside one are found. */
const HEIGHT = 2
const MOST = 16
/** Most senses looked at under one kind: where it has more, it says little. */
const WIDEST = 400
/** Fields of animals, and of what is made of them: food and substances (lexnames(5WN)). */
const ANIMAL = '05'
const OF_ANIMALS = new Set(['13', '27'])
/** SCOWL's size up to which a word is taken for one that pupils know. */
const FAMILIAR = 35

/** Looks up things, in WordNet 3.1, by their English names. */
export function lookUpThings({ names, beside }: ThingsWanted): Things {
  const asked = new Set(names)
  return new Map(
    [...asked].flatMap((name): [string, Thing][] => {
      const senses = sensesOf(name)
      if (senses.length === 0) return []
      const called = new Set(senses.slice(0, SENSES).flatMap(namesFrom))
      const kinds = [...called].filter((one) => one !== name && asked.has(one))
      return [[name, { kinds, beside: beside ? besideOf(name, usualSense(name, senses), called) : [] }]]
    }),
  )
}

/** Returns all names of a sense, and of all that it is a kind of. */
function namesFrom(sense: number): string[] {
  const { names, above } = senseAt(sense)
  return [...names.map((name) => name.toLowerCase()), ...above.flatMap(namesFrom)]
}

/**
 * Returns the sense that is meant where nothing tells. Names of persons don't count, and an animal is met before its fur
 * and its meat, which WordNet may put first.
 */
function usualSense(name: string, senses: readonly number[]): number | undefined {
  const common = senses.filter((sense) => senseAt(sense).names.includes(name)).slice(0, SENSES)
  const fieldOf = (sense: number): string => senseAt(sense).field
  const [first] = common
  return first !== undefined && OF_ANIMALS.has(fieldOf(first))
    ? (common.find((sense) => fieldOf(sense) === ANIMAL) ?? first)
    : first
}

/** Returns familiar things of the same kind as a sense: the nearest kind first, then the most familiar. */
function besideOf(name: string, sense: number | undefined, called: ReadonlySet<string>): string[] {
  if (sense === undefined) return []
  const { field, above, gloss } = senseAt(sense)
  const levels = englishLevels()
  const found: string[] = []
  const seen = new Set([sense])
  let kind = above[0]
  for (let height = 1; height <= HEIGHT && kind !== undefined && found.length < MOST; height++) {
    const under = sensesUnder(kind, height, seen)
    if (under.length > WIDEST) break
    const familiar = under.flatMap((offset): { other: string; level: number }[] => {
      const { names, field: otherField, gloss: otherGloss } = senseAt(offset)
      const [other] = names
      const level = levels.get(other!) ?? Infinity
      const isMain = sensesOf(other!)[0] === offset
      // Where one is told by the other, they may well be the same to whoever asks.
      const isTold = gloss.includes(other!) || otherGloss.includes(name)
      return otherField === field && isMain && !isTold && !called.has(other!) && level <= FAMILIAR
        ? [{ other: other!, level }]
        : []
    })
    familiar.sort((one, two) => one.level - two.level || (one.other < two.other ? -1 : 1))
    found.push(...familiar.map(({ other }) => other))
    kind = senseAt(kind).above[0]
  }
  return [...new Set(found)].slice(0, MOST)
}

/** Returns the senses under a kind down to a depth, but for those seen before. */
function sensesUnder(kind: number, depth: number, seen: Set<number>): number[] {
  if (depth === 0) return []
  return senseAt(kind).below.flatMap((offset) => {
    const own = seen.has(offset) ? [] : [offset]
    seen.add(offset)
    return [...own, ...sensesUnder(offset, depth - 1, seen)]
  })
}
