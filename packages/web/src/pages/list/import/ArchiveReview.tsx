import type { Entry, ListDetails } from '@otter/core'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** Entries that are shown; the rest is counted. */
const SHOWN = 50

interface ArchiveReviewProps {
  list: { details: ListDetails; entries: readonly Entry[] }
  media: ReadonlyMap<string, Uint8Array>
}

/** What an archive holds, before it is taken. */
export function ArchiveReview({ list, media }: ArchiveReviewProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  return (
    <div
      className="overflow-auto border border-base-300 p-3"
      role="region"
      aria-label={t('import.understood')}
      tabIndex={0}
    >
      <p className="font-display text-xl" dir="auto">
        {list.details.title || common('untitled')}
      </p>
      <p className="quiet">
        {t('entries', { count: list.entries.length })} · {t('import.media', { count: media.size })}
      </p>
      <ul className="mt-2">
        {list.entries.slice(0, SHOWN).map(({ id, answer, prompt }) => (
          <li key={id} className="border-t border-base-300 py-1" dir="auto">
            <strong>{answer.text || t('import.pictureOrSound')}</strong> · {prompt.text}
          </li>
        ))}
      </ul>
      {list.entries.length > SHOWN && <p className="quiet">{common('more', { count: list.entries.length - SHOWN })}</p>}
    </div>
  )
}
