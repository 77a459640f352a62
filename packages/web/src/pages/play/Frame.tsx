import { directionOf } from '@otter/core'
import { LANGUAGES, type Language } from '@otter/api'
import type { ReactNode } from 'react'
import { playTexts } from '../../texts/namespaces.ts'
import { changeLanguage, useTexts, useWriting } from '../../texts/texts.ts'
import { Otter, OtterAfloat } from '../../ui/Otter.tsx'

/** The frame of every student's page: the title, and the language to read it in. */
export function Frame({ title, children }: { title?: string; children: ReactNode }) {
  const t = useTexts(playTexts)
  const { language } = useWriting()
  return (
    <div className="mx-auto flex min-h-dvh max-w-2xl flex-col gap-3 px-3 pb-6 pt-2 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-2">
        <Otter size={30} />
        <h1
          className="min-w-0 grow basis-24 truncate text-xl"
          dir={title === undefined ? undefined : directionOf(title)}
        >
          {title || 'Jolly Otter'}
        </h1>
        <select
          className="select select-ghost h-11 w-auto"
          aria-label={t('language')}
          value={language}
          onChange={(event) => void changeLanguage(event.target.value as Language)}
        >
          {Object.entries(LANGUAGES).map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </header>
      <main className="student flex flex-1 flex-col gap-3">{children}</main>
    </div>
  )
}

/** A page with nothing to do on it: the otter, and a sentence. */
export function Rest({ children }: { children: ReactNode }) {
  return (
    <div className="mt-8 flex flex-col items-center gap-6 text-center text-lg">
      <OtterAfloat />
      <p>{children}</p>
    </div>
  )
}
