import { mediaPath } from '@otter/api'
import { directionOf, type ShownFace as Face } from '@otter/core'
import { Speech, Volume2 } from 'lucide-react'
import { playTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { useSpeech } from './early.ts'

interface FaceProps {
  face: Face
  className?: string
}

/** What a player is shown of an entry: its text, its picture, its sound on a tap; for early readers spoken too. */
export function ShownFace({ face, className = '' }: FaceProps) {
  return (
    <span className={`inline-flex max-w-full flex-wrap items-center gap-2 ${className}`}>
      <FaceBody face={face} />
      <FaceSounds face={face} />
    </span>
  )
}

/** A face without what can be pressed, for use inside of a button. */
export function FaceBody({ face: { text, picture } }: FaceProps) {
  const t = useTexts(playTexts)
  return (
    <>
      {picture && (
        <img
          src={mediaPath(picture.id)}
          alt={picture.alt || t('picture')}
          className="max-h-24 max-w-full rounded under-picture object-contain"
        />
      )}
      {text !== '' && <bdi dir={directionOf(text)}>{text}</bdi>}
    </>
  )
}

/** What plays the sound of a face, or speaks its text: beside the button that shows it. Nothing where there is none. */
export function FaceSounds({ face: { text, sound } }: FaceProps) {
  const t = useTexts(playTexts)
  const speak = useSpeech()
  return (
    <>
      {sound !== null && (
        <button
          type="button"
          className="btn btn-ghost h-11 w-11 shrink-0 p-0"
          aria-label={t('listen')}
          onClick={() => void new Audio(mediaPath(sound)).play()}
        >
          <Volume2 size={20} aria-hidden="true" />
        </button>
      )}
      {speak && text !== '' && (
        <button
          type="button"
          className="btn btn-ghost h-11 w-11 shrink-0 p-0"
          aria-label={t('readAloud')}
          onClick={() => speak(text)}
        >
          <Speech size={20} aria-hidden="true" />
        </button>
      )}
    </>
  )
}
