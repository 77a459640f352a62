import type { Secret } from '@otter/api'
import { PICTURES_OF_SECRET, SECRET_PICTURES, type SecretPicture } from '@otter/core'
import { Delete } from 'lucide-react'
import { useState } from 'react'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { DRAWN } from './secretPictures.tsx'

interface SecretFormProps {
  kind: 'pictures' | 'word'
  /** Whether the secret is chosen now, and asked for from then on. */
  isNew: boolean
  busy: boolean
  problem: string | undefined
  onSecret: (secret: Secret, isOwn: boolean) => void
}

/** Asks for a student's secret: three pictures in order, or a word. */
export function SecretForm({ kind, isNew, busy, problem, onSecret }: SecretFormProps) {
  const t = useTexts(studentTexts)
  const [pictures, setPictures] = useState<SecretPicture[]>([])
  const [word, setWord] = useState('')
  const [isOwn, setOwn] = useState(false)
  const isReady = kind === 'pictures' ? pictures.length === PICTURES_OF_SECRET : word.trim().length >= 4
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (isReady && !busy) onSecret(kind === 'pictures' ? { pictures } : { word }, isOwn)
        setPictures([])
      }}
    >
      <p className="text-lg">{t(isNew ? `choose.${kind}` : `tell.${kind}`)}</p>
      {kind === 'pictures' ? (
        <PicturesField pictures={pictures} onChange={setPictures} />
      ) : (
        <input
          className="input h-14 w-full text-xl"
          aria-label={t('word')}
          autoFocus
          autoComplete="off"
          autoCapitalize="none"
          spellCheck={false}
          maxLength={40}
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
      )}
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={isOwn}
          onChange={(event) => setOwn(event.target.checked)}
        />
        {t('own')}
      </label>
      {problem !== undefined && (
        <p role="alert" className="text-error">
          {problem}
        </p>
      )}
      <button type="submit" className="btn btn-primary h-14 text-lg" disabled={!isReady || busy}>
        {t('comeIn')}
      </button>
    </form>
  )
}

function PicturesField({
  pictures,
  onChange,
}: {
  pictures: readonly SecretPicture[]
  onChange: (pictures: SecretPicture[]) => void
}) {
  const t = useTexts(studentTexts)
  return (
    <>
      <div className="flex items-center gap-2" role="status" aria-label={t('chosen', { count: pictures.length })}>
        {Array.from({ length: PICTURES_OF_SECRET }, (_, place) => {
          const picture = pictures[place]
          const Picture = picture && DRAWN[picture]
          return (
            <span
              key={place}
              className="flex size-14 items-center justify-center rounded border-2 border-dashed border-base-300"
            >
              {Picture && <Picture size={34} aria-hidden="true" />}
            </span>
          )
        })}
        <button
          type="button"
          className="btn btn-ghost ms-auto size-12 p-0"
          aria-label={t('back')}
          disabled={pictures.length === 0}
          onClick={() => onChange(pictures.slice(0, -1))}
        >
          <Delete size={28} className="shrink-0" aria-hidden="true" />
        </button>
      </div>
      <ul className="grid grid-cols-4 gap-2">
        {SECRET_PICTURES.map((picture) => {
          const Picture = DRAWN[picture]
          return (
            <li key={picture}>
              <button
                type="button"
                className="btn h-16 w-full"
                aria-label={t(`picture.${picture}`)}
                disabled={pictures.length === PICTURES_OF_SECRET}
                onClick={() => onChange([...pictures, picture])}
              >
                <Picture size={36} aria-hidden="true" />
              </button>
            </li>
          )
        })}
      </ul>
    </>
  )
}
