import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import type { PlayState } from './usePlay.ts'
import { useProblemText } from './useProblemText.ts'

/** Says which answers of this device the server has not got, whatever the page shows: nothing is lost in silence. */
export function Unsent({ state: { held, aside, problem } }: { state: PlayState }) {
  const t = useTexts(playTexts)
  const problemText = useProblemText()
  return (
    <>
      {held > 0 && (
        <p role="status" className="panel border-warning p-2 text-sm">
          {problem && problemText(problem)} {t('held', { count: held })}
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
