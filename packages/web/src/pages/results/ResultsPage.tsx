import type { OfferReply } from '@otter/api'
import { Download } from 'lucide-react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useChangeOffer, useList, useOffers, useResults } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'
import { Questions } from './Questions.tsx'
import { Students } from './Students.tsx'
import { commonTexts, resultsTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** What students did, filling in by itself. */
export function ResultsPage() {
  const common = useTexts(commonTexts)
  const t = useTexts(resultsTexts)
  const { id = '' } = useParams()
  const [search, setSearch] = useSearchParams()
  const list = useList(id)
  const offers = useOffers(id)
  const offerId = search.get('link') ?? offers.data?.[0]?.id
  const results = useResults(offerId)
  const change = useChangeOffer()
  const offer = results.data?.offer
  const { language, date } = useWriting()
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <ListHeader
        listId={id}
        step="results"
        title={
          <h1 className="text-4xl along-page" dir="auto">
            {list.data?.title || offer?.title || common('untitled')}
          </h1>
        }
        facts={results.isError ? t('noConnection') : t('fillsIn')}
        action={
          offer && (
            <>
              <button
                type="button"
                className="btn h-11"
                disabled={change.isPending}
                onClick={() => change.mutate({ id: offer.id, open: !offer.open })}
              >
                {offer.open ? t('close') : t('reopen')}
              </button>
              <a className="btn h-11" href={`/api/links/${offer.id}/results.csv?language=${language}`} download>
                <Download size={16} aria-hidden="true" />
                {t('csv')}
              </a>
            </>
          )
        }
      />
      <Notice error={offers.error ?? (results.data ? null : results.error) ?? change.error} />
      {offers.data && offers.data.length > 1 && (
        <label className="flex items-center gap-2">
          {t('link')}
          <select
            className="select select-sm w-auto"
            value={offerId}
            onChange={(event) => setSearch({ link: event.target.value })}
          >
            {offers.data.map((one) => (
              <option key={one.id} value={one.id}>
                {labelOf(one, date(one.createdAt, { dateStyle: 'short' }))}
              </option>
            ))}
          </select>
        </label>
      )}
      {offers.data?.length === 0 && (
        <p className="panel p-6">
          <Rich texts={resultsTexts} id="none" marks={{ go: <Link className="link" to={`/lists/${id}`} /> }} />
        </p>
      )}
      {offerId !== undefined && results.isPending && <Waterline filled={undefined} label={t('fetching')} />}
      {results.data && (
        <div className="grid items-start gap-6 lg:grid-cols-[1.5fr_1fr]">
          <Students results={results.data} />
          <Questions results={results.data} />
        </div>
      )}
    </main>
  )
}

function labelOf({ name, code }: OfferReply, made: string): string {
  return [name, code, made].filter((part) => part !== '').join(', ')
}
