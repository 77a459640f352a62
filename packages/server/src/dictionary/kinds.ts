import { senseAt, sensesOf } from './nouns.ts'

/** Senses of a word that are looked at, the most frequent first. */
const SENSES = 3
/** Kinds that hold nearly everything: nobody would take one for a link. */
const TOO_GENERAL = new Set(
  [
    'entity, physical entity, abstraction, object, whole, thing, matter, attribute, relation, psychological feature',
    'artifact, causal agent, unit, group, measure, communication, event, act, state, living thing, organism, property',
    'part, process, substance, physical property, instrumentality, cognition, content, collection, physical condition',
  ]
    .join(', ')
    .split(', '),
)

/** Returns what an English noun is a kind of, the nearest first; nothing where it is not known. */
export function kindsOf(word: string): string[] {
  const lemma = word.trim().toLowerCase()
  const forms = [lemma, lemma.replace(/s$/u, ''), lemma.replace(/es$/u, ''), lemma.replace(/ies$/u, 'y')]
  const senses = forms.map((form) => sensesOf(form)).find(({ length }) => length > 0) ?? []
  const names = senses.slice(0, SENSES).flatMap((sense) => {
    const chain: string[] = []
    for (let [at] = senseAt(sense).above; at !== undefined;) {
      const {
        names: [name],
        above,
      } = senseAt(at)
      if (!TOO_GENERAL.has(name!)) chain.push(name!)
      at = above[0]
    }
    return chain
  })
  return [...new Set(names)]
}
