import { LANGUAGES, type Language } from '@otter/api'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useKnowledge } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { isRightToLeft, useTextsIn, useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** As much as fits one page of paper. */
const MOST_WORDS = 30
const MOST_WORK = 10

/** One page about a student for a family, in the family's language. */
export function FamilyPage() {
  const t = useTexts(reportTexts)
  const { id = '', studentId = '' } = useParams()
  const knowledge = useKnowledge({ classId: id, studentId })
  const [chosen, setChosen] = useState<Language>()
  const own = knowledge.data?.language.slice(0, 2) ?? ''
  const language = chosen ?? (own in LANGUAGES ? (own as Language) : 'en')
  return (
    <main className="mx-auto flex max-w-[21cm] flex-col gap-4 px-4 py-6 print:max-w-none print:p-0">
      <h1 className="sr-only">{t('student.family')}</h1>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <label className="me-auto flex flex-col">
          <span className="quiet text-sm">{t('family.language')}</span>
          <select
            className="select h-11 w-auto"
            value={language}
            onChange={(event) => setChosen(event.target.value as Language)}
          >
            {Object.entries(LANGUAGES).map(([code, name]) => (
              <option key={code} value={code} lang={code}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn btn-primary h-11" onClick={() => window.print()}>
          {t('family.print')}
        </button>
        <Link className="btn h-11" to={`/classes/${id}/students/${studentId}`}>
          {t('student.back', { name: knowledge.data?.name ?? '' })}
        </Link>
      </div>
      <Notice error={knowledge.error} />
      {knowledge.data && <Paper knowledge={knowledge.data} language={language} />}
    </main>
  )
}

function Paper({
  knowledge: { name, className, entries, work },
  language,
}: {
  knowledge: NonNullable<ReturnType<typeof useKnowledge>['data']>
  language: Language
}) {
  const t = useTextsIn(reportTexts, language)
  const [today] = useState(() => new Date())
  const well = entries.filter(({ word, text }) => word === 'well' && text !== '').reverse()
  const again = entries.filter(({ word, text }) => word !== 'well' && text !== '')
  return (
    <article
      lang={language}
      dir={isRightToLeft(language) ? 'rtl' : 'ltr'}
      className="panel flex flex-col gap-4 p-8 print:border-0 print:p-0"
    >
      <header>
        <h2 className="text-4xl">{t('family.title', { name })}</h2>
        <p className="quiet">
          {t('family.class', {
            name: className,
            when: new Intl.DateTimeFormat(language, { dateStyle: 'long' }).format(today),
          })}
        </p>
      </header>
      <p>{t('family.intro', { name })}</p>
      <Words title={t('family.well', { name })} words={well.map(({ text }) => text)} />
      <Words title={t('family.again')} words={again.map(({ text }) => text)} />
      {work.length > 0 && (
        <section>
          <h3 className="text-xl">{t('family.work')}</h3>
          <ul>
            {work.slice(0, MOST_WORK).map(({ offerId, title, at, share }) => (
              <li key={offerId} className="flex gap-3 border-b border-base-300 py-1">
                <bdi className="me-auto">{title}</bdi>
                <span className="quiet">
                  {new Intl.DateTimeFormat(language, { day: 'numeric', month: 'short' }).format(new Date(at))}
                </span>
                <span className="w-28 text-end">
                  {share === null ? t('family.self') : t('family.share', { share: Math.round(share * 100) })}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {again.length > 0 && <p>{t('family.home')}</p>}
      <p className="quiet text-sm">{t('family.from', { name: className })}</p>
    </article>
  )
}

function Words({ title, words }: { title: string; words: readonly string[] }) {
  if (words.length === 0) return null
  return (
    <section>
      <h3 className="text-xl">{title}</h3>
      <ul className="flex flex-wrap gap-x-4">
        {words.slice(0, MOST_WORDS).map((word) => (
          <li key={word}>
            <bdi>{word}</bdi>
          </li>
        ))}
      </ul>
    </section>
  )
}
