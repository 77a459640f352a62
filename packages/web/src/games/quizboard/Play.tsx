import type { DeviceView, QuizboardMove, QuizboardView } from '@otter/core/games/quizboard'
import { Anchor } from 'lucide-react'
import { lazy, Suspense } from 'react'
import type { PlayProps } from '../contract.ts'
import { Turns } from '../Turns.tsx'
import { useTexts } from '../../texts/texts.ts'
import { useTeams } from '../../wall/atWall.ts'
import { OpenedQuestion } from '../../wall/OpenedQuestion.tsx'
import { Board } from './Board.tsx'
import { texts } from './texts.ts'

/** Only where everyone has a device: who plays at a wall need not fetch it. */
const DevicePlay = lazy(async () => ({ default: (await import('./DevicePlay.tsx')).DevicePlay }))

/** A quiz board as it is played: on the wall, by teams on one device, or by everyone on their own. */
export function Play({ view, ...props }: PlayProps<QuizboardView | DeviceView, QuizboardMove>) {
  return 'device' in view ? (
    <Suspense>
      <DevicePlay view={view} {...props} />
    </Suspense>
  ) : (
    <WallPlay view={view} send={props.send} />
  )
}

function WallPlay({ view, send }: Pick<PlayProps<QuizboardView, QuizboardMove>, 'view' | 'send'>) {
  const t = useTexts(texts)
  const { steers } = useTeams()
  const { question, columns, isDive, value, canDive, left, teams, finished } = view
  if (question)
    return (
      <OpenedQuestion
        question={question}
        heading={isDive ? t('diveIs', { value }) : headingOf(columns, question.item, t)}
        teams={teams}
        send={send}
      />
    )
  return (
    <div className="flex min-h-full flex-1 flex-col gap-3">
      <Turns teams={teams} finished={finished} />
      <Board
        columns={columns}
        unowned="nobody"
        onOpen={steers && !finished ? (item) => send({ type: 'open', item }) : undefined}
      />
      {finished && <p role="status">{t('over')}</p>}
      {canDive && steers && (
        <button
          type="button"
          className={`btn h-12 self-center ${left === 0 ? 'btn-primary' : ''}`}
          onClick={() => send({ type: 'dive' })}
        >
          <Anchor size={18} aria-hidden="true" />
          {t('dive')}
        </button>
      )}
    </div>
  )
}

function headingOf(
  columns: QuizboardView['columns'],
  item: number,
  t: ReturnType<typeof useTexts<NonNullable<(typeof texts)['messages']>>>,
): string {
  const column = columns.findIndex(({ tiles }) => tiles.some((tile) => tile.item === item))
  const { name, tiles } = columns[column]!
  return t('tile', { column: name || String(column + 1), value: tiles.find((tile) => tile.item === item)!.value })
}
