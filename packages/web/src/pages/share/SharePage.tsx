import type { LinkReply } from '@otter/api'
import { Copy, MonitorPlay, RefreshCw } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useChangeLink, useLinks, useList, useRenewLink } from '../../api/queries.ts'
import { TEACHER } from '../../games/teacher.ts'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'

/** The links of a list: to show, to copy, to close and to open again. */
export function SharePage() {
  const { id = '' } = useParams()
  const list = useList(id)
  const links = useLinks(id)
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <ListHeader listId={id} step="Play" title={<h1 className="text-4xl" dir="auto">{list.data?.title || 'Untitled list'}</h1>} facts="Students open the link or type the code. No account needed." action={<Link className="btn h-11" to={`/lists/${id}`}>Back to the words</Link>} />
      <Notice error={links.error ?? list.error} />
      {links.isPending && <Waterline filled={undefined} label="Fetching the links" />}
      {links.data?.length === 0 && <p className="panel p-6">No link yet. Choose a game and press “Share with students”: a link works from the moment it exists.</p>}
      <ul className="flex flex-col gap-4">{links.data?.map((link) => <li key={link.id}><LinkCard link={link} /></li>)}</ul>
    </main>
  )
}

function LinkCard({ link }: { link: LinkReply }) {
  const change = useChangeLink()
  const renew = useRenewLink()
  const [copied, setCopied] = useState(false)
  const address = `${location.origin}/p/${link.code}`
  return (
    <article className="panel flex flex-wrap items-center gap-6 p-5" aria-label={`Link ${link.code}`}>
      <QrCode text={address} size={128} label={`QR code for ${address}`} />
      <div className="min-w-0 flex-1">
        <p className="text-4xl font-bold tracking-[0.18em]">{link.code}</p>
        <p className="break-all"><a className="link" href={address}>{address}</a></p>
        <p className="quiet">{TEACHER[link.kind].name} · seed {link.seed} · {link.players} {link.players === 1 ? 'student' : 'students'} · {link.open ? <strong className="text-success">open</strong> : <strong className="text-error">closed</strong>}</p>
        {link.outdated && <p className="mt-1 flex flex-wrap items-center gap-2"><span>The list has changed since.</span><button type="button" className="btn btn-sm" disabled={renew.isPending} onClick={() => renew.mutate(link.id)}><RefreshCw size={15} aria-hidden="true" />Renew the game</button><span className="quiet text-sm">Same link; who is playing ends the old one first.</span></p>}
        <Notice error={change.error ?? renew.error} />
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn h-11" onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true), () => setCopied(false))}><Copy size={16} aria-hidden="true" /><span aria-live="polite">{copied ? 'Copied' : 'Copy link'}</span></button>
        <Link className="btn h-11" to={`/lists/${link.listId}/wall/${link.code}`}><MonitorPlay size={16} aria-hidden="true" />Show on the wall</Link>
        <Link className="btn h-11" to={`/lists/${link.listId}/results?link=${link.id}`}>Results</Link>
        <button type="button" className="btn h-11" disabled={change.isPending} onClick={() => change.mutate({ id: link.id, open: !link.open })}>{link.open ? 'Close' : 'Open again'}</button>
      </div>
    </article>
  )
}
