import type { DeviceView } from '@otter/core/games/quizboard'
import { Anchor } from 'lucide-react'
import { useTexts } from '../../texts/texts.ts'
import type { InStepBoardProps, InStepProps } from '../contract.ts'
import { InStepTeacher } from '../quiz/InStepTeacher.tsx'
import { InStepWall } from '../quiz/InStepWall.tsx'
import { Board } from './Board.tsx'
import { texts } from './texts.ts'

/** The question of the board that all are asked. */
export function AskedOnWall({ view: { device }, split }: InStepProps<DeviceView>) {
  return device && <InStepWall view={device} split={split} />
}

/** The question of the board that all are asked, with its answer: for the teacher alone. */
export function AskedForTeacher({ view: { device } }: { view: DeviceView }) {
  return device && <InStepTeacher view={device} />
}

/** The board while the next question is chosen. */
export function ChosenFrom({ view: { columns, dive }, onPick }: InStepBoardProps<DeviceView>) {
  const t = useTexts(texts)
  return (
    <div className="flex flex-1 flex-col gap-3">
      <Board
        columns={columns}
        unowned="asked"
        onOpen={(item) => {
          if (columns.some(({ tiles }) => tiles.some((tile) => tile.item === item && tile.state === 'there')))
            onPick(item)
        }}
      />
      {dive?.state === 'there' && (
        <button type="button" className="btn h-12 self-center" onClick={() => onPick(dive.item)}>
          <Anchor size={18} aria-hidden="true" />
          {t('diveIs', { value: dive.value })}
        </button>
      )}
    </div>
  )
}
