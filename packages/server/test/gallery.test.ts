import { expect } from 'chai'
import { openGallery } from '../src/gallery/pictures.ts'
import { searchPictures } from '../src/gallery/search.ts'
import { COMMON_NOUNS } from './commonNouns.ts'

const namesOf = (word: string, language: string, most: number): string[] =>
  searchPictures(word, language, most).map(({ name }) => name)

describe('the picture gallery', () => {
  it('has at least 3,500 pictures, each a drawing with a credit', () => {
    const { pictures, svgOf, creditOf } = openGallery()
    expect(pictures).to.have.length.of.at.least(3500)
    for (const { set, name } of pictures)
      expect(svgOf(set, name), name).to.match(/^<svg [^>]*viewBox="[\d. -]+"[^>]*>.+<\/svg>$/u)
    expect(creditOf('plain')).to.contain('CC BY')
    expect(svgOf('flat', 'toString')).to.equal(undefined)
  })

  it('finds a sensible picture among the first three for at least 90 % of 200 common nouns', () => {
    expect(COMMON_NOUNS).to.have.lengthOf(200)
    const missed = COMMON_NOUNS.filter(
      ({ noun, right }) => !namesOf(noun, 'en', 3).some((name) => right.includes(name)),
    ).map(({ noun }) => noun)
    const missedFirst = COMMON_NOUNS.filter(({ noun, right }) => !right.includes(namesOf(noun, 'en', 1)[0]!)).map(
      ({ noun }) => noun,
    )
    expect(missed, missed.join(', ')).to.have.length.of.at.most(20)
    expect(missedFirst, missedFirst.join(', ')).to.have.length.of.at.most(30)
  })

  it('is searched in the language of the list: words of one meaning find one picture', () => {
    const same: Record<string, Record<string, string>> = {
      dog: { es: 'perro', fr: 'le chien', de: 'Hund', he: 'כלב', zh: '狗' },
      bread: { es: 'pan', fr: 'pain', de: 'Brot', he: 'לחם', zh: '面包' },
      house: { es: 'casas', fr: 'maison', de: 'Häuser', he: 'בית', zh: '房子' },
      grapes: { es: 'las uvas', fr: 'raisins', de: 'Trauben', he: 'ענבים', zh: '葡萄' },
      pencil: { es: 'lápiz', fr: 'crayon', de: 'der Bleistift', he: 'עיפרון', zh: '铅笔' },
      anchor: { es: 'ancla', fr: 'ancre', de: 'Anker', he: 'עוגן', zh: '锚' },
    }
    const missed = Object.entries(same).flatMap(([name, words]) =>
      Object.entries(words)
        .filter(([language, word]) => !namesOf(word, language, 3).includes(name))
        .map(([language, word]) => `${language} ${word}`),
    )
    expect(missed, missed.join(', ')).to.have.length.of.at.most(1)
    expect(namesOf('sail', 'xx', 3)).to.deep.equal(namesOf('sail', 'en', 3))
  })

  it('shows no motif twice, and people last unless the word means them', () => {
    const named = (word: string): string[] => searchPictures(word, 'en', 6).map(({ name }) => name)
    const bass = named('double bass')
    expect(bass.filter((name) => name.includes('bunny-ears')).length).to.be.at.most(1)
    expect(bass[0]).to.equal('guitar-bass-head')
    expect(
      named('dance')
        .slice(0, 3)
        .filter((name) => name.includes('man')),
    ).to.deep.equal([])
    expect(named('swimmer')).to.deep.equal(['person-swimming'])
    expect(named('teacher')[0]).to.equal('teacher')
    for (const { noun } of COMMON_NOUNS) {
      const motifs = searchPictures(noun, 'en', 6)
        .filter(({ set }) => set === 'flat')
        .map(({ name }) => name.replace(/(?:^|-)(?:wo)?man(?=-|$)|(?:^|-)person(?=-|$)/gu, ''))
      expect(new Set(motifs).size, noun).to.equal(motifs.length)
    }
  })

  it('never shows a rude gesture, whatever is asked', () => {
    for (const word of [
      'finger',
      'middle finger',
      'hand',
      'rude',
      'gesture',
      'flip',
      'horns',
      'rock on',
      'ok',
      'dedo',
      'doigt',
      'Mittelfinger',
      'אצבע',
      '中指',
    ]) {
      for (const language of ['en', 'es', 'fr', 'de', 'he', 'zh'])
        expect(namesOf(word, language, 60).join(' ')).not.to.match(
          /middle-finger|sign-of-the-horns|pinching-hand|\bok-hand/u,
        )
    }
  })
})
