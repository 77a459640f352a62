import type { QuizView } from '@otter/core/games/quiz'
import { ShownFace } from '../ShownFace.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** The question that all are asked, with its answer: for the teacher alone. */
export function InStepTeacher({ view: { question, key } }: { view: QuizView }) {
  const t = useTexts(texts)
  if (!question) return null
  return (
    <>
      <h2 className="text-2xl">
        <ShownFace face={question.prompt} />
      </h2>
      {key.length > 0 && (
        <p className="text-success">
          {t('answerIs')} <bdi>{key.join(', ')}</bdi>
        </p>
      )}
    </>
  )
}
