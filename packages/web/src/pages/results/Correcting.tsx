import type { AnswersReply, ResultsReply } from '@otter/api'
import { useCorrectQuestion } from '../../api/results.ts'
import { resultsTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

interface CorrectingProps {
  offerId: string
  entryId: string
  answers: AnswersReply['answers']
  /** What was said of the question already. */
  correction: ResultsReply['corrections'][number] | undefined
}

/** Most different answers that are offered to be judged otherwise. */
const MOST = 12

/** How answers to a question count: the question can be taken out, and each answer judged otherwise, for all. */
export function Correcting({ offerId, entryId, answers, correction }: CorrectingProps) {
  const t = useTexts(resultsTexts)
  const correct = useCorrectQuestion(offerId)
  const { takenOut = false, right = [], wrong = [] } = correction ?? {}
  const say = (change: Partial<NonNullable<typeof correction>>): void =>
    correct.mutate({ entryId, correction: { takenOut, right, wrong, ...change } })
  const judge = (given: string, outcome: 'right' | 'wrong'): void => {
    const others = (list: readonly string[]): string[] => list.filter((one) => one !== given)
    // What was said otherwise before is taken back: the game's own word is this one.
    const isTakenBack = (outcome === 'right' ? wrong : right).includes(given)
    say({
      right: [...others(right), ...(outcome === 'right' && !isTakenBack ? [given] : [])],
      wrong: [...others(wrong), ...(outcome === 'wrong' && !isTakenBack ? [given] : [])],
    })
  }
  const counts = new Map<string, { outcome: 'right' | 'wrong'; count: number }>()
  for (const { given, outcome } of answers)
    if (given !== '' && (outcome === 'right' || outcome === 'wrong'))
      counts.set(given, { outcome, count: (counts.get(given)?.count ?? 0) + 1 })
  const shown = [...counts].sort(([, one], [, other]) => other.count - one.count).slice(0, MOST)
  return (
    <div className="mx-1 mb-2 flex flex-col gap-1 border-s-2 border-base-300 ps-3 text-sm">
      <Notice error={correct.error} />
      {shown.length > 0 && <p className="quiet">{t('correct.help')}</p>}
      <ul className="flex flex-wrap gap-2">
        {shown.map(([given, { outcome, count }]) => (
          <li key={given}>
            <button
              type="button"
              className="btn h-11 font-normal"
              disabled={correct.isPending}
              onClick={() => judge(given, outcome === 'right' ? 'wrong' : 'right')}
            >
              {t(outcome === 'right' ? 'correct.asWrong' : 'correct.asRight', { given, count })}
            </button>
          </li>
        ))}
        <li>
          <button
            type="button"
            className="btn h-11 font-normal"
            disabled={correct.isPending}
            onClick={() => say({ takenOut: !takenOut })}
          >
            {takenOut ? t('correct.putBack') : t('correct.takeOut')}
          </button>
        </li>
      </ul>
    </div>
  )
}
