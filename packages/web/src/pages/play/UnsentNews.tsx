import { unsentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import type { PlayState } from './usePlay.ts'
import { useProblemText } from './useProblemText.ts'

/** Says which answers of this device the server has not got, whatever the page shows: nothing is lost in silence. */
export function UnsentNews({ state: { held, aside, problem } }: { state: PlayState }) {
  const t = useTexts(unsentTexts)
  const problemText = useProblemText()
  const code = problem?.code
  const why = code === 'not-yet' || code === 'waits' ? t(code) : problem && problemText(problem)
  return (
    <>
      {held > 0 && (
        <p role="status" className="panel border-warning p-2 text-sm">
          {why} {t('held', { count: held })}
        </p>
      )}
      {aside > 0 && (
        <p role="alert" className="panel border-error p-2 text-sm">
          {t('setAside', { count: aside })}
        </p>
      )}
    </>
  )
}
