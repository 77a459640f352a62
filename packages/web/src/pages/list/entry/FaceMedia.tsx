import { mediaPath } from '@otter/api'
import type { Face } from '@otter/core'
import { Volume2 } from 'lucide-react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/**
 * The picture and the sound of a face, small; the sound plays when it is pressed. In a table Tab passes it by, from cell
 * to cell.
 */
export function FaceMedia({ face, name, isInTable = false }: { face: Face; name: string; isInTable?: boolean }) {
  const t = useTexts(listTexts)
  if (!face.picture && !face.sound) return null
  return (
    <span className="flex items-center gap-1 ps-2">
      {face.picture && (
        <img
          src={mediaPath(face.picture.id)}
          alt={face.picture.alt || t('face.pictureOn', { name })}
          className="size-9 rounded-sm under-picture object-contain"
        />
      )}
      {face.sound && (
        <SoundButton id={face.sound.id} label={t('face.playOn', { name })} tabIndex={isInTable ? -1 : undefined} />
      )}
    </span>
  )
}

/** Plays a sound. */
export function SoundButton({ id, label, tabIndex }: { id: string; label: string; tabIndex?: number | undefined }) {
  return (
    <button
      type="button"
      tabIndex={tabIndex}
      className="btn btn-ghost btn-sm btn-square"
      aria-label={label}
      title={label}
      onClick={() => void new Audio(mediaPath(id)).play()}
    >
      <Volume2 size={18} aria-hidden="true" />
    </button>
  )
}
