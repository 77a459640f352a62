import { mediaPath } from '@otter/api'
import { directionOf, type ShownFace as Face } from '@otter/core'
import { Speech, Volume2 } from 'lucide-react'
import { useTranslation } from 'react-i18next'
import { useSpeech } from './early.ts'

/** What a player is shown of an entry: its text, its picture, its sound on a tap; for early readers spoken too. */
export function ShownFace({ face, className = '' }: { face: Face; className?: string }) {
  const { t } = useTranslation()
  const speak = useSpeech()
  if (!face.picture && face.sound === null && !speak) return <bdi className={className} dir={directionOf(face.text)}>{face.text}</bdi>
  return (
    <span className={`inline-flex max-w-full flex-wrap items-center gap-2 ${className}`}>
      {face.picture && <img src={mediaPath(face.picture.id)} alt={face.picture.alt || t('play.picture')} className="max-h-24 max-w-full rounded bg-white object-contain" />}
      {face.text !== '' && <span dir={directionOf(face.text)}>{face.text}</span>}
      {face.sound !== null && (
        <button type="button" className="btn btn-ghost h-11 w-11 p-0" aria-label={t('play.listen')} onClick={() => void new Audio(mediaPath(face.sound ?? '')).play()}>
          <Volume2 size={20} aria-hidden="true" />
        </button>
      )}
      {speak && face.text !== '' && (
        <button type="button" className="btn btn-ghost h-11 w-11 p-0" aria-label={t('play.readAloud')} onClick={() => speak(face.text)}>
          <Speech size={20} aria-hidden="true" />
        </button>
      )}
    </span>
  )
}
