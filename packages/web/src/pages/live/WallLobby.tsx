import type { WallState } from '@otter/api'
import { useState } from 'react'
import { useHostCommand } from '../../api/live.ts'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, liveTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { OtterAvatar } from '../../live/OtterAvatar.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { useShortcuts } from '../../ui/useShortcuts.ts'
import { Waterline } from '../../ui/Waterline.tsx'

/** The lobby on the projector: address, code, names as they appear, and how the game goes. */
export function WallLobby({ state }: { state: WallState }) {
  const t = useTexts(liveTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { id, title, kind, way, code, door, address, here, names, facts } = state
  const { mutate } = useHostCommand(id)
  const [showsHow, setShowsHow] = useState(true)
  const start = (): void => mutate({ command: { type: 'start' }, revision: facts.revision })
  useShortcuts((event) => {
    if (event.key === 'Enter' && !(event.target instanceof HTMLButtonElement)) start()
  })
  return (
    <>
      <div className="flex items-start justify-between gap-[3vw]">
        <div className="flex min-w-0 flex-col gap-[1.5vh]">
          <h1 className="text-[max(28px,3.4vw)]" dir="auto">
            {title || common('untitled')} <span className="quiet text-[0.7em]">{words.name(kind)}</span>
          </h1>
          <p className="text-[max(28px,2.4vw)]">
            <Rich texts={liveTexts} id="lobby.goTo" values={{ door }} marks={{ address: <strong dir="ltr" /> }} />
          </p>
          <p className="text-[max(64px,9vw)] font-bold leading-none tracking-[0.12em]" dir="ltr">
            {code}
          </p>
        </div>
        <QrCode
          text={address}
          size={Math.round(Math.min(innerWidth * 0.2, innerHeight * 0.36))}
          label={t('lobby.qr', { address })}
        />
      </div>
      <Waterline filled={Math.min(1, here / 30)} label={t('lobby.here', { count: here })} />
      <div className="flex items-center justify-between gap-4">
        <p role="status">
          <strong>{t('lobby.here', { count: here })}</strong>
          {facts.locked && ` · ${t('lobby.locked')}`}
        </p>
        <button
          type="button"
          className="btn btn-primary h-auto px-[1.5em] py-[0.5em] text-[max(28px,1.8vw)]!"
          onClick={start}
        >
          {t('lobby.start')} · Enter
        </button>
      </div>
      <ul className="flex flex-wrap gap-x-[2vw] gap-y-[1vh]">
        {names.map(({ name, look }, index) => (
          <li key={index} className="flex flex-col items-center">
            <OtterAvatar look={look} size={names.length > 40 ? '1.4em' : '2.4em'} />
            <bdi className="font-bold">{name}</bdi>
          </li>
        ))}
      </ul>
      <div className="mt-auto flex items-end justify-between gap-4">
        <p className="max-w-[36em]">{showsHow && t(`lobby.how.${way}`)}</p>
        <button
          type="button"
          className="btn btn-ghost text-[max(28px,1.4vw)]! font-normal"
          aria-expanded={showsHow}
          onClick={() => setShowsHow(!showsHow)}
        >
          {t(showsHow ? 'lobby.skip' : 'lobby.show')}
        </button>
      </div>
    </>
  )
}
