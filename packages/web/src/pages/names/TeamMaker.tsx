import type { RosterReply } from '@otter/api'
import { MOST_TEAMS } from '@otter/core'
import { Dices, Printer } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { useRosterKnowledge } from '../../api/rosters.ts'
import { namesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { numbers } from '../../ui/numbers.ts'
import { openWorker, type WorkerClient } from '../../ui/openWorker.ts'
import { MadeTeams } from './MadeTeams.tsx'
import type { TeamsAnswer, TeamsRequest } from './teams.worker.ts'
import { Wishes } from './Wishes.tsx'

/** How well somebody does of whom nothing is known: as the middle. */
const UNKNOWN = 0.5
const MOST_IN_TEAM = 12

interface TeamMakerProps {
  roster: RosterReply
  onWishes: (wishes: RosterReply['wishes']) => void
}

/** Teams of those who are here: by number or size, by chance, by results, or mixed by what they miss. */
export function TeamMaker({ roster, onWishes }: TeamMakerProps) {
  const t = useTexts(namesTexts)
  const [by, setBy] = useState<TeamsRequest['by']>('chance')
  const [measure, setMeasure] = useState<'number' | 'size'>('number')
  const [amount, setAmount] = useState(4)
  const [made, setMade] = useState<TeamsAnswer>()
  const knowledge = useRosterKnowledge(roster.id, by !== 'chance')
  const worker = useRef<WorkerClient<TeamsRequest>>(undefined)
  useEffect(() => () => worker.current?.close(), [])
  const here = roster.students.filter(({ absent }) => !absent)
  const count = measure === 'number' ? amount : Math.max(1, Math.round(here.length / amount))
  const most = Math.min(MOST_TEAMS, here.length)
  const isReady = count >= 1 && count <= most && (by === 'chance' || knowledge.data !== undefined)
  const make = (): void => {
    worker.current ??= openWorker<TeamsRequest, TeamsAnswer>(
      () => new Worker(new URL('./teams.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: setMade,
        onDied: () => {
          worker.current = undefined
        },
      },
    )
    const known = new Map(knowledge.data?.students.map((student) => [student.id, student]))
    const ids = new Set(here.map(({ id }) => id))
    worker.current.ask({
      by,
      students: here.map(({ id }) => ({
        id,
        strength: known.get(id)?.strength ?? UNKNOWN,
        missed: known.get(id)?.missed ?? [],
      })),
      count,
      wishes: roster.wishes.filter(({ ids: both }) => both.every((id) => ids.has(id))),
      seed: newId(),
    })
  }
  return (
    <section aria-labelledby="team-maker" className="panel flex flex-col gap-3 p-4">
      <h2 id="team-maker" className="text-2xl">
        {t('teams.title')}
      </h2>
      <div className="grid gap-3 sm:grid-cols-3 print:hidden">
        <Select
          label={t('teams.by')}
          value={by}
          options={(['chance', 'results', 'misses'] as const).map((way) => [way, t(`teams.ways.${way}`)])}
          onChange={setBy}
        />
        <Select
          label={t('teams.measure')}
          value={measure}
          options={(['number', 'size'] as const).map((one) => [one, t(`teams.measures.${one}`)])}
          onChange={setMeasure}
        />
        <Select
          label={t(`teams.measures.${measure}`)}
          value={amount}
          options={numbers(2, measure === 'number' ? MOST_TEAMS : MOST_IN_TEAM)}
          onChange={setAmount}
        />
      </div>
      <Wishes roster={roster} onWishes={onWishes} />
      <Notice error={knowledge.error} />
      {count > most && <p className="quiet">{t('teams.tooMany', { count: most })}</p>}
      <div className="flex flex-wrap gap-2 print:hidden">
        <button type="button" className="btn btn-primary h-12" disabled={!isReady} onClick={make}>
          <Dices size={20} aria-hidden="true" />
          {t('teams.make')}
        </button>
        {made && (
          <button type="button" className="btn h-12" onClick={() => window.print()}>
            <Printer size={18} aria-hidden="true" />
            {t('teams.print')}
          </button>
        )}
      </div>
      {made && <MadeTeams made={made} roster={roster} />}
    </section>
  )
}
