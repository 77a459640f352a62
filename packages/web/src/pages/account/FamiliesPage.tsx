import { LANGUAGES, type Language } from '@otter/api'
import { accountTexts, commonTexts } from '../../texts/namespaces.ts'
import { changeLanguage, useTexts, useWriting } from '../../texts/texts.ts'

/** What is kept of a child, in plain words for parents. */
export function FamiliesPage() {
  const t = useTexts(accountTexts)
  const common = useTexts(commonTexts)
  const { language } = useWriting()
  return (
    <main className="mx-auto flex min-h-dvh max-w-[70ch] flex-col gap-4 px-4 py-6">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="text-4xl">{t('families.title')}</h1>
          <p className="quiet">{t('families.intro')}</p>
        </div>
        <select
          className="select h-11 w-auto"
          aria-label={common('language')}
          value={language}
          onChange={(event) => void changeLanguage(event.target.value as Language)}
        >
          {Object.entries(LANGUAGES).map(([code, name]) => (
            <option key={code} value={code} lang={code}>
              {name}
            </option>
          ))}
        </select>
      </div>
      <section>
        <h2 className="text-2xl">{t('families.what')}</h2>
        <ul className="list-inside list-disc">
          {(['1', '2', '3', '4', '5'] as const).map((line) => (
            <li key={line}>{t(`families.whatList.${line}`)}</li>
          ))}
        </ul>
      </section>
      <section>
        <h2 className="text-2xl">{t('families.not')}</h2>
        <ul className="list-inside list-disc">
          {(['1', '2', '3'] as const).map((line) => (
            <li key={line}>{t(`families.notList.${line}`)}</li>
          ))}
        </ul>
      </section>
      {(['who', 'long', 'ask'] as const).map((part) => (
        <section key={part}>
          <h2 className="text-2xl">{t(`families.${part}`)}</h2>
          <p>{t(`families.${part}Text`)}</p>
        </section>
      ))}
    </main>
  )
}
