import type { PlayReply } from '@otter/api'
import type { PlayState } from '../play/usePlay.ts'
import { BoardOfNames } from './BoardOfNames.tsx'
import { GamePick } from './GamePick.tsx'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

interface WorkEndProps {
  reply: PlayReply
  state: Pick<PlayState, 'picked' | 'pick'>
  /** What the player is called here. */
  name: string
}

/**
 * What stands below the game: the board of a link, when right answers are shown that are kept back, the next of several
 * games, and the way to all work.
 */
export function WorkEnd({ reply: { work, board, open, play }, state, name }: WorkEndProps) {
  const t = useTexts(studentTexts)
  const { date } = useWriting()
  const isOver = play?.score.finished ?? false
  return (
    <>
      {board && isOver && <BoardOfNames player={name} />}
      {work?.hidesAnswers && (
        <p className="panel p-3">
          {work.answersAt === null
            ? t('answersKept')
            : t('answersLater', { when: date(work.answersAt, { dateStyle: 'full', timeStyle: 'short' }) })}
        </p>
      )}
      {work && isOver && open && work.attemptsLeft !== 0 && (
        <GamePick games={work.games} picked={state.picked} onPick={state.pick} />
      )}
      {work?.isStudent && (
        <a className="link self-start py-2" href="/student">
          {t('allMyWork')}
        </a>
      )}
    </>
  )
}
