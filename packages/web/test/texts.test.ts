import { readdirSync, readFileSync } from 'node:fs'
import { LANGUAGE_CODES } from '@otter/api'
import { GAME_KINDS, gameOf } from '@otter/core'
import { expect } from 'chai'

const root = new URL('../../', import.meta.url)
type Messages = { [key: string]: string | Messages }

/** Returns the messages of a file by their keys, with dots between groups. */
function flat(messages: Messages, before = ''): [string, string][] {
  return Object.entries(messages).flatMap(([key, message]) =>
    typeof message === 'string' ? [[before + key, message] as [string, string]] : flat(message, `${before}${key}.`),
  )
}

function read(path: string): Map<string, string> {
  return new Map(flat(JSON.parse(readFileSync(new URL(path, root), 'utf8')) as Messages))
}

/** Every message file, as what stands in it for each language. */
const FILES: [name: string, path: (language: string) => string][] = [
  ...['web/src/texts', 'api/src/texts'].flatMap((folder) =>
    readdirSync(new URL(`${folder}/en`, root)).map((file): [string, (language: string) => string] => [
      file,
      (language) => `${folder}/${language}/${file}`,
    ]),
  ),
  ...GAME_KINDS.map((kind): [string, (language: string) => string] => [
    `${kind}.json`,
    (language) => `web/src/games/${kind}/texts/${language}.json`,
  ]),
]

const PLURAL = /_(zero|one|two|few|many|other)$/u
const stem = (key: string): string => key.replace(PLURAL, '')
/** Forms that numbers of a classroom take in a language: no list is counted in millions. */
const formsOf = (language: string): string[] => {
  const rules = new Intl.PluralRules(language)
  return [...new Set(Array.from({ length: 201 }, (_, count) => rules.select(count)))].sort()
}
const marksOf = (message: string): string[] => [...message.matchAll(/\{\{[^}]*\}\}|<\/?\w+>/gu)].map(String).sort()

describe('Texts', () => {
  for (const [name, path] of FILES) {
    it(`say the same in every language: ${name}`, () => {
      const english = read(path('en'))
      const stems = [...new Set([...english.keys()].map(stem))].sort()
      for (const language of LANGUAGE_CODES) {
        const messages = read(path(language))
        expect([...new Set([...messages.keys()].map(stem))].sort(), language).to.deep.equal(stems)
        for (const [key, message] of messages) {
          expect(message.trim(), `${language} ${key}`).not.to.equal('')
          // A form for one or two may do without the number.
          const own = marksOf(message).filter((mark) => mark !== '{{count}}')
          const other = english.get(key) ?? english.get(`${stem(key)}_other`) ?? ''
          expect(own, `${language} ${key}`).to.deep.equal(marksOf(other).filter((mark) => mark !== '{{count}}'))
        }
        for (const one of stems) {
          const forms = [...messages.keys()].filter((key) => PLURAL.test(key) && stem(key) === one)
          if (forms.length > 0)
            expect(forms.map((key) => key.slice(one.length + 1)).sort(), `${language} ${one}`).to.deep.equal(
              formsOf(language),
            )
        }
      }
    })
  }

  it('word every note of every game, and all that a play can be doing', () => {
    for (const kind of GAME_KINDS) {
      const { notes, doings } = gameOf(kind)
      const stems = new Set([...read(`web/src/games/${kind}/texts/en.json`).keys()].map(stem))
      const wanted = ['name', 'facts', ...notes.map((code) => `note.${code}`), ...doings.map((code) => `doing.${code}`)]
      expect([...stems], kind).to.include.members(wanted)
      expect(
        [...stems].filter((key) => /^(note|doing)\./u.test(key) && !wanted.includes(key)),
        `${kind}: nothing is worded that is never said`,
      ).to.deep.equal([])
    }
  })

  it('call games the same on a student’s page as in the games', () => {
    for (const language of LANGUAGE_CODES) {
      const student = read(`web/src/texts/${language}/student.json`)
      for (const kind of GAME_KINDS)
        expect(student.get(`kind.${kind}`), `${language} ${kind}`).to.equal(
          read(`web/src/games/${kind}/texts/${language}.json`).get('name'),
        )
    }
  })

  it('give plurals a number to go by', () => {
    for (const [name, path] of FILES)
      for (const [key, message] of read(path('en')))
        if (key.endsWith('_other')) expect(message, `${name} ${key}`).to.match(/\{\{count\}\}|\{\{words\}\}/u)
  })
})
