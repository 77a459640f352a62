import type { HostState } from '@otter/api'
import type { QuizView } from '@otter/core/games/quiz'
import { ShownFace } from '../../games/ShownFace.tsx'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** The question that all are asked, with its answer: for the teacher alone. */
export function QuestionNow({ state: { facts, students, questions } }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const { question, key } = facts.view as QuizView
  const { round } = facts
  if (!question || !round) return null
  const tally = questions.find(({ entryId }) => entryId === question.entryId)
  const here = students.filter(({ removed, waits }) => !removed && !waits).length
  const answered = tally ? tally.right + tally.wrong : 0
  return (
    <section className="panel flex flex-col gap-2 p-4">
      <p className="quiet flex justify-between gap-3">
        <span>{t('wall.question', { number: round.number, of: round.of })}</span>
        <span role="status">{t('wall.answered', { answered, here })}</span>
      </p>
      <h2 className="text-2xl">
        <ShownFace face={question.prompt} />
      </h2>
      {key.length > 0 && (
        <p className="text-success">
          <bdi>{t('class.answer', { answer: key.join(', ') })}</bdi>
        </p>
      )}
    </section>
  )
}
