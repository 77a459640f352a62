import type { PlayReply } from '@otter/api'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** What stands below the game in set work: when right answers are shown that are kept back, and the way to all work. */
export function WorkEnd({ work }: { work: NonNullable<PlayReply['work']> }) {
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
      {isStudent && (
        <a className="link self-start py-2" href="/student">
          {t('allMyWork')}
        </a>
      )}
    </>
  )
}
