import type { EntryList } from '../src/index.ts'
import { newEntry, randomFrom } from '../src/index.ts'

const ENGLISH =
  `anchor apple apron arrow autumn badge bakery balloon barn basket beach beetle bell bench berry bicycle blanket blossom boat
bonfire bottle branch bread breeze bridge brook brush bucket butter button cabin camel candle canoe canyon carpet carrot castle cattle cave
cellar chain chalk cheese cherry chest chimney circle cliff cloak clock cloud clover coast cobweb coin comet compass copper coral corner cotton
cradle crane creek cricket crown crystal cup curtain daisy dawn desert diamond dinner dolphin donkey dragon drawer drum eagle earth echo elbow
ember engine fabric falcon farmer feather fence fern ferry fiddle field finger flame flute forest fossil fountain fox frost garden garlic gate
ginger glacier glove goat goose grain grape gravel hammer harbour harvest hatch hawk hazel heron hill honey hood horn horse hut iceberg ink
insect island ivory jacket jar jelly jewel jungle kettle kitchen kite kitten ladder lake lamp lantern laundry leaf lemon letter library lily
lion lizard lobster magnet mango maple marble market meadow melon mermaid meteor milk mill minnow mirror mitten moon moss moth mountain mouse
museum mushroom napkin needle nest net nettle noodle oar oasis oats ocean olive onion orange orbit orchard otter oven owl paddle palace palm
paper parrot path peach peanut pebble pencil pepper piano picnic pigeon pillow pine pirate planet plum pocket pond pony poplar potato puddle
pumpkin puppet quarry quilt rabbit raft rain raisin raven reed ribbon rice ridge river robin rocket roof root rope rose ruler saddle sail
salmon sand saucer scarf school season seed shadow shark sheep shell shelter ship shore shovel silk silver sister skate sleigh snail snow
soap sock soup spark sparrow spider spoon spring squirrel stable star station statue stone storm stove straw stream street sugar summer sun
swan sweater table tailor tea temple tent thistle thread thunder tiger timber toast tomato torch tower train treasure tree trumpet tulip
tunnel turkey turnip turtle umbrella valley velvet village violin volcano wagon walnut walrus water weasel well whale wheat wheel whistle
willow window winter wolf wood wool wreath yarn yogurt zebra`.split(/\s+/)

const OTHERS: Record<string, string[]> = {
  he: ['תפוח', 'לחם', 'גבינה', 'עגבנייה', 'מלפפון', 'דבש', 'זיתים', 'תמרים', 'ביצה', 'חלב', 'רימון', 'אבטיח'],
  ar: ['كتاب', 'مدرسة', 'قلم', 'طاولة', 'نافذة', 'شمس', 'قمر', 'بحر', 'جبل', 'زيتون'],
  zh: ['学生', '老师', '苹果', '图书馆', '自行车', '火车站', '天气', '朋友', '电影', '中国菜'],
  pt: ['colher', 'frigideira', 'fogão', 'limão', 'açúcar', 'pão', 'feijão', 'maçã', 'xícara', 'guardanapo'],
  ru: ['молоко', 'хлеб', 'яблоко', 'картошка', 'сыр', 'вода', 'соль', 'сахар', 'ложка', 'вилка'],
}

export type SampleLanguage = 'en' | keyof typeof OTHERS

/** Makes a list of the given answers; the id of each tells its place. */
export function listOf(answers: readonly string[], answerLanguage = 'en'): EntryList {
  const entries = answers.map((text, index) =>
    newEntry({ id: idOf(index), answer: { text }, prompt: { text: `clue ${index}` } }),
  )
  return { title: 'Sample', answerLanguage, promptLanguage: 'en', entries }
}

export function idOf(index: number): string {
  return `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`
}

/** Draws so many words of a language, of at most so many letters. */
export function sampleList(count: number, seed: string, language: SampleLanguage = 'en', longest = 8): EntryList {
  const words = language === 'en' ? ENGLISH : OTHERS[language]!
  return listOf(
    randomFrom(seed)
      .shuffled(words.filter((word) => word.length <= longest))
      .slice(0, count),
    language,
  )
}
