import type { HostState } from '@otter/api'
import { helpNotes } from '@otter/core'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { progressOf } from './progress.ts'
import { useNow } from './useNow.ts'

/** Most who are named at once: more would be no help. */
const MOST = 6

/** Who may need help, in words with the reason. */
export function NeedsHelp({ state: { students, facts } }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const now = useNow(facts.now)
  const playing = students.filter(({ removed, waits }) => !removed && !waits)
  const notes = facts.phase === 'running' ? helpNotes(playing.map(progressOf), facts.startedAt ?? now, now) : []
  const nameOf = (id: string): string => playing.find(({ participantId }) => participantId === id)?.name ?? ''
  return (
    <section className={`panel border-s-4 p-4 ${notes.length > 0 ? 'border-s-error!' : ''}`}>
      <h2 className="pb-2 text-xl">{t('needs.title')}</h2>
      {notes.length === 0 && <p className="quiet">{t('needs.none')}</p>}
      <ul className="flex flex-col gap-1">
        {notes.slice(0, MOST).map(({ participantId, reason, count }) => (
          <li key={participantId}>
            <strong>
              <bdi>{nameOf(participantId)}</bdi>
            </strong>{' '}
            <span className="quiet">{t(`needs.${reason}`, { count })}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
