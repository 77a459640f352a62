import { livePlayTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import type { Sounds } from './useSounds.ts'

/** Turns the sounds of a screen on and off. */
export function SoundSwitch({ sounds: { isOn, toggle }, className = '' }: { sounds: Sounds; className?: string }) {
  const t = useTexts(livePlayTexts)
  return (
    <button
      type="button"
      className={`btn btn-ghost btn-square h-11 ${className}`}
      aria-pressed={isOn}
      aria-label={t('sounds')}
      title={t('sounds')}
      onClick={toggle}
    >
      <span aria-hidden="true" className={isOn ? '' : 'line-through opacity-70'}>
        ♪
      </span>
    </button>
  )
}
