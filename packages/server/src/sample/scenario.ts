import type { Choice, Entry, ListChanges } from '@otter/core'

/**
 * Answer and prompt of an entry, and what else it carries; `draws` names the plain picture of the gallery on its
 * prompt.
 */
type SampleEntry = readonly [
  answer: string,
  prompt: string,
  rest?: Partial<
    Pick<Entry, 'groups' | 'standards' | 'hint' | 'fact' | 'worth' | 'accepted' | 'scored' | 'choices'>
  > & {
    draws?: string
  },
]

/** A list of the made-up Harlow Quay School. */
export interface SampleList extends ListChanges {
  title: string
  entries: readonly SampleEntry[]
}

const wrong = (...texts: string[]): Choice[] => texts.map((text) => ({ text, right: false }))

export const SAMPLE_LISTS: readonly SampleList[] = [
  {
    title: 'Market day',
    answerLanguage: 'he',
    promptLanguage: 'en',
    entries: [
      ['תפוח', 'apple'],
      ['לחם', 'bread'],
      ['גבינה', 'cheese'],
      ['עגבנייה', 'tomato'],
      ['מלפפון', 'cucumber'],
      ['דבש', 'honey'],
      ['זיתים', 'olives'],
      ['תמרים', 'dates'],
      ['ביצה', 'egg'],
      ['חלב', 'milk'],
      ['רימון', 'pomegranate'],
      ['אבטיח', 'watermelon'],
    ],
  },
  {
    title: 'ai and ay words',
    answerLanguage: 'en',
    promptLanguage: 'en',
    subject: 'Reading',
    grade: 'Year 1',
    folder: 'First readers',
    entries: [
      ['rain', 'it falls from clouds'],
      ['train', 'it runs on rails'],
      ['snail', 'it carries its home'],
      ['paint', 'colour for a wall'],
      ['day', 'not night'],
      ['play', 'to have fun'],
      ['clay', 'you make pots of it'],
      ['tray', 'you carry cups on it'],
    ],
  },
  {
    title: 'Bridges and forces',
    answerLanguage: 'en',
    promptLanguage: 'en',
    subject: 'Science',
    grade: '6',
    tags: ['forces', 'unit 3'],
    description: 'Questions for the bridge week, in three groups.',
    entries: [
      [
        'arch',
        'Which curved shape carries weight to its ends?',
        {
          groups: ['Shapes'],
          choices: wrong('beam', 'cable', 'deck'),
          worth: 10,
          fact: 'The oldest stone arch bridge still in use is over two thousand years old.',
        },
      ],
      [
        'beam',
        'What is the plainest bridge, one straight piece across a gap?',
        { groups: ['Shapes'], choices: wrong('arch', 'truss', 'tower'), worth: 10 },
      ],
      [
        'truss',
        'What is a frame of triangles called?',
        { groups: ['Shapes'], choices: wrong('arch', 'pier', 'span'), worth: 20, hint: 'Triangles keep their shape.' },
      ],
      [
        'cable',
        'What hangs between towers and holds up the road?',
        { groups: ['Parts'], choices: wrong('girder', 'pier', 'beam'), worth: 10 },
      ],
      [
        'pier',
        'What is a pillar that stands in the water?',
        { groups: ['Parts'], choices: wrong('anchor', 'deck', 'girder'), worth: 10 },
      ],
      [
        'girder',
        'What is a strong steel beam?',
        { groups: ['Parts'], choices: wrong('cable', 'arch', 'pier'), worth: 20 },
      ],
      [
        'anchor',
        'What keeps the end of a cable in place?',
        { groups: ['Parts'], choices: wrong('span', 'truss', 'load'), worth: 20, accepted: ['anchorage'] },
      ],
      [
        'span',
        'What is the distance between two supports?',
        { groups: ['Parts'], choices: wrong('load', 'deck', 'pier'), worth: 20 },
      ],
      [
        'tension',
        'What is the pull inside a stretched rope?',
        { groups: ['Forces'], choices: wrong('compression', 'torsion', 'load'), worth: 10 },
      ],
      [
        'compression',
        'What is the squeeze inside a loaded pillar?',
        { groups: ['Forces'], choices: wrong('tension', 'torsion', 'span'), worth: 10 },
      ],
      [
        'load',
        'What is all the weight that a bridge carries?',
        { groups: ['Forces'], choices: wrong('tension', 'girder', 'truss'), worth: 20 },
      ],
      [
        'torsion',
        'What does twisting do to a deck?',
        { groups: ['Forces'], choices: wrong('tension', 'compression', 'load'), worth: 30, hint: 'Wring out a towel.' },
      ],
    ],
  },
  {
    title: 'In the kitchen',
    answerLanguage: 'pt',
    promptLanguage: 'en',
    entries: [
      ['colher', 'spoon'],
      ['garfo', 'fork'],
      ['faca', 'knife'],
      ['frigideira', 'frying pan'],
      ['fogão', 'stove'],
      ['geladeira', 'fridge'],
      ['xícara', 'cup'],
      ['prato', 'plate'],
      ['guardanapo', 'napkin'],
      ['açúcar', 'sugar'],
      ['limão', 'lime'],
      ['feijão', 'beans'],
    ],
  },
  {
    title: 'Instruments of the orchestra',
    answerLanguage: 'en',
    promptLanguage: 'en',
    subject: 'Music',
    grade: 'Year 8',
    tags: ['orchestra'],
    entries: [
      ['violin', 'the smallest of the strings', { draws: 'violin', standards: ['HQ.MU.1'] }],
      ['viola', 'a fifth below the violin', { standards: ['HQ.MU.1'] }],
      ['cello', 'held between the knees', { standards: ['HQ.MU.1'] }],
      ['double bass', 'the lowest of the strings', { standards: ['HQ.MU.1'] }],
      ['flute', 'a woodwind without a reed', { draws: 'flute', standards: ['HQ.MU.2'] }],
      ['oboe', 'it gives the others their A', { standards: ['HQ.MU.2'] }],
      ['clarinet', 'one reed, from France to jazz', { draws: 'clarinet', standards: ['HQ.MU.2'] }],
      ['bassoon', 'the low double reed', { draws: 'bassoon', standards: ['HQ.MU.2'] }],
      ['horn', 'four metres of coiled brass', { draws: 'french-horn', standards: ['HQ.MU.3'] }],
      ['trumpet', 'the highest of the brass', { draws: 'trumpet', standards: ['HQ.MU.3'] }],
      ['trombone', 'it has a slide', { draws: 'trombone', standards: ['HQ.MU.3'] }],
      ['tuba', 'the lowest of the brass', { draws: 'tuba', standards: ['HQ.MU.3'] }],
      ['timpani', 'drums with a tuned pitch', { standards: ['HQ.MU.4'] }],
      ['harp', 'forty-seven strings to pluck', { draws: 'harp', standards: ['HQ.MU.1'] }],
    ],
  },
  {
    title: 'The beehive',
    answerLanguage: 'en',
    promptLanguage: 'en',
    subject: 'Science',
    grade: 'Year 5',
    tags: ['bees'],
    entries: [
      ['smoker', 'calms the bees with cool smoke', { groups: ['Gear'] }],
      ['drone', 'a male bee; it has no sting', { groups: ['Bees'] }],
      ['brood', 'eggs, larvae and pupae together', { groups: ['Bees'] }],
      ['nectar', 'what bees gather to make honey', { groups: ['Made or gathered'] }],
      ['propolis', 'resin glue that seals the hive', { groups: ['Made or gathered'] }],
      ['veil', 'net that guards the keeper’s face', { groups: ['Gear'] }],
      ['swarm', 'a colony leaving with its queen', { groups: ['Bees'] }],
      ['pollen', 'the bees’ protein, carried on the legs', { groups: ['Made or gathered'] }],
      ['comb', 'six-sided cells built of wax', { groups: ['Made or gathered'] }],
      ['super', 'box added on top for honey', { groups: ['Gear'] }],
    ],
  },
]

/** Students of "Beekeepers 5", how many words each has found, and whether one was asked for. All made up. */
export const SAMPLE_STUDENTS: readonly { name: string; finds: number; hints: number; stops?: boolean }[] = [
  { name: 'Ama', finds: 10, hints: 0 },
  { name: 'Bruno', finds: 10, hints: 2 },
  { name: 'Chiyo', finds: 9, hints: 1, stops: true },
  { name: 'Dario', finds: 7, hints: 0 },
  { name: 'Elif', finds: 10, hints: 1 },
  { name: 'Femi', finds: 6, hints: 3, stops: true },
  { name: 'Greta', finds: 8, hints: 0 },
  { name: 'Hugo', finds: 3, hints: 0 },
]

/** Students of a finished live session: the questions that each missed, and how long each took for one, in seconds. */
export const LIVE_STUDENTS: readonly {
  name: string
  missed: readonly number[]
  pace: number
  look: { fur: number; hat: number; thing: number }
}[] = [
  { name: 'Ama', missed: [], pace: 6, look: { fur: 0, hat: 4, thing: 5 } },
  { name: 'Elif', missed: [3], pace: 5, look: { fur: 2, hat: 2, thing: 1 } },
  { name: 'Bruno', missed: [3, 7], pace: 7, look: { fur: 1, hat: 3, thing: 3 } },
  { name: 'Chiyo', missed: [1, 3], pace: 8, look: { fur: 4, hat: 7, thing: 6 } },
  { name: 'Femi', missed: [3, 5, 7], pace: 6, look: { fur: 3, hat: 5, thing: 2 } },
  { name: 'Dario', missed: [1, 3, 5, 8], pace: 10, look: { fur: 5, hat: 0, thing: 4 } },
  { name: 'Greta', missed: [0, 3, 5, 6], pace: 9, look: { fur: 2, hat: 6, thing: 7 } },
  { name: 'Hugo', missed: [0, 1, 3, 5, 7, 9], pace: 12, look: { fur: 0, hat: 1, thing: 0 } },
]

/** The classes of the school; one has a term of work behind it. */
export const SAMPLE_CLASSES: readonly {
  name: string
  grade: string
  year: string
  language: string
  secret: 'pictures' | 'word'
  students: readonly string[]
  hasTerm?: boolean
}[] = [
  {
    name: 'Beekeepers 5',
    grade: 'Year 5',
    year: '2026/27',
    language: 'en',
    secret: 'pictures',
    students: ['Ama', 'Bruno', 'Chiyo', 'Dario', 'Elif', 'Femi', 'Greta', 'Hugo'],
  },
  {
    name: 'Orchestra 8',
    grade: 'Year 8',
    year: '2026/27',
    language: 'en',
    secret: 'word',
    students: [
      'Ilse Brandt',
      'Jonas Okoye',
      'Kofi Adler',
      'Lena Marsh',
      'Milo Serrano',
      'Noor Haddad',
      'Oskar Lind',
      'Pia Quist',
    ],
    hasTerm: true,
  },
  {
    name: 'Evening Portuguese',
    grade: '',
    year: '',
    language: '',
    secret: 'word',
    students: ['Rita', 'Sven', 'Tomas', 'Uma'],
  },
  {
    name: 'First readers 1',
    grade: 'Year 1',
    year: '2026/27',
    language: 'en',
    secret: 'pictures',
    students: ['Vito', 'Wanda', 'Xenia', 'Yusuf', 'Zola'],
  },
]

/** What the standards of the school mean; made up, as the school is. */
export const SAMPLE_STANDARDS = [
  { code: 'HQ.MU.1', label: 'Names the strings of an orchestra' },
  { code: 'HQ.MU.2', label: 'Names the woodwind of an orchestra' },
  { code: 'HQ.MU.3', label: 'Names the brass of an orchestra' },
  { code: 'HQ.MU.4', label: 'Names drums with a tuned pitch' },
]
