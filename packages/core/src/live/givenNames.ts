import type { Random } from '../random/random.ts'

/** What made-up names are put together from, by language: animals and kind adjectives that go with all of them. */
const WORDS = {
  en: {
    order: 'adjective-first',
    animals: `
      Heron Otter Beaver Kingfisher Trout Salmon Turtle Swan Duck Crane Dolphin Seal Puffin Robin Wren
      Finch Owl Badger Hedgehog Squirrel Hare Deer Fox Lynx Panda Koala Penguin Pelican Dragonfly Beetle
      Butterfly Firefly Minnow Newt Frog Snail Sparrow Swallow Starling Plover`,
    adjectives: `
      Calm Bright Brave Kind Quick Quiet Merry Clever Gentle Sunny Lucky Bold Swift Wise Cheery Curious
      Nimble Patient Loyal Happy Lively Steady Warm Keen Jolly`,
  },
  es: {
    order: 'animal-first',
    animals: `
      Garza Nutria Castor Trucha Salmón Tortuga Cisne Pato Grulla Delfín Foca Petirrojo Gorrión Búho Tejón
      Erizo Ardilla Liebre Ciervo Zorro Lince Panda Koala Pingüino Pelícano Libélula Mariposa Luciérnaga
      Rana Caracol Golondrina Jilguero Colibrí Mirlo Alondra`,
    adjectives: `
      Feliz Amable Veloz Valiente Alegre Prudente Radiante Ágil Gentil Noble Sonriente Fiel Hábil Tenaz
      Paciente Brillante Audaz Libre Jovial Genial`,
  },
  fr: {
    order: 'animal-first',
    animals: `
      Héron Loutre Castor Truite Saumon Tortue Cygne Canard Grue Dauphin Phoque Moineau Hibou Blaireau
      Hérisson Écureuil Lièvre Cerf Renard Lynx Panda Koala Pingouin Pélican Libellule Papillon Luciole
      Grenouille Escargot Hirondelle Mésange Colibri Merle Alouette`,
    adjectives: `
      Agile Aimable Calme Tranquille Habile Sage Brave Drôle Rapide Honnête Fidèle Sincère Solide Tendre
      Magnifique Énergique Optimiste Sympathique Intrépide Adorable`,
  },
  he: {
    order: 'animal-first',
    animals: `
      שועל צב ברבור דולפין פינגווין ינשוף קיפוד סנאי אייל פנדה שקנאי פרפר חילזון דרור נחליאלי שלדג תוכי
      לוטר סלמון ארנבון`,
    adjectives: `
      שמח אמיץ חכם זריז רגוע נדיב סקרן עליז מהיר נאמן חביב נבון קליל סבלני נחמד מקורי חרוץ עדין`,
  },
} as const

/** Languages that names can be made up in. */
export type NameLanguage = keyof typeof WORDS

/** Returns a name of two kind words that none of those taken is; with a number where words run out. */
export function givenName(language: NameLanguage, taken: ReadonlySet<string>, random: Random): string {
  const { order, animals, adjectives } = WORDS[language]
  const pick = (words: string): string => {
    const all = words.trim().split(/\s+/u)
    return all[random.below(all.length)]!
  }
  for (let tries = 0; ; tries++) {
    const [animal, adjective] = [pick(animals), pick(adjectives)]
    const name = order === 'animal-first' ? `${animal} ${adjective}` : `${adjective} ${animal}`
    const told = tries < 20 ? name : `${name} ${tries - 18}`
    if (!taken.has(told.toLowerCase())) return told
  }
}
