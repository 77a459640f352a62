import type { ResultsReply } from '@otter/api'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useReteach } from '../../api/queries.ts'
import { resultsTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'

/** The way from results to a list of what was missed. */
export function ReteachList({ results: { offer, questions } }: { results: ResultsReply }) {
  const t = useTexts(resultsTexts)
  const navigate = useNavigate()
  const make = useReteach(offer.id)
  const [below, setBelow] = useState(70)
  // Sent again, since its reply was lost, it is one list.
  const [id, setId] = useState(newId)
  const missed = questions.filter(
    ({ counts, right, wrong }) => counts && right + wrong > 0 && right / (right + wrong) < below / 100,
  )
  if (offer.listId === null || questions.every(({ counts }) => !counts)) return null
  return (
    <div className="flex flex-wrap items-end gap-2">
      <label className="flex flex-col">
        <span className="quiet text-sm">{t('reteach.below')}</span>
        <select
          className="select h-11 w-auto"
          value={below}
          onChange={(event) => {
            setBelow(Number(event.target.value))
            setId(newId())
          }}
        >
          {[100, 90, 80, 70, 60, 50].map((share) => (
            <option key={share} value={share}>
              {t('reteach.share', { share })}
            </option>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="btn btn-primary h-11"
        disabled={missed.length === 0 || make.isPending}
        onClick={() =>
          make.mutate(
            { id, title: t('reteach.listTitle', { title: offer.name || offer.title }), below: below / 100 },
            { onSuccess: (made) => void navigate(`/lists/${made.id}`) },
          )
        }
      >
        {t('reteach.make', { count: missed.length })}
      </button>
      <Notice error={make.error} />
    </div>
  )
}
