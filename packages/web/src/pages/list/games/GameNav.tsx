import { GAME_KINDS, type GameKind } from '@otter/core'
import { useGameWords } from '../../../games/words.ts'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** Leads to every game of a list. */
export function GameNav({ kind, onGo }: { kind: GameKind; onGo: (kind: GameKind) => void }) {
  const t = useTexts(listTexts)
  const words = useGameWords()
  return (
    <nav aria-label={t('allGames')} className="flex flex-wrap gap-2">
      {GAME_KINDS.map((one) => (
        <button
          key={one}
          type="button"
          aria-current={one === kind ? 'page' : undefined}
          className={`btn h-11 ${one === kind ? 'border-secondary! bg-accent!' : 'font-normal'}`}
          onClick={() => onGo(one)}
        >
          {words.name(one)}
        </button>
      ))}
    </nav>
  )
}
