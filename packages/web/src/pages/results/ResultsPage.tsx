import type { OfferReply, ResultsReply } from '@otter/api'
import { Download } from 'lucide-react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useChangeOffer, useList, useOffers, useResults } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'
import { useGameWords } from '../../games/words.ts'
import { Brief } from './Brief.tsx'
import { Questions } from './Questions.tsx'
import { ReteachList } from './ReteachList.tsx'
import { Students } from './Students.tsx'
import { Teams } from './Teams.tsx'
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
            <OfferActions
              offer={offer}
              busy={change.isPending}
              onOpen={(open) => change.mutate({ id: offer.id, open })}
            />
          )
        }
      />
      <Notice error={offers.error ?? (results.data ? null : results.error) ?? change.error} />
      {offers.data && offers.data.length > 1 && (
        <OfferChoice offers={offers.data} chosen={offerId} onChoose={(link) => setSearch({ link })} />
      )}
      {offers.data?.length === 0 && (
        <p className="panel p-6">
          <Rich texts={resultsTexts} id="none" marks={{ go: <Link className="link" to={`/lists/${id}`} /> }} />
        </p>
      )}
      {offerId !== undefined && !results.isLoadingError && <Answers results={results.data} />}
    </main>
  )
}

/** Who answered what, once it is there. */
function Answers({ results }: { results: ResultsReply | undefined }) {
  const t = useTexts(resultsTexts)
  if (!results) return <Waterline filled={undefined} label={t('fetching')} />
  return (
    <>
      {results.offer.teams === null && <Brief results={results} />}
      <div className="grid items-start gap-6 lg:grid-cols-[1.5fr_1fr]">
        {results.offer.teams === null ? <Students results={results} /> : <Teams results={results} />}
        <div className="flex flex-col gap-4">
          <ReteachList results={results} />
          <Questions results={results} />
        </div>
      </div>
    </>
  )
}

function OfferActions({
  offer: { id, open, live, teams },
  busy,
  onOpen,
}: {
  offer: Pick<OfferReply, 'id' | 'open' | 'live' | 'teams'>
  busy: boolean
  onOpen: (open: boolean) => void
}) {
  const t = useTexts(resultsTexts)
  const { language } = useWriting()
  return (
    <>
      {live === null && teams === null && (
        <button type="button" className="btn h-11" disabled={busy} onClick={() => onOpen(!open)}>
          {open ? t('close') : t('reopen')}
        </button>
      )}
      <a className="btn h-11" href={`/api/links/${id}/results.csv?language=${language}`} download>
        <Download size={16} aria-hidden="true" />
        {t('csv')}
      </a>
    </>
  )
}

/** Which of a list's links the results are of. */
function OfferChoice({
  offers,
  chosen,
  onChoose,
}: {
  offers: readonly OfferReply[]
  chosen: string | undefined
  onChoose: (id: string) => void
}) {
  const t = useTexts(resultsTexts)
  const words = useGameWords()
  const { date } = useWriting()
  return (
    <label className="flex items-center gap-2">
      {t('link')}
      <select className="select select-sm w-auto" value={chosen} onChange={(event) => onChoose(event.target.value)}>
        {offers.map((offer) => (
          <option key={offer.id} value={offer.id}>
            {labelOf(offer, words.name(offer.kind), date(offer.createdAt, { dateStyle: 'short' }))}
          </option>
        ))}
      </select>
    </label>
  )
}

/** A game at the wall is told by what it is: nobody joins it by a code. */
function labelOf({ name, code, teams }: OfferReply, game: string, made: string): string {
  return [name, teams === null ? code : game, made].filter((part) => part !== '').join(', ')
}
