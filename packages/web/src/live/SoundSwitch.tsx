import { Volume2, VolumeX } from 'lucide-react'
import { livePlayTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import type { Sounds } from './useSounds.ts'

/** Turns the sounds of a screen on and off. */
export function SoundSwitch({ sounds: { isOn, toggle }, className = '' }: { sounds: Sounds; className?: string }) {
  const t = useTexts(livePlayTexts)
  const Icon = isOn ? Volume2 : VolumeX
  return (
    <button
      type="button"
      className={`btn btn-ghost btn-square h-11 ${className}`}
      aria-pressed={isOn}
      aria-label={t('sounds')}
      title={t('sounds')}
      onClick={toggle}
    >
      <Icon size={22} aria-hidden="true" />
    </button>
  )
}
