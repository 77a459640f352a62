import type { QuestionFigures, QuestionResult, ResultsReply } from '@otter/api'
import { scaleLinear } from 'd3-scale'
import { useState } from 'react'
import { useAnswers } from '../../api/results.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Correcting } from './Correcting.tsx'
import { resultsTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** Questions of an offer, those first that the fewest know. A press shows who gave which answer. */
export function Questions({ results: { questions, offer, corrections, figures } }: { results: ResultsReply }) {
  const t = useTexts(resultsTexts)
  const counting = questions.filter(({ counts }) => counts)
  const isOut = (entryId: string): boolean => corrections.some((one) => one.takenOut && one.entryId === entryId)
  const opinions = questions.filter(({ counts, given }) => !counts && given.length > 0)
  return (
    <section aria-labelledby="questions" className="flex flex-col gap-2">
      <h2 id="questions" className="text-2xl">
        {t('questions')} <span className="quiet font-sans text-base">{t('questionsOrder')}</span>
      </h2>
      {counting.length > 0 && (
        <ul className="panel flex flex-col gap-2 p-3">
          {[...counting]
            .sort(
              (one, other) =>
                Number(isOut(one.entryId)) - Number(isOut(other.entryId)) ||
                shareOf(one) - shareOf(other) ||
                one.right - other.right,
            )
            .map((question) => (
              <Question
                key={question.entryId}
                offerId={offer.id}
                question={question}
                correction={corrections.find(({ entryId }) => entryId === question.entryId)}
                figures={figures?.questions.find(({ entryId }) => entryId === question.entryId)}
              />
            ))}
        </ul>
      )}
      {figures && figures.reliability !== null && (
        <p className="quiet text-sm">
          {t(`figures.${reliabilityWord(figures.reliability)}`, { value: figures.reliability.toFixed(2) })}
        </p>
      )}
      {questions.length > 0 && counting.length === 0 && opinions.length === 0 && (
        <p className="panel p-4">{t('unscored')}</p>
      )}
      {opinions.length > 0 && (
        <>
          <h3 className="text-xl">{t('opinions')}</h3>
          <ul className="panel flex flex-col gap-3 p-3">
            {opinions.map((question) => (
              <Opinion key={question.entryId} question={question} />
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

/** Share of those who met a question that were right; one that nobody met comes last. */
function shareOf({ right, wrong, passed }: QuestionResult): number {
  const met = right + wrong + passed
  return met === 0 ? 2 : right / met
}

function Question({
  offerId,
  question: { entryId, text, right, wrong, passed, notReached, given },
  correction,
  figures,
}: {
  offerId: string
  question: QuestionResult
  correction: ResultsReply['corrections'][number] | undefined
  figures: QuestionFigures | undefined
}) {
  const t = useTexts(resultsTexts)
  const [open, setOpen] = useState(false)
  const all = right + wrong + passed + notReached
  const scale = scaleLinear([0, Math.max(1, all)], [0, 100])
  return (
    <li>
      <button
        type="button"
        aria-expanded={open}
        className="grid w-full grid-cols-[minmax(0,9rem)_1fr_auto] items-center gap-x-3 rounded-sm p-1 text-start hover:bg-accent"
        onClick={() => setOpen(!open)}
      >
        <bdi className="truncate">{text}</bdi>
        <span className="flex h-3 border-b border-base-300" aria-hidden="true">
          <span className="block h-full bg-success" style={{ width: `${scale(right)}%` }} />
          <span className="stripes block h-full" style={{ width: `${scale(wrong + passed)}%` }} />
        </span>
        <span className="tabular-nums">{t('rightOf', { right, met: right + wrong + passed })}</span>
        <span className="quiet col-span-3 text-sm">
          {wrong > 0 && (
            <span className="me-2">
              {t('wrong', { count: wrong })}
              {!open && given.length > 0 && (
                <>
                  :{' '}
                  {given.map((answer, index) => (
                    <span key={answer.given}>
                      {index > 0 && ', '}
                      <bdi>{answer.given}</bdi>
                      {answer.count > 1 && ` × ${answer.count}`}
                    </span>
                  ))}
                </>
              )}
            </span>
          )}
          {[passed > 0 && t('passed', { count: passed }), notReached > 0 && t('notReached', { count: notReached })]
            .filter((fact) => fact !== false)
            .join(' · ')}
        </span>
        {figures && <FigureWords figures={figures} />}
        {correction && (
          <span className="col-span-3 text-sm">
            {[
              ...(correction.takenOut ? [t('correct.isOut')] : []),
              ...correction.right.map((answer) => t('correct.isRight', { given: answer })),
              ...correction.wrong.map((answer) => t('correct.isWrong', { given: answer })),
            ].join(' · ')}
          </span>
        )}
      </button>
      {open && <Answers offerId={offerId} entryId={entryId} correction={correction} />}
    </li>
  )
}

/** How a question has proved, in words. */
function FigureWords({ figures: { difficulty, telling, perhapsMiskeyed } }: { figures: QuestionFigures }) {
  const t = useTexts(resultsTexts)
  const words = [
    ...(difficulty === null ? [] : [t(`figures.${difficulty}`)]),
    t(telling === null ? 'figures.tooFew' : `figures.${telling}`),
  ]
  return (
    <span className="col-span-3 text-sm">
      <span className="quiet">{words.join(' · ')}</span>
      {perhapsMiskeyed && <strong className="ms-2 text-error">{t('figures.miskeyed')}</strong>}
    </span>
  )
}

/** Returns how far a score would come out the same again, in a word. */
function reliabilityWord(reliability: number): 'sure' | 'fair' | 'loose' {
  return reliability >= 0.8 ? 'sure' : reliability >= 0.6 ? 'fair' : 'loose'
}

const SIGNS = { right: '✓', wrong: '✗', passed: '–' }

function Answers({
  offerId,
  entryId,
  correction,
}: {
  offerId: string
  entryId: string
  correction: ResultsReply['corrections'][number] | undefined
}) {
  const t = useTexts(resultsTexts)
  const answers = useAnswers(offerId, entryId)
  return (
    <>
      <Notice error={answers.error} />
      <ul className="mx-1 mb-1 border-s-2 border-base-300 ps-3 text-sm">
        {answers.data?.answers.length === 0 && <li className="quiet">{t('nobodyHere')}</li>}
        {answers.data?.answers.map(({ participantId, name, outcome, given, delayed, late }) => (
          <li key={participantId} className="flex gap-2">
            <bdi className="w-28 truncate font-bold">{name}</bdi>
            <span className={outcome === 'right' ? 'text-success' : outcome === 'wrong' ? 'text-error' : 'quiet'}>
              {outcome !== 'opinion' && `${SIGNS[outcome]} ${t(`outcome.${outcome}`)}`}
            </span>
            {outcome !== 'right' && <bdi className="min-w-0 flex-1 truncate">{given}</bdi>}
            {(delayed || late) && <span className="quiet">{t(late ? 'counted' : 'delayed')}</span>}
          </li>
        ))}
      </ul>
      {answers.data && (
        <Correcting offerId={offerId} entryId={entryId} answers={answers.data.answers} correction={correction} />
      )}
    </>
  )
}

function Opinion({ question: { text, given } }: { question: QuestionResult }) {
  return (
    <li>
      <bdi className="font-bold">{text}</bdi>
      <ul>
        {given.map((answer) => (
          <li key={answer.given} className="grid grid-cols-[minmax(0,9rem)_1fr_auto] items-center gap-3">
            <bdi className="truncate">{answer.given}</bdi>
            <span className="block h-3 bg-secondary" style={{ width: `${answer.share * 100}%` }} aria-hidden="true" />
            <span className="tabular-nums">
              {Math.round(answer.share * 100)} % · {answer.count}
            </span>
          </li>
        ))}
      </ul>
    </li>
  )
}
