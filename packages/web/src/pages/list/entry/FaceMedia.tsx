import { mediaPath } from '@otter/api'
import type { Face } from '@otter/core'
import { Volume2 } from 'lucide-react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** The picture and the sound of a face, small; the sound plays when it is pressed. */
export function FaceMedia({ face, name }: { face: Face; name: string }) {
  const t = useTexts(listTexts)
  if (!face.picture && !face.sound) return null
  return (
    <span className="flex items-center gap-1 ps-2">
      {face.picture && (
        <img
          src={mediaPath(face.picture.id)}
          alt={face.picture.alt || t('face.pictureOn', { name })}
          className="size-9 rounded-sm bg-white object-contain"
        />
      )}
      {face.sound && <SoundButton id={face.sound.id} label={t('face.playOn', { name })} />}
    </span>
  )
}

/** Plays a sound. */
export function SoundButton({ id, label }: { id: string; label: string }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label={label}
      title={label}
      onClick={() => void new Audio(mediaPath(id)).play()}
    >
      <Volume2 size={18} aria-hidden="true" />
    </button>
  )
}
