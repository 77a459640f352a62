import type { AskedQuestion, QuizMove, QuizView, ToldAnswer } from '@otter/core/games/quiz'
import { Lightbulb } from 'lucide-react'
import { useId, useState } from 'react'
import { Said } from '../Said.tsx'
import { ShownFace } from '../ShownFace.tsx'
import { Choices, Claim, TypedAnswer } from './AnswerForms.tsx'
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
        <Choices
          choices={choices}
          several={several}
          chosen={chosen}
          isLocked={isLocked}
          told={told}
          onChoose={choose}
          onAnswer={() => send({ type: 'choose', choices: [...chosen] })}
        />
      )}
      {form === 'typed' && (
        <TypedAnswer
          field={field}
          describedBy={id}
          sent={sent}
          told={told !== null}
          waiting={waiting}
          onAnswer={(text) => send({ type: 'type', text })}
        />
      )}
      {form === 'true-false' && (
        <Claim
          claim={choices[0]!}
          sent={sent}
          told={told !== null}
          isLocked={isLocked}
          onAnswer={(isTrue) => send({ type: 'claim', isTrue })}
        />
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
