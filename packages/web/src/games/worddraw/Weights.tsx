import type { WorddrawOptions, WorddrawPuzzle } from '@otter/core/games/worddraw'
import type { WorkbenchProps } from '../contract.ts'
import { useTexts } from '../../texts/texts.ts'
import { texts } from './texts.ts'

/** How probable each word is to come first, where those that were missed come sooner. */
export function Weights({ puzzle: { words }, options }: WorkbenchProps<WorddrawOptions, WorddrawPuzzle>) {
  const t = useTexts(texts)
  if (options.weights === 'equal') return null
  const sum = words.reduce((total, { weight }) => total + weight, 0)
  const sorted = [...words].sort((one, other) => other.weight - one.weight)
  return (
    <details className="text-sm">
      <summary className="cursor-pointer">{t('weights')}</summary>
      <ul className="grid grid-cols-2 gap-x-4">
        {sorted.map(({ entryId, face, weight }) => (
          <li key={entryId} className="flex justify-between gap-2 border-b border-base-300">
            <bdi className="truncate">{face.text || '…'}</bdi>
            <span className="tabular-nums">{t('chance', { share: ((100 * weight) / sum).toFixed(1) })}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}
