import { NO_LOOKUP, randomFrom, type Choice, type Entry, type EntryList } from '@otter/core'
import { quiz, QuizOptions, WrongChoices, type WrongChoice } from '@otter/core/games/quiz'
import { useQuery } from '@tanstack/react-query'
import { RefreshCw } from 'lucide-react'
import { useMemo, useState } from 'react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { fetchThings } from '../../../workers/things.ts'

/** How many a quiz shows beside the right answer unless it is set otherwise, and how many more there are to choose from. */
const SHOWN = 3
const MORE = 12

interface DrawnChoicesProps {
  entry: Entry
  list: EntryList
  onKeep: (choices: Choice[]) => void
}

/** The wrong choices that a quiz would draw for an entry, and why; each can be replaced, and all can be kept. */
export function DrawnChoices({ entry, list, onKeep }: DrawnChoicesProps) {
  const t = useTexts(listTexts)
  const wanted = useMemo(() => quiz.lookup?.(list, QuizOptions.parse({}))?.things ?? NO_LOOKUP.things, [list])
  const { data: things } = useQuery({
    queryKey: ['things', wanted],
    queryFn: () => fetchThings(wanted),
    staleTime: Infinity,
  })
  const drawn = useMemo(
    () => new WrongChoices(list, things).draw(entry, MORE, randomFrom(entry.id)),
    [entry, list, things],
  )
  const [places, setPlaces] = useState(() => Array.from({ length: SHOWN }, (_, place) => place))
  const shown = places.flatMap((place): { place: number; choice: WrongChoice }[] =>
    drawn[place] ? [{ place, choice: drawn[place] }] : [],
  )
  const next = Math.max(...places) + 1
  const replace = (place: number): void =>
    setPlaces(places.map((one) => (one === place ? (drawn[next] ? next : nextFree(places, drawn.length)) : one)))
  if (shown.length === 0) return <p className="quiet text-sm">{t('entry.drawnNone')}</p>
  return (
    <div className="flex flex-col gap-2">
      <ul className="flex flex-col gap-1">
        {shown.map(({ place, choice: { face, reason } }) => (
          <li key={place} className="flex items-center gap-2">
            <bdi className="min-w-0 flex-1 truncate">{face.text || face.picture?.alt}</bdi>
            <span className="quiet text-sm">{t(`entry.drawnWhy.${reason}`)}</span>
            {drawn.length > SHOWN && (
              <button
                type="button"
                className="btn btn-ghost btn-square btn-sm"
                aria-label={t('entry.drawnOther', { text: face.text })}
                onClick={() => replace(place)}
              >
                <RefreshCw size={16} aria-hidden="true" />
              </button>
            )}
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-sm self-start"
        onClick={() =>
          onKeep([
            ...entry.choices,
            ...shown.map(({ choice: { face } }): Choice => ({
              text: face.text,
              right: false,
              ...(face.picture && { picture: face.picture }),
              ...(face.sound && { sound: face.sound }),
            })),
          ])
        }
      >
        {t('entry.drawnKeep')}
      </button>
    </div>
  )
}

/** Returns the first place that is not shown; the last one goes round. */
function nextFree(shown: readonly number[], count: number): number {
  return Array.from({ length: count }, (_, place) => place).find((place) => !shown.includes(place)) ?? 0
}
