import type { OfferedPicture } from '@otter/api'
import type { Picture } from '@otter/core'
import { ImageUp } from 'lucide-react'
import { useDeferredValue, useState } from 'react'
import { takeOffered, uploadPicture } from '../../../api/media.ts'
import { usePictures } from '../../../api/lists.ts'
import { Notice } from '../../../ui/Notice.tsx'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { Dialog } from '../../../ui/Dialog.tsx'

interface PicturePickerProps {
  /** What is searched at first. */
  word: string
  language: string
  onPick: (picture: Picture) => void
  onClose: () => void
}

/** Finds a picture: in the gallery by word, from a file, by drop or from the clipboard. */
export function PicturePicker({ word: first, language, onPick, onClose }: PicturePickerProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const [word, setWord] = useState(first)
  const [state, setState] = useState<{ busy: boolean; error?: Error }>({ busy: false })
  const pictures = usePictures(useDeferredValue(word.trim()), language)
  const pick = (fetched: () => Promise<Picture>): void => {
    setState({ busy: true })
    fetched().then(onPick, (error: Error) => setState({ busy: false, error }))
  }
  const pickFile = (file: File | undefined): void => {
    if (file) pick(() => uploadPicture(file, word))
  }
  return (
    <Dialog
      title={t('picker.title')}
      layout="flex max-h-[90dvh] max-w-2xl flex-col gap-3"
      box={{
        onPaste: (event) => pickFile(event.clipboardData.files[0]),
        onDragOver: (event) => event.preventDefault(),
        onDrop: (event) => {
          event.preventDefault()
          pickFile(event.dataTransfer.files[0])
        },
      }}
      onClose={onClose}
    >
      <div className="flex flex-wrap gap-2">
        <input
          type="search"
          data-first
          aria-label={t('picker.search')}
          dir="auto"
          placeholder={t('picker.searchHint')}
          className="input min-w-40 flex-1"
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
        <label className="btn">
          <ImageUp size={18} aria-hidden="true" />
          {t('picker.fromFile')}
          <input
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(event) => pickFile(event.target.files?.[0])}
          />
        </label>
      </div>
      <Notice error={state.error ?? pictures.error} />
      <Offers
        pictures={pictures.data ?? []}
        disabled={state.busy}
        onPick={(offered) => pick(() => takeOffered(offered, word))}
      />
      {pictures.data?.length === 0 && <p className="quiet">{t('picker.nothing', { text: word })}</p>}
      <p className="quiet text-sm">{t('picker.help')}</p>
      <div className="flex justify-end">
        <button type="button" className="btn" onClick={onClose}>
          {common('cancel')}
        </button>
      </div>
    </Dialog>
  )
}

/** Pictures to choose from. */
function Offers({
  pictures,
  disabled,
  onPick,
}: {
  pictures: OfferedPicture[]
  disabled: boolean
  onPick: (offered: OfferedPicture) => void
}) {
  const t = useTexts(listTexts)
  return (
    <ul className="grid grid-cols-4 gap-2 overflow-auto p-1 sm:grid-cols-6" aria-label={t('picker.found')}>
      {pictures.map((offered) => (
        <li key={`${offered.set}/${offered.name}`}>
          <button
            type="button"
            disabled={disabled}
            className="w-full cursor-pointer rounded-sm border border-base-300 under-picture p-2 hover:border-secondary"
            title={`${offered.name.replaceAll('-', ' ')} · ${offered.credit}`}
            onClick={() => onPick(offered)}
          >
            <img
              src={offered.path}
              alt={offered.name.replaceAll('-', ' ')}
              className="aspect-square w-full"
              loading="lazy"
            />
          </button>
        </li>
      ))}
    </ul>
  )
}
