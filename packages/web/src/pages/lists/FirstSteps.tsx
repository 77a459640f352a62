import { ClipboardPaste, CopyPlus, FileUp } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { useCopySample, useSamples } from '../../api/lists.ts'
import { listsTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { OtterAfloat } from '../../ui/Otter.tsx'

/** What an account without a list is greeted by: how a game comes about, and three ways to begin. */
export function FirstSteps({ onFile }: { onFile: () => void }) {
  const t = useTexts(listsTexts)
  const samples = useSamples()
  const copy = useCopySample()
  const navigate = useNavigate()
  return (
    <section aria-labelledby="first" className="panel grid items-center gap-6 p-6 md:grid-cols-[auto_1fr]">
      <OtterAfloat />
      <div className="flex flex-col gap-4">
        <h2 id="first" className="text-2xl">
          {t('first.title')}
        </h2>
        <ol className="ms-5 flex list-decimal flex-col gap-1">
          <li>{t('first.one')}</li>
          <li>{t('first.two')}</li>
          <li>{t('first.three')}</li>
        </ol>
        <div className="flex flex-wrap gap-2">
          <Link to="/start" className="btn btn-primary h-11">
            <ClipboardPaste size={18} aria-hidden="true" />
            {t('first.paste')}
          </Link>
          <button type="button" className="btn h-11" onClick={onFile}>
            <FileUp size={18} aria-hidden="true" />
            {t('first.file')}
          </button>
        </div>
        <Notice error={copy.error ?? samples.error} />
        {samples.data && (
          <>
            <p className="quiet">{t('first.copies')}</p>
            <ul className="flex flex-wrap gap-2">
              {samples.data.map(({ title, entryCount }, place) => (
                <li key={title}>
                  <button
                    type="button"
                    className="btn btn-sm font-normal"
                    disabled={copy.isPending}
                    onClick={() => copy.mutate(place, { onSuccess: ({ id }) => void navigate(`/lists/${id}`) })}
                  >
                    <CopyPlus size={16} aria-hidden="true" />
                    {t('first.copy', { title, count: entryCount })}
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  )
}
