/** What a column of a table can hold. A field may have several columns where an entry has several of it. */
export const FIELDS = [
  'answer',
  'prompt',
  'accepted',
  'choice',
  'wrong',
  'right',
  'hint',
  'fact',
  'group',
  'worth',
  'seconds',
  'scored',
  'standard',
  'skip',
] as const
export type Field = (typeof FIELDS)[number]

/**
 * What files call a field, in the languages of the interface and a few more. The first name is the one that is written.
 */
const NAMES: Record<Exclude<Field, 'skip'>, string> = {
  answer: `answer|answers|word|words|term|terms|vocabulary|front|correct|correct answer|right answer|solution|spanish|french|german|portuguese|hebrew|arabic|chinese|italian|russian
    |palabra|palabras|término|respuesta|español|mot|mots|terme|réponse|français|wort|begriff|antwort|lösung|deutsch|palavra|resposta|português|מילה|מילים|מושג|תשובה|עברית`,
  prompt: `prompt|prompts|clue|clues|definition|definitions|question|questions|meaning|translation|back|english|description
    |definición|pregunta|pista|significado|traducción|inglés|définition|question|traduction|anglais|bedeutung|frage|übersetzung|englisch|pergunta|definição|tradução|inglês|הגדרה|שאלה|תרגום|אנגלית`,
  accepted:
    'accepted|also accepted|other spellings|synonym|synonyms|alternative|alternatives|aceptadas|sinónimos|acceptées|synonymes|synonyme|aceitas|sinônimos|גם נכון',
  wrong:
    'wrong choice|wrong choices|wrong answer|wrong answers|wrong|incorrect|incorrect answer|distractor|distractors|opción incorrecta|incorrecta|mauvais choix|mauvaise réponse|falsche antwort|falsch|errada|שגוי',
  choice:
    'choice|choices|option|options|possible answer|answer option|opción|opciones|choix|proposition|auswahl|antwortmöglichkeit|opção|אפשרות|אפשרויות',
  right: 'right choice|right choices|also right',
  hint: 'hint|hints|pista adicional|indice|hinweis|tipp|dica|רמז',
  fact: 'fact|facts|explanation|feedback|dato|explicación|explication|erklärung|fato|explicação|הסבר',
  group:
    'group|groups|category|categories|topic|unit|grupo|categoría|tema|unidad|groupe|catégorie|thème|gruppe|kategorie|thema|categoria|קבוצה|נושא',
  worth: 'worth|points|point|value|puntos|punkte|pontos|נקודות',
  seconds: 'seconds|time|time limit|segundos|tiempo|secondes|temps|sekunden|zeit|tempo|שניות',
  scored: 'scored|counts|puntúa|compté|gewertet',
  standard: 'standard|standards|estándar|norme|kompetenz|padrão',
}
const FIELD_OF = new Map<string, Field>()
for (const [field, names] of Object.entries(NAMES))
  for (const name of names.split('|')) if (!FIELD_OF.has(name.trim())) FIELD_OF.set(name.trim(), field as Field)

/** Returns the field that a heading names; "Wrong choice 2" is a wrong choice, and "Option B" a choice. */
export function fieldNamed(heading: string): Field | undefined {
  const name = heading.trim().toLowerCase()
  const plain = FIELD_OF.get(name) ?? FIELD_OF.get(name.replace(/[\s_:#-]*\d+$/u, ''))
  if (plain !== undefined) return plain
  const lettered = FIELD_OF.get(name.replace(/[\s_:#-]+[a-h]$/u, ''))
  return lettered !== undefined && NUMBERED.has(lettered) ? lettered : undefined
}

/** Returns the fields that headings name; letters in their order, A, B, C …, head choices. */
export function fieldsNamed(headings: readonly string[]): (Field | undefined)[] {
  const lettered = lettersIn(headings)
  return headings.map((heading) => (lettered.has(plainLetter(heading)) ? 'choice' : fieldNamed(heading)))
}

/** Returns the letters that head choices: from A on, two of them at least. */
function lettersIn(headings: readonly string[]): ReadonlySet<string> {
  const there = new Set(headings.map(plainLetter))
  const letters: string[] = []
  for (const letter of 'abcdefgh') {
    if (!there.has(letter)) break
    letters.push(letter)
  }
  return new Set(letters.length >= 2 ? letters : [])
}

function plainLetter(heading: string): string {
  return heading
    .trim()
    .toLowerCase()
    .replace(/[.):]$/u, '')
}

/** Returns what the column of a field is headed when it is written. */
export function headingOf(field: Exclude<Field, 'skip'>): string {
  const name = NAMES[field].slice(0, NAMES[field].indexOf('|'))
  return name[0]!.toUpperCase() + name.slice(1)
}

/** Fields that a file writes in several numbered columns. */
const NUMBERED = new Set<Field | undefined>(['accepted', 'choice', 'wrong', 'right'])

/**
 * Tells whether a row looks like headings: at least two known ones, or a known one alone, and nothing else that is
 * long.
 */
export function looksLikeHeader(cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell !== '')
  const exact = filled.filter((cell) => FIELD_OF.has(cell.toLowerCase())).length
  const lettered = lettersIn(filled)
  const known = filled.filter(
    (cell) => FIELD_OF.has(cell.toLowerCase()) || NUMBERED.has(fieldNamed(cell)) || lettered.has(plainLetter(cell)),
  ).length
  return filled.length === 1 ? exact === 1 : exact >= 1 && known >= 2 && known * 2 >= filled.length
}
