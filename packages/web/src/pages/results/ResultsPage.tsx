import type { ResultsReply } from '@otter/api'
import { scaleLinear } from 'd3-scale'
import { Download } from 'lucide-react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useChangeLink, useLinks, useList, useResults } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'

/** What students did, filling in by itself. */
export function ResultsPage() {
  const { id = '' } = useParams()
  const [search, setSearch] = useSearchParams()
  const list = useList(id)
  const links = useLinks(id)
  const linkId = search.get('link') ?? links.data?.[0]?.id
  const results = useResults(linkId)
  const change = useChangeLink()
  const link = results.data?.link
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <ListHeader
        listId={id} step="Results" title={<h1 className="text-4xl" dir="auto">{list.data?.title || 'Untitled list'}</h1>}
        facts={results.isError ? 'No connection; these are the results so far.' : 'Fills in by itself.'}
        action={link && <>
          <button type="button" className="btn h-11" disabled={change.isPending} onClick={() => change.mutate({ id: link.id, open: !link.open })}>{link.open ? 'Close the link' : 'Open the link again'}</button>
          <a className="btn h-11" href={`/api/links/${link.id}/results.csv`} download><Download size={16} aria-hidden="true" />Download CSV</a>
        </>}
      />
      <Notice error={links.error ?? (results.data ? null : results.error) ?? change.error} />
      {links.data && links.data.length > 1 && (
        <label className="flex items-center gap-2">Link<select className="select select-sm w-auto" value={linkId} onChange={(event) => setSearch({ link: event.target.value })}>{links.data.map(({ id: value, code, createdAt }) => <option key={value} value={value}>{code}, {new Date(createdAt).toLocaleDateString('en-GB')}</option>)}</select></label>
      )}
      {links.data?.length === 0 && <p className="panel p-6">Nothing to see yet. <Link className="link" to={`/lists/${id}`}>Share the list with students</Link>, and what they do shows here.</p>}
      {linkId !== undefined && results.isPending && <Waterline filled={undefined} label="Fetching the results" />}
      {results.data && <div className="grid items-start gap-6 lg:grid-cols-[1.5fr_1fr]"><Students results={results.data} /><Words results={results.data} /></div>}
    </main>
  )
}

/** How long ago something was last seen counts as "now", in milliseconds. */
const JUST_NOW = 60_000

function isHere(lastSeenAt: string): boolean {
  return Date.now() - Date.parse(lastSeenAt) < 3 * JUST_NOW
}

function seen(at: string): string {
  const ago = Date.now() - Date.parse(at)
  if (ago < JUST_NOW) return 'just now'
  if (ago < 3_600_000) return `${Math.round(ago / 60_000)} min ago`
  return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

function Students({ results: { players, link } }: { results: ResultsReply }) {
  const done = players.filter(({ finished }) => finished).length
  return (
    <section aria-labelledby="students" className="flex flex-col gap-2">
      <h2 id="students" className="text-2xl">Students <span className="quiet font-sans text-base">{players.length} joined · {done} finished · code {link.code}{link.open ? '' : ', closed'}</span></h2>
      {players.length === 0 && <p className="panel p-5">Nobody has joined yet. The code is <strong>{link.code}</strong>.</p>}
      {players.length > 0 && (
        <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label="Students’ results">
          <table className="w-full text-start">
            <thead><tr className="text-sm">{['Student', 'Right', 'First try', 'Time', 'Hints', 'Attempts', 'Last seen'].map((name) => <th key={name} scope="col" className="px-3 py-2 text-start">{name}</th>)}</tr></thead>
            <tbody>
              {players.map((player) => (
                <tr key={player.playerId} className="border-t border-base-300">
                  <th scope="row" className="max-w-48 truncate px-3 py-2 text-start" dir="auto">{player.name}</th>
                  <td className="px-3 py-2 tabular-nums"><strong>{player.found}</strong> of {player.total}{player.finished ? '' : <span className="quiet text-sm"> · {isHere(player.lastSeenAt) ? 'playing' : 'left off'}</span>}</td>
                  <td className="px-3 py-2 tabular-nums">{player.firstFound}</td>
                  <td className="px-3 py-2 tabular-nums">{Math.floor(player.milliseconds / 60_000)}:{String(Math.floor(player.milliseconds / 1000) % 60).padStart(2, '0')}</td>
                  <td className="px-3 py-2 tabular-nums">{player.hints}</td>
                  <td className="px-3 py-2 tabular-nums">{player.attempts}</td>
                  <td className="quiet whitespace-nowrap px-3 py-2">{seen(player.lastSeenAt)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  )
}

function Words({ results: { entries, players } }: { results: ResultsReply }) {
  const scale = scaleLinear([0, Math.max(1, players.length)], [0, 100])
  return (
    <section aria-labelledby="words" className="flex flex-col gap-2">
      <h2 id="words" className="text-2xl">Words <span className="quiet font-sans text-base">right by fewest first</span></h2>
      <ul className="panel flex flex-col gap-2 p-4">
        {[...entries].sort((one, other) => one.foundBy - other.foundBy).map(({ entryId, text, foundBy, wrong }) => (
          <li key={entryId} className="grid grid-cols-[8rem_1fr_auto] items-center gap-x-3">
            <bdi className="truncate">{text}</bdi>
            <span className="block h-3 border-b border-base-300"><span className="block h-full bg-secondary" style={{ width: `${scale(foundBy)}%` }} /></span>
            <span className="tabular-nums">{foundBy} of {players.length}</span>
            {wrong.length > 0 && <p className="quiet col-span-3 text-sm">Wrong: {wrong.map(({ given, count }) => <span key={given} className="me-3"><bdi>{given}</bdi>{count > 1 && ` × ${count}`}</span>)}</p>}
          </li>
        ))}
      </ul>
    </section>
  )
}
