import type { AskedQuestion, QuizMove, QuizView, ToldAnswer } from '@otter/core/games/quiz'
import { Check, Lightbulb, X } from 'lucide-react'
import { useId, useState } from 'react'
import { Said } from '../Said.tsx'
import { FaceBody, FaceSounds, ShownFace } from '../ShownFace.tsx'
import { Countdown } from './Countdown.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { useLanding } from '../../ui/useLanding.ts'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'

interface QuestionProps {
  question: AskedQuestion
  /** What came of it, once answered. */
  told: ToldAnswer | null
  /** What was sent while nothing is told of it yet. */
  sent: QuizView['sent']
  waiting: boolean
  /** Milliseconds that are left for it; null for all the time. */
  left: number | null
  send: (move: QuizMove) => void
}

/** A question with its choices, a field to type in, or a claim to judge. */
export function Question({ question, told, sent, waiting, left, send }: QuestionProps) {
  const t = useTexts(texts)
  const { form, prompt, choices, several, number, of, seconds, hasHint, hint } = question
  const [chosen, setChosen] = useState<readonly number[]>(sent?.choices ?? [])
  const isLocked = told !== null || waiting || (sent !== null && !sent.change)
  const choose = (choice: number): void => {
    // One answer is on its way already: a second would only be shown, not counted.
    if (isLocked) return
    setChosen(
      several ? (chosen.includes(choice) ? chosen.filter((other) => other !== choice) : [...chosen, choice]) : [choice],
    )
    if (!several) send({ type: 'choose', choices: [choice] })
  }
  const id = useId()
  const heading = useLanding<HTMLHeadingElement>('')
  // Where an answer is typed the focus goes on into its field.
  const field = useLanding<HTMLInputElement>('')
  useShortcuts((event) => {
    if (form !== 'choice' || told || !isPlain(event)) return
    const choice = event.key.length === 1 ? event.key.toUpperCase().charCodeAt(0) - 65 : -1
    if (choice >= 0 && choice < choices.length) choose(choice)
  })
  return (
    <>
      <p className="quiet flex justify-between gap-2 text-sm">
        <span>{t('number', { number, of })}</span>
        {!question.scored && <span>{t('opinion')}</span>}
      </p>
      {seconds > 0 && (
        <Countdown
          seconds={seconds}
          left={left ?? seconds * 1000}
          stopped={told !== null}
          onEnd={() => !waiting && send({ type: 'late' })}
        />
      )}
      <h2
        ref={heading}
        id={id}
        tabIndex={-1}
        data-landing
        className="scroll-mt-16 py-2 text-center in-[.early]:py-0 text-2xl leading-snug outline-none"
      >
        <ShownFace face={prompt} className="justify-center" />
      </h2>
      <Said>{hint ? `${t('hint')}: ${hint}` : ''}</Said>
      {hint && (
        <p className="panel p-2 text-center">
          <span className="quiet">{t('hint')}:</span> {hint}
        </p>
      )}
      {form === 'choice' && (
        <>
          {several && <p className="text-center">{t('several')}</p>}
          <ol className="flex flex-col gap-2">
            {choices.map((face, index) => (
              <li key={index} className="flex items-center">
                <button
                  type="button"
                  aria-pressed={chosen.includes(index)}
                  disabled={isLocked}
                  onClick={() => choose(index)}
                  className={`btn h-auto min-h-14 flex-1 in-[.early]:min-h-12 in-[.early]:py-2 justify-start gap-3 p-3 text-start text-lg font-normal leading-tight text-base-content! opacity-100! ${chosen.includes(index) ? 'border-secondary! bg-accent!' : 'bg-base-100!'} ${told && told.scored && told.choices[index] ? 'border-2! border-success!' : ''}`}
                >
                  <strong className="flex size-8 shrink-0 items-center justify-center rounded-full border border-base-300">
                    {String.fromCharCode(65 + index)}
                  </strong>
                  <span className="min-w-0 flex-1">
                    <FaceBody face={face} />
                  </span>
                  {told &&
                    told.scored &&
                    (told.choices[index] ? (
                      <Check className="shrink-0 text-success" aria-label={t('isRight')} />
                    ) : (
                      chosen.includes(index) && <X className="shrink-0 text-error" aria-label={t('isWrong')} />
                    ))}
                </button>
                <FaceSounds face={face} />
              </li>
            ))}
          </ol>
          {several && !told && (
            <button
              type="button"
              className="btn btn-primary h-12"
              disabled={chosen.length === 0 || isLocked}
              onClick={() => send({ type: 'choose', choices: [...chosen] })}
            >
              {t('answer')}
            </button>
          )}
        </>
      )}
      {sent && form === 'typed' && (
        <p className="panel border-secondary bg-accent p-3 text-center text-xl">
          <bdi>{sent.text}</bdi>
        </p>
      )}
      {form === 'typed' && !told && (!sent || sent.change) && (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            const text = String(new FormData(event.currentTarget).get('answer')).trim()
            if (text !== '') send({ type: 'type', text })
          }}
        >
          <input
            name="answer"
            aria-label={t('yourAnswer')}
            ref={field}
            aria-describedby={id}
            autoComplete="off"
            autoCapitalize="off"
            autoCorrect="off"
            spellCheck={false}
            maxLength={500}
            dir="auto"
            className="input h-14 min-w-0 flex-1 text-xl"
          />
          <button type="submit" className="btn btn-primary h-14" disabled={waiting}>
            {t('answer')}
          </button>
        </form>
      )}
      {form === 'true-false' && (
        <>
          <p className="panel p-4 text-center text-xl">
            <ShownFace face={choices[0]!} />
          </p>
          {!told && (
            <div className="grid grid-cols-2 gap-2">
              <button
                type="button"
                className="btn h-14 text-lg"
                disabled={isLocked}
                aria-pressed={sent?.choices[0] === 0}
                onClick={() => send({ type: 'claim', isTrue: true })}
              >
                <Check aria-hidden="true" />
                {t('true')}
              </button>
              <button
                type="button"
                className="btn h-14 text-lg"
                disabled={isLocked}
                aria-pressed={sent?.choices[0] === 1}
                onClick={() => send({ type: 'claim', isTrue: false })}
              >
                <X aria-hidden="true" />
                {t('false')}
              </button>
            </div>
          )}
        </>
      )}
      {hasHint && !told && !sent && (
        <button type="button" className="btn mx-auto h-11" disabled={waiting} onClick={() => send({ type: 'hint' })}>
          <Lightbulb size={18} aria-hidden="true" />
          {t('askHint')}
        </button>
      )}
    </>
  )
}
