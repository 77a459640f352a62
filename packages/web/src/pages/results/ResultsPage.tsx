import type { OfferReply, ResultsReply } from '@otter/api'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useChangeOffer, useOffers } from '../../api/offers.ts'
import { useList } from '../../api/lists.ts'
import { useResults } from '../../api/results.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'
import { useGameWords } from '../../games/words.ts'
import { ReportMore, ReportTop, ReportView } from '../report/ReportView.tsx'
import { SpanChoice, spanOf, type Span } from '../report/SpanChoice.tsx'
import { useReport } from '../../api/reports.ts'
import { Questions } from './Questions.tsx'
import { Students } from './Students.tsx'
import { Teams } from './Teams.tsx'
import { commonTexts, reportTexts, resultsTexts } from '../../texts/namespaces.ts'
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
  const isWhole = search.get('link') === ALL
  const offerId = isWhole ? undefined : (search.get('link') ?? offers.data?.[0]?.id)
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
      {offers.data && (
        <Offers
          listId={id}
          offers={offers.data}
          chosen={isWhole ? ALL : offerId}
          onChoose={(link) => setSearch({ link })}
        />
      )}
      {isWhole && <WholeReport listId={id} />}
      {offerId !== undefined && !results.isLoadingError && <Answers results={results.data} />}
    </main>
  )
}

/** All games of the list. */
const ALL = 'all'

/** The choice of what the results are of; the way to a first link where there is none. */
function Offers({ listId, ...choice }: OfferChoiceProps & { listId: string }) {
  if (choice.offers.length > 0) return <OfferChoice {...choice} />
  return (
    <p className="panel p-6">
      <Rich texts={resultsTexts} id="none" marks={{ go: <Link className="link" to={`/lists/${listId}`} /> }} />
    </p>
  )
}

/** What is known of a list, over all games that were made from it. */
function WholeReport({ listId }: { listId: string }) {
  const t = useTexts(resultsTexts)
  const [span, setSpan] = useState<Span>({ days: 'all', from: '', to: '' })
  const scope = { list: listId, ...spanOf(span) }
  const report = useReport(scope)
  return (
    <>
      <SpanChoice span={span} onChange={setSpan} />
      <Notice error={report.error} />
      {!report.data && !report.error && <Waterline filled={undefined} label={t('fetching')} />}
      {report.data && <ReportView scope={scope} report={report.data} />}
    </>
  )
}

/** Who answered what, once it is there. */
function Answers({ results }: { results: ResultsReply | undefined }) {
  const t = useTexts(resultsTexts)
  if (!results) return <Waterline filled={undefined} label={t('fetching')} />
  if (results.offer.teams === null) return <WorkReport results={results} />
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[1.5fr_1fr]">
      <Teams results={results} />
      <Questions results={results} />
    </div>
  )
}

/** One piece of work: what to do, who knows what, the students and the questions. */
function WorkReport({ results }: { results: ResultsReply }) {
  const t = useTexts(resultsTexts)
  const scope = { work: results.offer.id }
  const report = useReport(scope)
  const told = report.data && report.data.students.length > 0 ? report.data : undefined
  // What is done with a student stays open, whatever comes and goes around it.
  return (
    <>
      {told ? (
        <ReportTop scope={scope} report={told} />
      ) : (
        !report.data && !report.error && <Waterline filled={undefined} label={t('fetching')} />
      )}
      <div className="grid items-start gap-6 lg:grid-cols-[1.5fr_1fr]">
        <Students results={results} />
        <Questions results={results} />
      </div>
      {told && <ReportMore scope={scope} report={told} />}
      <Notice error={report.data ? null : report.error} />
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

interface OfferChoiceProps {
  offers: readonly OfferReply[]
  chosen: string | undefined
  onChoose: (id: string) => void
}

/** Which of a list's links the results are of. */
function OfferChoice({ offers, chosen, onChoose }: OfferChoiceProps) {
  const t = useTexts(resultsTexts)
  const report = useTexts(reportTexts)
  const words = useGameWords()
  const { date } = useWriting()
  return (
    <label className="flex items-center gap-2">
      {t('link')}
      <select className="select select-sm w-auto" value={chosen} onChange={(event) => onChoose(event.target.value)}>
        <option value={ALL}>{report('allGames')}</option>
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
