import type { RosterReply } from '@otter/api'
import { Presentation, Undo2, Waves } from 'lucide-react'
import { useState } from 'react'
import { Wall } from '../../games/Wall.tsx'
import { namesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface NameDrawProps {
  roster: RosterReply
  busy: boolean
  onDraw: () => void
  onUndraw: () => void
}

/** A fair draw of one student: nobody twice before all have come once, whoever is away left out. */
export function NameDraw(props: NameDrawProps) {
  const t = useTexts(namesTexts)
  const [onWall, setOnWall] = useState(false)
  return (
    <section aria-labelledby="name-draw" className="panel flex flex-col gap-3 p-4">
      <div className="flex items-center justify-between gap-2">
        <h2 id="name-draw" className="text-2xl">
          {t('draw.title')}
        </h2>
        <button type="button" className="btn btn-sm" onClick={() => setOnWall(true)}>
          <Presentation size={16} aria-hidden="true" />
          {t('draw.onWall')}
        </button>
      </div>
      <Stream {...props} />
      {onWall && (
        <Wall title={t('draw.title')} onClose={() => setOnWall(false)}>
          <div className="flex flex-1 flex-col gap-4 text-2xl">
            <Stream {...props} isFirst />
          </div>
        </Wall>
      )}
    </section>
  )
}

function Stream({ roster, busy, onDraw, onUndraw, isFirst = false }: NameDrawProps & { isFirst?: boolean }) {
  const t = useTexts(namesTexts)
  const { students, last, left } = roster
  const here = students.filter(({ absent }) => !absent).length
  const name = students.find(({ id }) => id === last)?.name
  return (
    <>
      <div className="stream flex min-h-40 flex-1 items-center justify-center overflow-hidden p-4">
        <p
          key={`${last} ${left}`}
          aria-live="assertive"
          className="stream-rest panel border-2 border-secondary p-5 text-center text-4xl font-bold"
        >
          {name === undefined ? (
            <span className="quiet text-lg font-normal">{t('draw.nobody')}</span>
          ) : (
            <bdi>{name}</bdi>
          )}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          data-first={isFirst || undefined}
          className="btn btn-primary h-12"
          disabled={busy || here === 0}
          onClick={onDraw}
        >
          <Waves size={20} aria-hidden="true" />
          {t('draw.draw')}
        </button>
        <button type="button" className="btn btn-ghost h-12" disabled={busy || last === null} onClick={onUndraw}>
          <Undo2 size={18} aria-hidden="true" />
          {t('draw.undo')}
        </button>
        <p className="quiet" role="status">
          {here > 0 && t('draw.left', { count: left })}
        </p>
      </div>
    </>
  )
}
