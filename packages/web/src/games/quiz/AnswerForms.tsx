import type { AskedQuestion, QuizView, ToldAnswer } from '@otter/core/games/quiz'
import { Check, X } from 'lucide-react'
import type { RefObject } from 'react'
import { FaceBody, FaceSounds, ShownFace } from '../ShownFace.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

type Choice = AskedQuestion['choices'][number]

interface ChoicesProps {
  choices: readonly Choice[]
  several: boolean
  chosen: readonly number[]
  isLocked: boolean
  told: ToldAnswer | null
  onChoose: (choice: number) => void
  onAnswer: () => void
}

/** The choices of a question, with letters; once it is told, which of them were right. */
export function Choices({ choices, several, chosen, isLocked, told, onChoose, onAnswer }: ChoicesProps) {
  const t = useTexts(texts)
  return (
    <>
      {several && <p className="text-center">{t('several')}</p>}
      <ol className="flex flex-col gap-2">
        {choices.map((face, index) => (
          <li key={index} className="flex items-center">
            <button
              type="button"
              aria-pressed={chosen.includes(index)}
              disabled={isLocked}
              onClick={() => onChoose(index)}
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
          onClick={onAnswer}
        >
          {t('answer')}
        </button>
      )}
    </>
  )
}

interface TypedAnswerProps {
  field: RefObject<HTMLInputElement | null>
  /** Id of the question. */
  describedBy: string
  sent: QuizView['sent']
  told: boolean
  waiting: boolean
  onAnswer: (text: string) => void
}

/** A field to type an answer in, and what was sent while nothing is told of it yet. */
export function TypedAnswer({ field, describedBy, sent, told, waiting, onAnswer }: TypedAnswerProps) {
  const t = useTexts(texts)
  return (
    <>
      {sent && (
        <p className="panel border-secondary bg-accent p-3 text-center text-xl">
          <bdi>{sent.text}</bdi>
        </p>
      )}
      {!told && (!sent || sent.change) && (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            const text = String(new FormData(event.currentTarget).get('answer')).trim()
            if (text !== '') onAnswer(text)
          }}
        >
          <input
            name="answer"
            aria-label={t('yourAnswer')}
            ref={field}
            aria-describedby={describedBy}
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
    </>
  )
}

interface ClaimProps {
  claim: Choice
  sent: QuizView['sent']
  told: boolean
  isLocked: boolean
  onAnswer: (isTrue: boolean) => void
}

/** A claim to judge: true or false. */
export function Claim({ claim, sent, told, isLocked, onAnswer }: ClaimProps) {
  const t = useTexts(texts)
  return (
    <>
      <p className="panel p-4 text-center text-xl">
        <ShownFace face={claim} />
      </p>
      {!told && (
        <div className="grid grid-cols-2 gap-2">
          {([true, false] as const).map((isTrue, index) => {
            const Icon = isTrue ? Check : X
            const isSent = sent?.choices[0] === index
            return (
              <button
                key={index}
                type="button"
                className={`btn h-14 text-lg ${isSent ? 'border-secondary! bg-accent!' : ''}`}
                disabled={isLocked}
                aria-pressed={isSent}
                onClick={() => onAnswer(isTrue)}
              >
                <Icon aria-hidden="true" />
                {t(isTrue ? 'true' : 'false')}
              </button>
            )
          })}
        </div>
      )}
    </>
  )
}
