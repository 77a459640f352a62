import { gameOf, type GameKind } from '@otter/core'
import { Printer } from 'lucide-react'
import { choiceOf, type GameChoice } from './choiceOf.ts'
import type { Choices } from './gameChoice.ts'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

export interface GameActionsProps {
  kind: GameKind
  choices: Choices
  isReady: boolean
  isSharing: boolean
  onPrint: () => void
  onShare: (choice: GameChoice) => void
}

/** What is done with a game of a list: it is printed, or shared. */
export function GameActions({ kind, choices, isReady, isSharing, onPrint, onShare }: GameActionsProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  return (
    <>
      {gameOf(kind).onPaper && (
        <button type="button" className="btn h-11" disabled={!isReady} onClick={onPrint}>
          <Printer size={18} aria-hidden="true" />
          {common('print')}
        </button>
      )}
      <button
        type="button"
        className="btn btn-primary h-11"
        disabled={!isReady || isSharing}
        onClick={() => onShare(choiceOf(choices, kind))}
      >
        {t(isSharing ? 'sharing' : 'share')}
      </button>
    </>
  )
}
