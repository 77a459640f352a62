import type { HostState } from '@otter/api'
import { Copy, Lock, LockOpen, Mail, Presentation } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, liveTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { OtterAvatar } from '../../live/OtterAvatar.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { NamesAtDoor } from './NamesAtDoor.tsx'
import { RemoveStudent } from './RemoveStudent.tsx'
import { useCommand } from './useCommand.ts'

/** The lobby: how to come in, who has, and the start. */
export function Lobby({ state }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { title, kind, way, code, door, address, facts, students, listId } = state
  const command = useCommand(state)
  const here = students.filter(({ removed, waits }) => !removed && !waits)
  return (
    <>
      <div className="flex flex-wrap items-start justify-between gap-6">
        <div className="flex min-w-0 flex-col gap-2">
          <h1 className="text-4xl" dir="auto">
            {title || common('untitled')}
          </h1>
          <p className="quiet">
            {t(`ways.${way}`)} · {words.name(kind)}
          </p>
          <p className="text-2xl">
            <Rich texts={liveTexts} id="lobby.goTo" values={{ door }} marks={{ address: <strong dir="ltr" /> }} />
          </p>
          <p className="text-7xl font-bold leading-none tracking-[0.12em]" dir="ltr">
            {code}
          </p>
        </div>
        <QrCode text={address} size={190} label={t('lobby.qr', { address })} />
      </div>
      <div className="flex flex-wrap gap-2">
        <CopyLink address={address} />
        <a
          className="btn"
          href={`mailto:?subject=${encodeURIComponent(t('lobby.mailSubject', { title, code }))}&body=${encodeURIComponent(t('lobby.mailText', { address, door, code }))}`}
        >
          <Mail size={16} aria-hidden="true" />
          {t('lobby.mail')}
        </a>
        <a className="btn" href={`/live/${state.id}/wall`} target="_blank" rel="noreferrer">
          <Presentation size={16} aria-hidden="true" />
          {t('lobby.projector')}
        </a>
        <button
          type="button"
          className="btn"
          aria-pressed={facts.locked}
          onClick={() => command.send({ type: 'lock', locked: !facts.locked })}
        >
          {facts.locked ? <LockOpen size={16} aria-hidden="true" /> : <Lock size={16} aria-hidden="true" />}
          {t(facts.locked ? 'lobby.unlock' : 'lobby.lock')}
        </button>
      </div>
      <Waterline filled={Math.min(1, here.length / 30)} label={t('lobby.here', { count: here.length })} />
      <Notice error={command.error} />
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p role="status" className="text-2xl">
          <strong>{t('lobby.here', { count: here.length })}</strong>
          {facts.locked && ` · ${t('lobby.locked')}`}
        </p>
        <button
          type="button"
          className="btn btn-primary h-14 px-8 text-xl"
          disabled={command.busy}
          onClick={() => command.send({ type: 'start' })}
        >
          {t('lobby.start')}
        </button>
      </div>
      <NamesAtDoor state={state} />
      {here.length === 0 && <p className="quiet">{t('lobby.nobody')}</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(8.5rem,1fr))] gap-3">
        {here.map((student) => (
          <li key={student.participantId} className="panel flex flex-col items-center gap-1 p-2 text-center">
            <OtterAvatar look={student.look} size={56} />
            <bdi className="max-w-full truncate font-bold">{student.name}</bdi>
            {student.note !== '' && <bdi className="quiet max-w-full truncate text-sm">{student.note}</bdi>}
            <RemoveStudent offerId={state.id} student={student} />
          </li>
        ))}
      </ul>
      {listId !== null && (
        <p>
          <Link className="link" to={`/lists/${listId}/play`}>
            {t('lobby.back')}
          </Link>
        </p>
      )}
    </>
  )
}

/** Copies the link; where a page may not, at a plain address in the school's network, it is shown to be copied. */
function CopyLink({ address }: { address: string }) {
  const t = useTexts(liveTexts)
  const [copied, setCopied] = useState<'not' | 'done' | 'shown'>('not')
  if (copied === 'shown')
    return (
      <label className="flex items-center gap-2">
        {t('lobby.copyThis')}
        <input
          className="input w-80"
          dir="ltr"
          readOnly
          autoFocus
          value={address}
          onFocus={(event) => event.target.select()}
        />
      </label>
    )
  return (
    <button
      type="button"
      className="btn"
      onClick={() => {
        // Only a secure page has a clipboard.
        const clipboard = navigator.clipboard as Clipboard | undefined
        if (!clipboard) return setCopied('shown')
        void clipboard.writeText(address).then(
          () => setCopied('done'),
          () => setCopied('shown'),
        )
      }}
    >
      <Copy size={16} aria-hidden="true" />
      <span aria-live="polite">{t(copied === 'done' ? 'lobby.copied' : 'lobby.copy')}</span>
    </button>
  )
}
