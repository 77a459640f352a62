import { revealedFace, shownFace, shownTogether } from '@otter/core'
import type { QuizPuzzle, QuizQuestion } from '@otter/core/games/quiz'
import { Check, ChevronLeft, ChevronRight, Eye, EyeOff, Lightbulb } from 'lucide-react'
import { useState } from 'react'
import type { GameWallProps } from '../contract.ts'
import { FaceBody, ShownFace } from '../ShownFace.tsx'
import { Fitted } from '../Fitted.tsx'
import { Wall as Frame, type WallAction } from '../Wall.tsx'
import { texts } from './texts.ts'
import { commonTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** A quiz played aloud: question after question, the answer when the teacher shows it, and back again. */
export function Wall({ puzzle: { questions }, title, onClose }: GameWallProps<QuizPuzzle>) {
  const t = useTexts(texts)
  const common = useTexts(commonTexts)
  const [place, setPlace] = useState(0)
  const [revealed, setRevealed] = useState(false)
  const [hinted, setHinted] = useState(false)
  const question = questions[place]!
  const go = (to: number): void => {
    if (to < 0 || to >= questions.length) return
    setPlace(to)
    setRevealed(false)
    setHinted(false)
  }
  const actions: WallAction[] = [
    { key: 'ArrowLeft', name: common('wall.back'), Icon: ChevronLeft, act: () => go(place - 1), isOff: place === 0 },
    {
      key: ' ',
      name: t(revealed ? 'wall.hide' : 'wall.reveal'),
      Icon: revealed ? EyeOff : Eye,
      act: () => setRevealed(!revealed),
      isOff: !question.scored,
      isMain: true,
    },
    {
      key: 'ArrowRight',
      name: common('wall.next'),
      Icon: ChevronRight,
      act: () => go(place + 1),
      isOff: place === questions.length - 1,
    },
  ]
  if (question.hint !== '')
    actions.push({ key: 'h', name: t('askHint'), Icon: Lightbulb, act: () => setHinted(true), isOff: hinted })
  return (
    <Frame title={title} place={{ number: place + 1, of: questions.length }} actions={actions} onClose={onClose}>
      <Fitted>
        <Asked key={place} question={question} revealed={revealed} hinted={hinted} />
      </Fitted>
    </Frame>
  )
}

interface AskedProps {
  question: QuizQuestion
  revealed: boolean
  hinted: boolean
}

/** A question as the class sees it, with its answer once that is shown. */
function Asked({ question: { form, prompt, choices, scored, answer, hint, fact }, revealed, hinted }: AskedProps) {
  const t = useTexts(texts)
  const faces = shownTogether(choices.map(({ face }) => face))
  const tells = revealed && scored
  return (
    <section className="mx-auto my-auto flex w-full max-w-4xl flex-col gap-4">
      <h2 className="text-center text-3xl leading-snug">
        <ShownFace face={revealed ? revealedFace(prompt) : shownFace(prompt)} className="justify-center" />
      </h2>
      {hinted && (
        <p role="status" className="text-center">
          <span className="quiet">{t('hint')}:</span> {hint}
        </p>
      )}
      {form === 'true-false' && (
        <p className="panel p-4 text-center text-2xl">
          <ShownFace face={faces[0]!} className="justify-center" />
        </p>
      )}
      {form === 'choice' && (
        <ol className="grid gap-2 sm:grid-cols-2">
          {faces.map((face, index) => {
            const right = tells && choices[index]!.right
            return (
              <li
                key={index}
                className={`panel flex min-h-14 items-center gap-3 p-3 text-xl leading-tight ${right ? 'border-2! border-success!' : tells ? 'quiet' : ''}`}
              >
                <strong className="flex size-9 shrink-0 items-center justify-center rounded-full border border-base-300">
                  {String.fromCharCode(65 + index)}
                </strong>
                <span className="min-w-0 flex-1">
                  <FaceBody face={face} />
                </span>
                {right && <Check className="shrink-0 text-success" aria-label={t('isRight')} />}
              </li>
            )
          })}
        </ol>
      )}
      <div aria-live="polite" className="flex flex-col gap-2 text-center">
        {tells && form !== 'choice' && (
          <p className="text-3xl font-bold text-success">
            {form === 'true-false' && <span className="block">{t(choices[0]!.right ? 'true' : 'false')}</span>}
            {(form === 'typed' || !choices[0]!.right) && (
              <ShownFace face={revealedFace(answer)} className="justify-center" />
            )}
          </p>
        )}
        {tells && fact !== '' && <p className="text-xl">{fact}</p>}
      </div>
    </section>
  )
}
