import type { Overlap, ThreadOptions, ThreadPuzzle } from '@otter/core/games/thread'
import { isUnique, overlaps } from '@otter/core/games/thread'
import { useMemo } from 'react'
import { useKinds } from '../../api/kinds.ts'
import type { WorkbenchProps } from '../contract.ts'
import { useTexts } from '../../texts/texts.ts'
import { texts } from './texts.ts'

/** Slips that could be taken for another link's, each with the reason, before students find them. */
export function Ambiguity({ puzzle, list, options, onChange }: WorkbenchProps<ThreadOptions, ThreadPuzzle>) {
  const t = useTexts(texts)
  const { items, links, each } = puzzle
  const isEnglish = /^en\b/u.test(options.ask === 'answer' ? list.answerLanguage : list.promptLanguage)
  const kinds = useKinds(isEnglish ? items.map(({ text }) => text) : [])
  const { found, isOne } = useMemo(() => {
    const groups = new Map(list.entries.map((entry) => [entry.id, entry.groups]))
    const linked = items.map(({ text, link, entryId }) => ({ text, link, groups: groups.get(entryId) ?? [] }))
    return { found: overlaps(linked, links, kinds), isOne: isUnique(linked, each, kinds) }
  }, [items, links, each, list, kinds])
  const reason = ({ by, name }: Overlap): string => {
    if (by !== 'spelling') return t(`reason.${by}`, { name })
    const [pattern, letters = ''] = name.split(' ')
    return t.coded(`reason.${pattern}`, { letters })
  }
  return (
    <section className="flex flex-col gap-1 text-sm" aria-label={t('ambiguity')}>
      <p role="status">
        {t(isOne ? 'oneWay' : 'moreWays')} {found.length === 0 ? t('clear') : t('overlaps', { count: found.length })}
      </p>
      <ul className="flex flex-col gap-1">
        {found.map((one) => (
          <li key={`${one.item} ${one.link}`} className="flex flex-wrap items-center justify-between gap-2">
            <span>
              {t('fitsToo', { item: items[one.item]!.text, link: links[one.link]! })} {reason(one)}
            </span>
            <button
              type="button"
              className="btn btn-sm"
              aria-label={t('leaveOutOf', { item: items[one.item]!.text })}
              onClick={() => onChange({ ...options, leaveOut: [...options.leaveOut, items[one.item]!.entryId] })}
            >
              {t('leaveOut')}
            </button>
          </li>
        ))}
      </ul>
      {options.leaveOut.length > 0 && (
        <button
          type="button"
          className="btn btn-ghost btn-sm self-start"
          onClick={() => onChange({ ...options, leaveOut: [] })}
        >
          {t('takeBack', { count: options.leaveOut.length })}
        </button>
      )}
    </section>
  )
}
