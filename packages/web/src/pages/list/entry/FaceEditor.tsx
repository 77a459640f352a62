import { mediaPath } from '@otter/api'
import type { Face } from '@otter/core'
import { ImagePlus, X } from 'lucide-react'
import { useState } from 'react'
import { SoundButton } from './FaceMedia.tsx'
import { PicturePicker } from '../pictures/PicturePicker.tsx'
import { SoundRecorder } from './SoundRecorder.tsx'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

interface FaceEditorProps<Side extends Face> {
  face: Side
  name: string
  language: string
  /** Whether a sound can be there too. */
  withSound: boolean
  /** What a picture is searched by where the face has no text. */
  word: string
  onChange: (face: Side) => void
}

/** Text, picture and sound of one face. */
export function FaceEditor<Side extends Face>({
  face,
  name,
  language,
  withSound,
  word,
  onChange,
}: FaceEditorProps<Side>) {
  const t = useTexts(listTexts)
  const [picking, setPicking] = useState(false)
  const { picture, sound } = face
  return (
    <div className="flex flex-col gap-1.5">
      <textarea
        rows={1}
        dir="auto"
        aria-label={name}
        className="textarea field-sizing-content min-h-0 w-full leading-snug"
        value={face.text}
        onChange={(event) => onChange({ ...face, text: event.target.value })}
      />
      <div className="flex flex-wrap items-center gap-1.5">
        {picture ? (
          <span className="flex w-full items-center gap-2 rounded-sm border border-base-300 p-1.5">
            <button
              type="button"
              aria-label={t('face.anotherPicture', { name })}
              className="cursor-pointer"
              onClick={() => setPicking(true)}
            >
              <img
                src={mediaPath(picture.id)}
                alt={picture.alt || t('face.thePicture')}
                className="size-14 rounded-sm under-picture object-contain"
              />
            </button>
            <span className="flex min-w-0 flex-1 flex-col gap-1">
              <input
                className="input input-sm w-full"
                aria-label={t('face.shows', { name })}
                placeholder={t('face.showsHint')}
                maxLength={200}
                value={picture.alt}
                onChange={(event) => onChange({ ...face, picture: { ...picture, alt: event.target.value } })}
              />
              <input
                className="input input-sm w-full"
                aria-label={t('face.credit', { name })}
                placeholder={t('face.creditHint')}
                maxLength={300}
                value={picture.credit}
                onChange={(event) => onChange({ ...face, picture: { ...picture, credit: event.target.value } })}
              />
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-label={t('face.takeOff', { name })}
              onClick={() => onChange({ ...face, picture: undefined })}
            >
              <X size={16} aria-hidden="true" />
            </button>
          </span>
        ) : (
          <button
            type="button"
            className="btn btn-sm"
            aria-label={t('face.pictureFor', { name })}
            onClick={() => setPicking(true)}
          >
            <ImagePlus size={15} aria-hidden="true" />
            {t('face.picture')}
          </button>
        )}
        {withSound &&
          (sound ? (
            <span className="flex items-center gap-1 rounded-sm border border-base-300 ps-1">
              <SoundButton id={sound.id} label={t('face.play', { name })} />
              <span className="quiet text-sm">
                {sound.milliseconds > 0
                  ? t('face.seconds', { seconds: (sound.milliseconds / 1000).toFixed(1) })
                  : t('face.sound')}
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-sm btn-square"
                aria-label={t('face.takeSoundOff', { name })}
                onClick={() => onChange({ ...face, sound: undefined })}
              >
                <X size={16} aria-hidden="true" />
              </button>
            </span>
          ) : (
            <SoundRecorder label={name} onSound={(next) => onChange({ ...face, sound: next })} />
          ))}
      </div>
      {picking && (
        <PicturePicker
          word={face.text.trim() || word}
          language={language}
          onClose={() => setPicking(false)}
          onPick={(next) => {
            onChange({ ...face, picture: next })
            setPicking(false)
          }}
        />
      )}
    </div>
  )
}
