import type { JoinOffer, PlayReply } from '@otter/api'
import { useState, type ReactNode } from 'react'
import { call, type ApiError } from '../../api/client.ts'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { GamePick } from './GamePick.tsx'
import { useClassProblem } from './useClassProblem.ts'
import { WorkNote } from './WorkNote.tsx'

interface ClassDoorProps {
  code: string
  door: NonNullable<PlayReply['door']>
  work: PlayReply['work']
  problem: ApiError | undefined
  /** Which of several games is picked, from 0. */
  picked: number
  onPick: (game: number) => void
  onJoin: (wish: JoinOffer) => void
  onSignedOut: () => void
  /** What stands here for whoever may come in under any name. */
  children: ReactNode
}

/** How one comes into work of a class: as who is signed in, by a name that is tapped, or under any. */
export function ClassDoor({
  code,
  door,
  work,
  problem,
  picked,
  onPick,
  onJoin,
  onSignedOut,
  children,
}: ClassDoorProps) {
  const t = useTexts(studentTexts)
  const text = useClassProblem()
  const { who, names, me, classCode } = door
  const signIn = `/class/${classCode ?? ''}?to=${code}`
  if (me !== null)
    return (
      <div className="mt-4 flex flex-col gap-3">
        <WorkNote work={work} note={door.note} />
        <GamePick games={work?.games ?? []} picked={picked} onPick={onPick} />
        <button type="button" className="btn btn-primary h-14 text-lg" autoFocus onClick={() => onJoin({})}>
          {t('playAs', { name: me })}
        </button>
        <button
          type="button"
          className="btn h-12"
          onClick={() => void call<void>('DELETE', '/student').then(onSignedOut, onSignedOut)}
        >
          {t('notMe', { name: me })}
        </button>
        <Said text={problem && text(problem)} />
      </div>
    )
  return (
    <div className="mt-4 flex flex-col gap-4">
      <WorkNote work={work} note={door.note} />
      <GamePick games={work?.games ?? []} picked={picked} onPick={onPick} />
      {who === 'names' && <Names names={names} onTap={(studentId) => onJoin({ studentId })} />}
      {who !== 'anyone' && <Said text={problem && text(problem)} />}
      {classCode !== null && (
        <a className={`btn h-14 text-lg ${who === 'signed-in' ? 'btn-primary' : ''}`} href={signIn}>
          {t('signIn')}
        </a>
      )}
      {who === 'anyone' && children}
    </div>
  )
}

function Names({ names, onTap }: { names: { id: string; name: string }[]; onTap: (studentId: string) => void }) {
  const t = useTexts(studentTexts)
  const [tapped, setTapped] = useState<string>()
  return (
    <section aria-labelledby="names" className="flex flex-col gap-2">
      <h2 id="names" className="text-lg font-bold">
        {t('tapName')}
      </h2>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {names.map(({ id, name }) => (
          <li key={id}>
            <button
              type="button"
              className="btn h-auto min-h-12 w-full text-lg font-normal"
              disabled={tapped === id}
              onClick={() => {
                setTapped(id)
                onTap(id)
              }}
            >
              <bdi>{name}</bdi>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Said({ text }: { text: string | undefined }) {
  return text === undefined ? null : (
    <p role="alert" className="text-error">
      {text}
    </p>
  )
}
