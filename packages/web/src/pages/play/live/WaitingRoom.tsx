import type { ChangeSelf, LiveView, Look } from '@otter/api'
import { useRef, useState } from 'react'
import { livePlayTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { OtterBuilder } from './OtterBuilder.tsx'

interface WaitingRoomProps {
  me: NonNullable<LiveView['me']>
  name: string
  onChange: (change: ChangeSelf) => Promise<void>
}

/** After so many milliseconds without a tap an otter is sent as it is. */
const SETTLED = 700

/** Where a student waits for the start: with the otter, a note for the teacher, and something small to do. */
export function WaitingRoom({ me, name, onChange }: WaitingRoomProps) {
  const t = useTexts(livePlayTexts)
  const [look, setLook] = useState<Look>(me.look ?? { fur: 0, hat: 0, thing: 0 })
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const change = (next: Look): void => {
    setLook(next)
    clearTimeout(timer.current)
    timer.current = setTimeout(() => void onChange({ look: next }), SETTLED)
  }
  return (
    <div className="flex flex-col gap-4 text-center">
      <div role="status">
        <h2 className="text-2xl">{t('inTitle', { name })}</h2>
        <p>{t('inHelp')}</p>
        {me.heldName !== null && <p className="panel mt-2 p-2">{t('heldName', { name })}</p>}
      </div>
      <OtterBuilder look={look} onChange={change} />
      {me.team && <TeamCard team={me.team} onRename={(teamName) => onChange({ teamName })} />}
      <Note note={me.note} onKeep={(note) => onChange({ note })} />
      <p className="text-lg">
        {t('codeIs')} <strong className="tracking-[0.2em]">{me.returnCode}</strong>
        <br />
        <span className="quiet text-base">{t('codeHelp')}</span>
      </p>
      <Pastime />
    </div>
  )
}

function TeamCard({
  team: { name, members },
  onRename,
}: {
  team: { name: string; members: string[] }
  onRename: (name: string) => Promise<void>
}) {
  const t = useTexts(livePlayTexts)
  return (
    <div className="panel flex flex-col gap-2 p-3">
      <p className="font-bold">{t('team', { name })}</p>
      <p>
        <bdi>{members.join(' · ')}</bdi>
      </p>
      <input
        className="input h-11 w-full"
        dir="auto"
        aria-label={t('renameTeam')}
        placeholder={t('renameTeam')}
        maxLength={40}
        onBlur={(event) => event.target.value.trim() !== '' && void onRename(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </div>
  )
}

function Note({ note, onKeep }: { note: string; onKeep: (note: string) => Promise<void> }) {
  const t = useTexts(livePlayTexts)
  const [text, setText] = useState(note)
  const [isKept, setKept] = useState(false)
  return (
    <form
      className="flex flex-col gap-1 text-start"
      onSubmit={(event) => {
        event.preventDefault()
        void onKeep(text).then(() => setKept(true))
      }}
    >
      <label htmlFor="note">{t('note')}</label>
      <div className="flex gap-2">
        <input
          id="note"
          className="input h-11 min-w-0 flex-1"
          dir="auto"
          autoComplete="off"
          maxLength={60}
          aria-describedby="note-help"
          value={text}
          onChange={(event) => {
            setText(event.target.value)
            setKept(false)
          }}
        />
        <button type="submit" className="btn h-11">
          {t('keepNote')}
        </button>
      </div>
      <p id="note-help" className="quiet" role="status">
        {isKept ? t('noteKept') : t('noteHelp')}
      </p>
    </form>
  )
}

/** Something small to do alone, that counts for nothing: shells from the bottom of the river. */
function Pastime() {
  const t = useTexts(livePlayTexts)
  const [shells, setShells] = useState(0)
  return (
    <div className="panel flex flex-wrap items-center justify-center gap-3 p-3">
      <span>{t('pastime')}</span>
      <button type="button" className="btn h-12" onClick={() => setShells(shells + 1)}>
        {t('dive')}
      </button>
      <span role="status" className="w-full">
        {shells > 0 && t('shells', { count: shells })}
      </span>
    </div>
  )
}
