import type { HostState } from '@otter/api'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { usePlayMissed } from '../../api/live.ts'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { ClassNow } from './ClassNow.tsx'
import { StudentTable } from './StudentTable.tsx'

/** A session that is over: how it went, and the way on to its report. */
export function Over({ state }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { title, kind, way, facts, id, listId, students } = state
  const again = usePlayMissed(id)
  const navigate = useNavigate()
  const [requestId] = useState(newId)
  const playing = students.filter(({ removed, waits, begun }) => !removed && !waits && begun)
  const right = playing.reduce((sum, student) => sum + student.right, 0)
  const total = playing.reduce((sum, student) => sum + student.total, 0)
  return (
    <>
      <header className="flex flex-wrap items-start justify-between gap-3">
        <div className="min-w-0">
          <h1 className="text-3xl" dir="auto">
            {title || common('untitled')}
          </h1>
          <p className="quiet">
            {t(`ways.${way}`)} · {words.name(kind)} · {t(`over.endedBy.${facts.endedBy ?? 'host'}`)}
          </p>
          <p>{t('over.facts', { count: playing.length, right, total })}</p>
        </div>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn"
            disabled={again.isPending}
            onClick={() =>
              again.mutate(
                { title: t('over.missedTitle', { title: title || common('untitled') }), requestId },
                { onSuccess: (offer) => void navigate(`/live/${offer.id}`) },
              )
            }
          >
            {t('over.missed')}
          </button>
          <a className="btn" href={`/live/${id}/wall`} target="_blank" rel="noreferrer">
            {t('running.wall')}
          </a>
          {listId !== null && (
            <Link className="btn btn-primary" to={`/lists/${listId}/results?link=${id}`}>
              {t('over.report')}
            </Link>
          )}
        </div>
      </header>
      <Notice error={again.error} />
      <p role="status" className="panel p-3">
        {t('over.saved')}
      </p>
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <StudentTable state={state} />
        <ClassNow questions={state.questions} />
      </div>
    </>
  )
}
