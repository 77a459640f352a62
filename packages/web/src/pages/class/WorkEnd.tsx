import type { PlayReply } from '@otter/api'
import { studentTexts } from '../../texts/namespaces.ts'
import { GamePick } from './GamePick.tsx'
import { useTexts, useWriting } from '../../texts/texts.ts'

interface WorkEndProps {
  work: NonNullable<PlayReply['work']>
  /** The game picked for the next attempt, where there are several and one can be begun; else undefined. */
  next: { picked: number; onPick: (game: number) => void } | undefined
}

/** What stands below the game in set work: when right answers are shown that are kept back, and the way to all work. */
export function WorkEnd({ work, next }: WorkEndProps) {
  const t = useTexts(studentTexts)
  const { date } = useWriting()
  const { hidesAnswers, answersAt, isStudent } = work
  return (
    <>
      {hidesAnswers && (
        <p className="panel p-3">
          {answersAt === null
            ? t('answersKept')
            : t('answersLater', { when: date(answersAt, { dateStyle: 'full', timeStyle: 'short' }) })}
        </p>
      )}
      {next && <GamePick games={work.games} picked={next.picked} onPick={next.onPick} />}
      {isStudent && (
        <a className="link self-start py-2" href="/student">
          {t('allMyWork')}
        </a>
      )}
    </>
  )
}
