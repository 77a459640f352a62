import { commonTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { OtterAfloat } from '../ui/Otter.tsx'

/** Shown where an address leads nowhere, or a screen failed. */
export function Lost() {
  const t = useTexts(commonTexts)
  return (
    <main className="mx-auto mt-16 flex max-w-lg flex-col items-center gap-5 p-4 text-center">
      <OtterAfloat />
      <h1 className="text-3xl">{t('lost.title')}</h1>
      <p>{t('lost.text')}</p>
      <a className="btn btn-primary" href="/">
        {t('lost.back')}
      </a>
    </main>
  )
}
