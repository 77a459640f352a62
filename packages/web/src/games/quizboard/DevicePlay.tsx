import type { DeviceView, QuizboardMove } from '@otter/core/games/quizboard'
import { useTexts } from '../../texts/texts.ts'
import type { QuizMove } from '@otter/core/games/quiz'
import type { PlayProps } from '../contract.ts'
import { Play as Quiz } from '../quiz/Play.tsx'
import { texts } from './texts.ts'

/** A quiz board on a student's own device: the question that stands for all, and between two a look at the wall. */
export function DevicePlay({ view: { device }, send, ...props }: PlayProps<DeviceView, QuizboardMove>) {
  const t = useTexts(texts)
  return device ? (
    // Nobody goes on alone here: of a quiz's moves only answers and hints are left.
    <Quiz view={device} send={(move: QuizMove) => send(move as QuizboardMove)} {...props} />
  ) : (
    <p role="status" className="panel p-6 text-center text-xl">
      {t('lookUp')}
    </p>
  )
}
