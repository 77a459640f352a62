import { GAME_KINDS, type EntryList, type Fit, type GameKind } from '@otter/core'
import { Check, Plus } from 'lucide-react'
import { memo, useEffect, useMemo, useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { TEACHER } from '../../../games/teacher.ts'
import { useGameWords } from '../../../games/words.ts'
import { useRested } from '../../../ui/useRested.ts'
import type { PuzzleJob, PuzzleResult } from '../../../workers/puzzle.worker.ts'
import { usePuzzleJobs } from '../../../workers/usePuzzles.ts'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** Pictures wait until typing rests for so long; in milliseconds. */
const RESTED = 300
/** A page that was just opened has more urgent things to fetch than what makes pictures; in milliseconds. */
const OPENING = 800

export interface FitCardsProps {
  /** The list whose games are opened by a press; absent where it is not kept yet. */
  listId?: string | undefined
  list: EntryList
  /** Undefined while the list is looked over for the first time. */
  fits: Record<GameKind, Fit> | undefined
}

/** A small real puzzle of each game, and whether the list is ready for it. */
export const FitCards = memo(function FitCards({ listId, list, fits }: FitCardsProps) {
  const rested = useRested(list, RESTED)
  const jobs = useMemo(
    () => GAME_KINDS.map((kind): PuzzleJob => ({ kind, seed: 'otter', ...TEACHER[kind].small(rested) })),
    [rested],
  )
  const isOpen = useIsOpen()
  const { results } = usePuzzleJobs(isOpen ? jobs : undefined)
  return (
    <ul className="grid grid-cols-2 gap-3">
      {GAME_KINDS.map((kind, index) => (
        <FitCard
          key={kind}
          listId={listId}
          kind={kind}
          fit={fits?.[kind]}
          isBegun={list.entries.length > 0}
          result={results?.[index]}
        />
      ))}
    </ul>
  )
})

let hasOpened = false

/** Returns whether the page has had time to open; it is asked for its first pictures after that. */
function useIsOpen(): boolean {
  const [isOpen, setOpen] = useState(hasOpened)
  useEffect(() => {
    const timer = setTimeout(() => {
      hasOpened = true
      setOpen(true)
    }, OPENING)
    return () => clearTimeout(timer)
  }, [])
  return isOpen
}

interface FitCardProps {
  listId: string | undefined
  kind: GameKind
  fit: Fit | undefined
  /** Whether the list has words: an empty one has no mistakes yet. */
  isBegun: boolean
  result: PuzzleResult | undefined
}

/** One game: drawn again only where its picture changes, or what was found for it: the same is the same object. */
const FitCard = memo(function FitCard({ listId, kind, fit, isBegun, result }: FitCardProps) {
  const { Thumbnail } = TEACHER[kind]
  const t = useTexts(listTexts)
  const words = useGameWords()
  const rows = rowsNoted(fit)
  return (
    <li>
      <Card to={listId === undefined ? undefined : `/lists/${listId}/games/${kind}`}>
        <span className={`block h-24 ${fit?.ready ? '' : 'opacity-70'}`}>
          {result && 'puzzle' in result && <Thumbnail puzzle={result.puzzle} />}
        </span>
        <strong>{words.name(kind)}</strong>
        {fit && (
          <span
            className={`flex items-center gap-1 text-sm ${fit.ready ? 'text-success' : isBegun ? 'text-error' : 'quiet'}`}
          >
            {fit.ready ? <Check size={15} aria-hidden="true" /> : <Plus size={15} aria-hidden="true" />}
            {words.note(kind, fit.summary)}
          </span>
        )}
        {rows > 0 && <span className="quiet text-sm">{t('fits.rows', { count: rows })}</span>}
      </Card>
    </li>
  )
})

function Card({ to, children }: { to: string | undefined; children: ReactNode }) {
  const look = 'panel flex h-full flex-col gap-1.5 p-3'
  return to === undefined ? (
    <div className={look}>{children}</div>
  ) : (
    <Link to={to} className={`${look} hover:border-secondary`}>
      {children}
    </Link>
  )
}

/** Returns how many rows have a note: most of them are left out. */
function rowsNoted(fit: Fit | undefined): number {
  return new Set(fit?.notes.flatMap(({ entryIds }) => entryIds)).size
}
