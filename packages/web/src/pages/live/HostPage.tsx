import { useParams } from 'react-router'
import { useHost } from '../../live/useHost.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { Lobby } from './Lobby.tsx'
import { Over } from './Over.tsx'
import { Running } from './Running.tsx'

/** A live session as its teacher sees it: the lobby, then everyone at work, then how it went. */
export function HostPage() {
  const t = useTexts(liveTexts)
  const { id = '' } = useParams()
  const { state, error, connected } = useHost(id)
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-4 px-4 py-5">
      {!state && <Notice error={error} />}
      {!state && !error && <Waterline filled={undefined} label={t('fetching')} />}
      {state && error && !connected && (
        <p role="status" className="panel border-warning p-3">
          {t('running.lost')}
        </p>
      )}
      {state?.facts.phase === 'lobby' && <Lobby state={state} />}
      {(state?.facts.phase === 'running' || state?.facts.phase === 'paused') && <Running state={state} />}
      {state?.facts.phase === 'over' && <Over state={state} />}
    </main>
  )
}
