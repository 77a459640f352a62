import { newEntry, type Entry, type EntryList } from '../src/index.ts'
import { idOf } from './sampleWords.ts'

/** A list of answers with clues; what stands in one class by hand is right for the same questions. */
export interface Subject {
  name: string
  language: string
  rows: readonly (readonly [answer: string, clue: string, group?: string])[]
  /** Answers that mean the same, as a teacher of the subject would say. */
  classes: readonly (readonly string[])[]
}

export const SUBJECTS: readonly Subject[] = [
  {
    name: 'fractions',
    language: 'en',
    rows: [
      ['1/2', 'half of 1'],
      ['0.5', '5 ÷ 10'],
      ['one half', '2 ÷ 4'],
      ['3/4', '3 ÷ 4'],
      ['0.25', '1 ÷ 4'],
      ['1/3', '1 ÷ 3'],
      ['2/3', '2 ÷ 3'],
      ['0.1', '1 ÷ 10'],
    ],
    classes: [['1/2', '0.5', 'one half']],
  },
  {
    name: 'times tables',
    language: 'en',
    rows: [
      ['56', '7 × 8'],
      ['54', '6 × 9'],
      ['63', '7 × 9'],
      ['48', '6 × 8'],
      ['12', '3 × 4'],
      ['64', '8 × 8'],
      ['4', '2 × 2'],
      ['100', '10 × 10'],
      ['fifty-six', '8 × 7'],
    ],
    classes: [['56', 'fifty-six']],
  },
  {
    name: 'feelings',
    language: 'en',
    rows: [
      ['feliz', 'happy, merry'],
      ['alegre', 'merry'],
      ['triste', 'sad'],
      ['cansado', 'tired'],
      ['enojado', 'angry'],
      ['contento', 'happy'],
    ],
    classes: [
      ['feliz', 'alegre'],
      ['feliz', 'contento'],
    ],
  },
  {
    name: 'German nouns',
    language: 'de',
    rows: [
      ['der Hund', 'dog'],
      ['Hund', 'a dog that barks'],
      ['die Katze', 'cat'],
      ['das Pferd', 'horse'],
      ['die Kuh', 'cow'],
      ['der Vogel', 'bird'],
      ['ein Hund', 'hound'],
    ],
    classes: [['der Hund', 'Hund', 'ein Hund']],
  },
  {
    name: 'spelling',
    language: 'en',
    rows: [
      ['colour', 'red is one'],
      ['color', 'blue is one'],
      ['centre', 'the middle'],
      ['center', 'the very middle'],
      ['theatre', 'for plays'],
      ['grey', 'black and white'],
      ['gray', 'like ashes'],
      ['organise', 'put in order'],
      ['organize', 'arrange'],
      ['favour', 'a kind act'],
    ],
    classes: [
      ['colour', 'color'],
      ['centre', 'center'],
      ['grey', 'gray'],
      ['organise', 'organize'],
    ],
  },
  {
    name: 'French words',
    language: 'fr',
    rows: [
      ["l'école", 'school'],
      ['école', 'a school'],
      ['la table', 'table'],
      ['le chien', 'dog'],
      ['un chien', 'a dog'],
      ['cœur', 'heart'],
      ['coeur', 'the heart'],
      ['maison', 'house'],
    ],
    classes: [
      ["l'école", 'école'],
      ['le chien', 'un chien'],
      ['cœur', 'coeur'],
    ],
  },
  {
    name: 'measures',
    language: 'en',
    rows: [
      ['3 cm', 'a fly'],
      ['3cm', 'a bee'],
      ['30 mm', 'a moth'],
      ['5 kg', 'a cat'],
      ['5 kilograms', 'a small dog'],
      ['50%', 'half'],
      ['50 per cent', 'one of two'],
      ['10 m', 'a house'],
      ['90°', 'right angle'],
    ],
    classes: [
      ['3 cm', '3cm'],
      ['5 kg', '5 kilograms'],
      ['50%', '50 per cent'],
    ],
  },
  {
    name: 'history',
    language: 'en',
    rows: [
      ['4 July 1776', 'independence'],
      ['1066', 'Hastings'],
      ['1815', 'Waterloo'],
      ['World War II', 'from 1939'],
      ['World War 2', 'until 1945'],
      ['World War I', 'from 1914'],
      ['1945', 'peace'],
      ['1789', 'Bastille'],
    ],
    classes: [['World War II', 'World War 2']],
  },
  {
    name: 'pairs of things',
    language: 'en',
    rows: [
      ['salt and pepper', 'on a table'],
      ['pepper & salt', 'in two pots'],
      ['bread and butter', 'breakfast'],
      ['black and white', 'zebra'],
      ['knife and fork', 'to eat with'],
      ['cup and saucer', 'for tea'],
    ],
    classes: [['salt and pepper', 'pepper & salt']],
  },
  {
    name: 'Spanish',
    language: 'es',
    rows: [
      ['sí', 'yes'],
      ['si', 'if'],
      ['el perro', 'dog'],
      ['perro', 'the dog'],
      ['la casa', 'house'],
      ['la mesa', 'table'],
      ['el libro', 'book'],
      ['niño', 'boy'],
    ],
    classes: [
      ['sí', 'si'],
      ['el perro', 'perro'],
    ],
  },
  {
    name: 'Hebrew',
    language: 'he',
    rows: [
      ['הבית', 'the house'],
      ['בית', 'house'],
      ['בַּיִת', 'home'],
      ['ספר', 'book'],
      ['ילד', 'boy'],
      ['שמש', 'sun'],
      ['ירח', 'moon'],
    ],
    classes: [['הבית', 'בית', 'בַּיִת']],
  },
  {
    name: 'formulas',
    language: 'en',
    rows: [
      ['x²', 'x times x'],
      ['x^2', 'x squared'],
      ['x³', 'x cubed'],
      ['2x', 'x plus x'],
      ['x + 1', 'one more than x'],
      ['x+1', 'x and one'],
      ['x − 1', 'one less'],
      ['√x', 'root'],
    ],
    classes: [
      ['x²', 'x^2'],
      ['x + 1', 'x+1'],
    ],
  },
  {
    name: 'chemistry',
    language: 'en',
    rows: [
      ['H2O', 'water'],
      ['H₂O', 'ice'],
      ['CO2', 'we breathe it out'],
      ['CO', 'from a bad stove'],
      ['Co', 'cobalt'],
      ['Na⁺', 'sodium as an ion'],
      ['Na+', 'what salt has beside chloride'],
      ['O2', 'we breathe it in'],
      ['O3', 'ozone'],
    ],
    classes: [
      ['H2O', 'H₂O'],
      ['Na⁺', 'Na+'],
    ],
  },
  {
    name: 'geography',
    language: 'en',
    rows: [
      ['USA', 'Washington'],
      ['U.S.A.', 'fifty states'],
      ['the Netherlands', 'Amsterdam'],
      ['Netherlands', 'windmills'],
      ['São Paulo', 'largest city of Brazil'],
      ['Sao Paulo', 'a city of twelve million'],
      ['Ivory Coast', 'Abidjan'],
      ['Côte d’Ivoire', 'Abidjan'],
      ['Trinidad and Tobago', 'two islands'],
      ['Trinidad & Tobago', 'Port of Spain'],
    ],
    classes: [
      ['USA', 'U.S.A.'],
      ['the Netherlands', 'Netherlands'],
      ['São Paulo', 'Sao Paulo'],
      ['Ivory Coast', 'Côte d’Ivoire'],
      ['Trinidad and Tobago', 'Trinidad & Tobago'],
    ],
  },
  {
    name: 'Russian',
    language: 'ru',
    rows: [
      ['ёлка', 'fir'],
      ['елка', 'a Christmas tree'],
      ['лев', 'lion'],
      ['мой', 'my'],
      ['мои', 'my, of several'],
      ['кот', 'cat'],
      ['дом', 'house'],
    ],
    classes: [['ёлка', 'елка']],
  },
]

export function listOf(
  rows: Subject['rows'],
  language: string,
  more: (index: number) => Partial<Entry> = () => ({}),
): EntryList {
  return {
    title: 'T',
    answerLanguage: language,
    promptLanguage: 'en',
    entries: rows.map(([answer, clue, group], index) =>
      newEntry({
        id: idOf(index),
        answer: { text: answer },
        prompt: { text: clue },
        groups: group === undefined ? [] : [group],
        ...more(index),
      }),
    ),
  }
}
