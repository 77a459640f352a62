import type { GameKind } from '@otter/core'
import { Presentation } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { TEACHER } from '../../../games/teacher.ts'
import { useGameWords } from '../../../games/words.ts'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { Rich } from '../../../texts/Rich.tsx'
import { useTexts } from '../../../texts/texts.ts'
import { Boundary } from '../../../ui/Boundary.tsx'
import { Notice } from '../../../ui/Notice.tsx'
import { Preview } from './Preview.tsx'

interface PreviewPanelProps {
  listId: string
  kind: GameKind
  /** Undefined while it is made, or where it can't be. */
  puzzle: unknown
  busy: boolean
  early: boolean
  /** BCP 47 code of the answers. */
  language: string
  isReady: boolean
}

/** A game as students will get it, to try here, or to play together on the wall. */
export function PreviewPanel({ listId, kind, puzzle, busy, early, language, isReady }: PreviewPanelProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const { Wall } = TEACHER[kind]
  const [onWall, setOnWall] = useState(false)
  const leaveWall = (): void => setOnWall(false)
  const wall = t('game.onWall', { name: useGameWords().name(kind) })
  return (
    <section aria-label={t('game.preview')} className={`panel p-4 ${busy ? 'opacity-90' : ''}`}>
      <div className="mb-3 flex items-start justify-between gap-2">
        <div>
          <h2 className="text-2xl">{t('game.whatStudentsGet')}</h2>
          <p className="quiet text-sm">{t('game.previewHelp')}</p>
        </div>
        <button type="button" className="btn btn-sm" disabled={puzzle === undefined} onClick={() => setOnWall(true)}>
          <Presentation size={16} aria-hidden="true" />
          {t('game.showOnWall')}
        </button>
      </div>
      {puzzle !== undefined && (
        // Students' screens are fetched one by one: without a connection, the words and the options stand.
        <Boundary fallback={<Notice error={new Error(common('workerDied'))} />}>
          <Preview
            key={JSON.stringify(puzzle)}
            kind={kind}
            puzzle={puzzle}
            early={early}
            language={language}
            wall={onWall && !Wall ? wall : null}
            onLeaveWall={leaveWall}
          />
        </Boundary>
      )}
      {puzzle !== undefined && onWall && Wall && <Wall puzzle={puzzle} title={wall} onClose={leaveWall} />}
      {puzzle === undefined && !isReady && (
        <p className="quiet">
          <Rich texts={listTexts} id="game.nothing" marks={{ go: <Link className="link" to={`/lists/${listId}`} /> }} />
        </p>
      )}
    </section>
  )
}
