import { LOOK_PARTS, type Look } from '@otter/api'
import { livePlayTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { OtterAvatar } from '../../../live/OtterAvatar.tsx'

const PARTS = ['fur', 'hat', 'thing'] as const

/** An otter to put together by tapping: each part goes on to its next kind. */
export function OtterBuilder({ look, onChange }: { look: Look; onChange: (look: Look) => void }) {
  const t = useTexts(livePlayTexts)
  return (
    <div role="group" aria-label={t('yourOtter')} className="flex flex-wrap items-center justify-center gap-3">
      <OtterAvatar look={look} size={104} />
      <div className="flex flex-wrap justify-center gap-2">
        {PARTS.map((part) => (
          <button
            key={part}
            type="button"
            className="btn h-11 font-normal"
            onClick={() => onChange({ ...look, [part]: (look[part] + 1) % LOOK_PARTS[part] })}
          >
            {t(part)}
          </button>
        ))}
      </div>
    </div>
  )
}
