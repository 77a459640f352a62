import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useGiven, useTakeCopy } from '../../api/copies.ts'
import { shareTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'

/** A list that a colleague gives, to take a copy of. */
export function CopyPage() {
  const t = useTexts(shareTexts)
  const { code = '' } = useParams()
  const navigate = useNavigate()
  const given = useGiven(code)
  const take = useTakeCopy(code)
  // Sent again, since its reply was lost, it is one copy.
  const [id] = useState(newId)
  return (
    <main className="mx-auto flex max-w-[70ch] flex-col gap-4 px-4 py-6">
      <Notice error={given.error ?? take.error} />
      {given.data && (
        <section className="panel flex flex-col gap-2 p-5">
          <p className="quiet">{t('give.from', { teacher: given.data.teacher })}</p>
          <h1 className="text-3xl" dir="auto">
            {given.data.title}
          </h1>
          <p>{t('give.entries', { count: given.data.entries })}</p>
          {given.data.work > 0 && <p>{t('give.work', { count: given.data.work })}</p>}
          <button
            type="button"
            className="btn btn-primary h-12 self-start"
            disabled={take.isPending}
            onClick={() => take.mutate(id, { onSuccess: () => void navigate(`/lists/${id}`) })}
          >
            {t('give.take')}
          </button>
        </section>
      )}
    </main>
  )
}
