import type { PractiseReply, StudentHome } from '@otter/api'
import { useState } from 'react'
import { call, type ApiError } from '../../api/client.ts'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** Words of one list that are shown. */
const SHOWN = 6

interface AgainProps {
  again: StudentHome['again']
  onProblem: (problem: ApiError) => void
}

/** What a student did not know at last, by list, and the way to practise it. */
export function Again({ again, onProblem }: AgainProps) {
  const t = useTexts(studentTexts)
  const [busy, setBusy] = useState(false)
  const practise = (listId: string): void => {
    setBusy(true)
    call<PractiseReply>('POST', '/student/practice', { listId }).then(
      ({ code }) => void (location.href = `/p/${code}`),
      (error: unknown) => {
        setBusy(false)
        onProblem(error as ApiError)
      },
    )
  }
  return (
    <section aria-labelledby="again" className="flex flex-col gap-2">
      <h2 id="again" className="text-xl">
        {t('again')}
      </h2>
      <ul className="flex flex-col gap-2">
        {again.map(({ listId, title, words }) => (
          <li key={listId} className="panel flex flex-wrap items-center justify-between gap-2 p-3">
            <div className="min-w-0 flex-1 basis-40">
              <p className="text-lg font-bold" dir="auto">
                {title}
              </p>
              <p>
                <bdi>{words.slice(0, SHOWN).join(' · ')}</bdi>
                {words.length > SHOWN && (
                  <span className="quiet"> {t('moreWords', { count: words.length - SHOWN })}</span>
                )}
              </p>
            </div>
            <button type="button" className="btn h-12" disabled={busy} onClick={() => practise(listId)}>
              {t('practise')}
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
