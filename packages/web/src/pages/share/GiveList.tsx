import { useGive, useGiving } from '../../api/copies.ts'
import { shareTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** The way to give a list to colleagues, each of whom takes a copy. */
export function GiveList({ listId }: { listId: string }) {
  const t = useTexts(shareTexts)
  const giving = useGiving(listId)
  const give = useGive(listId)
  if (!giving.data) return null
  const { code, withWork, origin } = giving.data
  return (
    <section aria-labelledby="give" className="panel flex flex-col gap-2 p-5">
      <h2 id="give" className="text-2xl">
        {t('give.title')}
      </h2>
      {origin && <p>{t('give.origin', origin)}</p>}
      <p className="quiet">{t('give.help')}</p>
      <Notice error={give.error} />
      {code === null ? (
        <button
          type="button"
          className="btn h-11 self-start"
          disabled={give.isPending}
          onClick={() => give.mutate(false)}
        >
          {t('give.make')}
        </button>
      ) : (
        <>
          <label className="flex flex-col">
            <span className="quiet text-sm">{t('give.link')}</span>
            <input
              className="input h-11 w-full max-w-lg"
              dir="ltr"
              readOnly
              value={`${location.origin}/copy/${code}`}
              onFocus={(event) => event.currentTarget.select()}
            />
          </label>
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={withWork}
              disabled={give.isPending}
              onChange={(event) => give.mutate(event.target.checked)}
            />
            {t('give.withWork')}
          </label>
          <button
            type="button"
            className="btn h-11 self-start"
            disabled={give.isPending}
            onClick={() => give.mutate(null)}
          >
            {t('give.stop')}
          </button>
        </>
      )}
    </section>
  )
}
