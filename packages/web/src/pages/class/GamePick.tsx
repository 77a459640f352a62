import type { PlayReply } from '@otter/api'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface GamePickProps {
  games: NonNullable<PlayReply['work']>['games']
  /** The game picked, from 0. */
  picked: number
  onPick: (game: number) => void
}

/** Games of which a student picks one. */
export function GamePick({ games, picked, onPick }: GamePickProps) {
  const t = useTexts(studentTexts)
  if (games.length < 2) return null
  return (
    <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
      <legend className="text-lg font-bold">{t('pick')}</legend>
      {games.map((kind, index) => (
        <label key={kind} className="flex min-h-11 items-center gap-2 text-lg">
          <input type="radio" name="game" className="radio" checked={picked === index} onChange={() => onPick(index)} />
          {t.coded(`kind.${kind}`)}
        </label>
      ))}
    </fieldset>
  )
}
