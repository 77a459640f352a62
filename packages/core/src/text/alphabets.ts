/** Letters to fall back on, by script, where a list's own letters can't fill a grid without spelling a word. */
const ALPHABETS: readonly { script: RegExp; letters: string }[] = [
  { script: /\p{Script=Hebrew}/u, letters: 'אבגדהוזחטיכלמנסעפצקרשת' },
  { script: /\p{Script=Arabic}/u, letters: 'ابتثجحخدذرزسشصضطظعغفقكلمنهوي' },
  { script: /\p{Script=Cyrillic}/u, letters: 'абвгдежзийклмнопрстуфхцчшщыэюя' },
  { script: /\p{Script=Greek}/u, letters: 'αβγδεζηθικλμνξοπρστυφχψω' },
  {
    script: /\p{Script=Hiragana}/u,
    letters: 'あいうえおかきくけこさしすせそたちつてとなにぬねのはひふへほまみむめもやゆよらりるれろわ',
  },
  {
    script: /\p{Script=Katakana}/u,
    letters: 'アイウエオカキクケコサシスセソタチツテトナニヌネノハヒフヘホマミムメモヤユヨラリルレロワ',
  },
  { script: /\p{Script=Hangul}/u, letters: '가나다라마바사아자차카타파하고노도로모보소오조초구누두루무부수우주' },
  {
    script: /\p{Script=Han}/u,
    letters: '人口手日月水火山石田土木大小上下天中国学生好友书本车马牛羊鸟鱼花草米风云雨雪电门家白红',
  },
  { script: /\p{Script=Devanagari}/u, letters: 'कखगघचछजटठडतथदधनपफबभमयरलवशसह' },
]
const LATIN = 'abcdefghijklmnopqrstuvwxyz'

/** Returns an alphabet in the script of the given letters: the first script met, Latin where none is known. */
export function alphabetFor(letters: Iterable<string>): string {
  for (const letter of letters) {
    const found = ALPHABETS.find(({ script }) => script.test(letter))
    if (found) return found.letters
    if (/\p{Script=Latin}/u.test(letter)) return LATIN
  }
  return LATIN
}
