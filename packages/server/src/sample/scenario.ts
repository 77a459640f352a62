/** Lists of the made-up Harlow Quay School: answer and prompt of each entry. */
export const SAMPLE_LISTS: readonly { title: string; answerLanguage: string; promptLanguage: string; entries: readonly (readonly [string, string])[] }[] = [
  {
    title: 'Market day', answerLanguage: 'he', promptLanguage: 'en',
    entries: [['תפוח', 'apple'], ['לחם', 'bread'], ['גבינה', 'cheese'], ['עגבנייה', 'tomato'], ['מלפפון', 'cucumber'], ['דבש', 'honey'], ['זיתים', 'olives'], ['תמרים', 'dates'], ['ביצה', 'egg'], ['חלב', 'milk'], ['רימון', 'pomegranate'], ['אבטיח', 'watermelon']],
  },
  {
    title: 'ai and ay words', answerLanguage: 'en', promptLanguage: 'en',
    entries: [['rain', 'it falls from clouds'], ['train', 'it runs on rails'], ['snail', 'it carries its home'], ['paint', 'colour for a wall'], ['day', 'not night'], ['play', 'to have fun'], ['clay', 'you make pots of it'], ['tray', 'you carry cups on it']],
  },
  {
    title: 'Bridges and forces', answerLanguage: 'en', promptLanguage: 'en',
    entries: [['arch', 'a curved shape that carries weight to its ends'], ['beam', 'the plainest bridge: one straight piece across a gap'], ['cable', 'hangs between towers and holds up the road'], ['pier', 'a pillar that stands in the water'], ['tension', 'the pull inside a stretched rope'], ['compression', 'the squeeze inside a loaded pillar'], ['girder', 'a strong steel beam'], ['span', 'the distance between two supports'], ['truss', 'a frame of triangles'], ['load', 'all the weight that a bridge carries'], ['anchor', 'what keeps the end of a cable in place'], ['torsion', 'what twisting does to a deck']],
  },
  {
    title: 'In the kitchen', answerLanguage: 'pt', promptLanguage: 'en',
    entries: [['colher', 'spoon'], ['garfo', 'fork'], ['faca', 'knife'], ['frigideira', 'frying pan'], ['fogão', 'stove'], ['geladeira', 'fridge'], ['xícara', 'cup'], ['prato', 'plate'], ['guardanapo', 'napkin'], ['açúcar', 'sugar'], ['limão', 'lime'], ['feijão', 'beans']],
  },
  {
    title: 'Instruments of the orchestra', answerLanguage: 'en', promptLanguage: 'en',
    entries: [['violin', 'the smallest of the strings'], ['viola', 'a fifth below the violin'], ['cello', 'held between the knees'], ['double bass', 'the lowest of the strings'], ['flute', 'a woodwind without a reed'], ['oboe', 'it gives the others their A'], ['clarinet', 'one reed, from France to jazz'], ['bassoon', 'the low double reed'], ['horn', 'four metres of coiled brass'], ['trumpet', 'the highest of the brass'], ['trombone', 'it has a slide'], ['tuba', 'the lowest of the brass'], ['timpani', 'drums with a tuned pitch'], ['harp', 'forty-seven strings to pluck']],
  },
  {
    title: 'The beehive', answerLanguage: 'en', promptLanguage: 'en',
    entries: [['smoker', 'calms the bees with cool smoke'], ['drone', 'a male bee; it has no sting'], ['brood', 'eggs, larvae and pupae together'], ['nectar', 'what bees gather to make honey'], ['propolis', 'resin glue that seals the hive'], ['veil', 'net that guards the keeper’s face'], ['swarm', 'a colony leaving with its queen'], ['pollen', 'the bees’ protein, carried on the legs'], ['comb', 'six-sided cells built of wax'], ['super', 'box added on top for honey']],
  },
]

/** Students of "Beekeepers 5", how many words each has found, and whether one was asked for. All made up. */
export const SAMPLE_STUDENTS: readonly { name: string; finds: number; hints: number; stops?: boolean }[] = [
  { name: 'Ama', finds: 10, hints: 0 }, { name: 'Bruno', finds: 10, hints: 2 }, { name: 'Chiyo', finds: 9, hints: 1, stops: true }, { name: 'Dario', finds: 7, hints: 0 },
  { name: 'Elif', finds: 10, hints: 1 }, { name: 'Femi', finds: 6, hints: 3, stops: true }, { name: 'Greta', finds: 8, hints: 0 }, { name: 'Hugo', finds: 3, hints: 0 },
]
