import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { OtterAfloat } from '../../ui/Otter.tsx'

/** What stands on a student's screen where drawing it failed: nothing that was sent is lost. */
export function PlayFailed() {
  const t = useTexts(playTexts)
  return (
    <main className="mx-auto mt-16 flex max-w-lg flex-col items-center gap-6 p-4 text-center text-lg">
      <OtterAfloat />
      <p role="alert">{t('failed')}</p>
      <button type="button" className="btn btn-primary h-12" onClick={() => location.reload()}>
        {t('tryAgain')}
      </button>
    </main>
  )
}
