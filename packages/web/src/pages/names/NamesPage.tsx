import type { RosterReply } from '@otter/api'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { useRosterAct, useRosters } from '../../api/rosters.ts'
import { namesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { NameDraw } from './NameDraw.tsx'
import { RosterPanel } from './RosterPanel.tsx'
import { TeamMaker } from './TeamMaker.tsx'

const KEPT = 'otter-roster'

/** Names that a teacher keeps: to draw one fairly, and to make teams of them. */
export function NamesPage() {
  const t = useTexts(namesTexts)
  const rosters = useRosters()
  const act = useRosterAct()
  const [chosen, setChosen] = useState(() => localStorage.getItem(KEPT) ?? '')
  const roster = rosters.data?.find(({ id }) => id === chosen) ?? rosters.data?.[0]
  const choose = (id: string): void => {
    localStorage.setItem(KEPT, id)
    setChosen(id)
  }
  const create = (): void =>
    act.mutate(
      { type: 'create', roster: { name: t('newName'), students: [], wishes: [] } },
      { onSuccess: (made) => made && choose(made.id) },
    )
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-4xl">{t('title')}</h1>
          <p className="quiet">{t('help')}</p>
        </div>
        <div className="flex flex-wrap items-end gap-2">
          {rosters.data && rosters.data.length > 0 && (
            <label className="flex items-center gap-2">
              {t('list')}
              <select
                className="select h-11 w-auto"
                value={roster?.id}
                onChange={(event) => choose(event.target.value)}
              >
                {rosters.data.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <button type="button" className="btn h-11" disabled={act.isPending} onClick={create}>
            <Plus size={18} aria-hidden="true" />
            {t('newList')}
          </button>
        </div>
      </header>
      <Notice error={rosters.error ?? act.error} />
      {rosters.isPending && <Waterline filled={undefined} label={t('fetching')} />}
      {rosters.data?.length === 0 && <p className="panel p-6">{t('none')}</p>}
      {roster && <Roster key={roster.id} roster={roster} />}
    </main>
  )
}

function Roster({ roster }: { roster: RosterReply }) {
  const act = useRosterAct()
  const { name, students, wishes } = roster
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,2fr)]">
      <RosterPanel
        roster={roster}
        onSave={(change, onKept) =>
          act.mutate(
            { type: 'save', id: roster.id, roster: { name, students, wishes, ...change } },
            { onSuccess: () => onKept?.() },
          )
        }
        onDelete={() => act.mutate({ type: 'delete', id: roster.id })}
      />
      <div className="flex flex-col gap-6">
        <Notice error={act.error} />
        <NameDraw
          roster={roster}
          busy={act.isPending}
          onDraw={() => act.mutate({ type: 'draw', id: roster.id, requestId: newId() })}
          onUndraw={() => act.mutate({ type: 'undraw', id: roster.id })}
        />
        <TeamMaker
          roster={roster}
          onWishes={(next) => act.mutate({ type: 'save', id: roster.id, roster: { name, students, wishes: next } })}
        />
      </div>
    </div>
  )
}
