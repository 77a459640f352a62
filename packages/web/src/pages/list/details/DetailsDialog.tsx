import { mediaPath } from '@otter/api'
import type { ListDetails } from '@otter/core'
import { ImagePlus, X } from 'lucide-react'
import { useId, useState } from 'react'
import { languagesWith } from './languages.ts'
import { PicturePicker } from '../pictures/PicturePicker.tsx'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../../texts/texts.ts'
import { Dialog } from '../../../ui/Dialog.tsx'

export interface DetailsDialogProps {
  details: ListDetails
  folders: readonly string[]
  onChange: (change: Partial<ListDetails>) => void
  onClose: () => void
}

/** What is said about the list as a whole. It is kept as it is typed, like everything else. */
export function DetailsDialog({ details, folders, onChange, onClose }: DetailsDialogProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const { nameOf } = useWriting()
  const id = useId()
  const [picking, setPicking] = useState(false)
  const [tags, setTags] = useState(details.tags.join(', '))
  const line = (name: 'subject' | 'grade' | 'folder', label: string, most: number, list?: string) => (
    <label className="flex flex-col text-sm">
      {label}
      <input
        className="input w-full"
        dir="auto"
        maxLength={most}
        list={list}
        value={details[name]}
        onChange={(event) => onChange({ [name]: event.target.value })}
      />
    </label>
  )
  const language = (name: 'answerLanguage' | 'promptLanguage', label: string) => (
    <label className="flex flex-col text-sm">
      {label}
      <select
        className="select w-full"
        value={details[name]}
        onChange={(event) => onChange({ [name]: event.target.value })}
      >
        {languagesWith(details[name]).map((code) => (
          <option key={code} value={code}>
            {code === '' ? t('anyLanguage') : nameOf(code)}
          </option>
        ))}
      </select>
    </label>
  )
  return (
    <Dialog title={t('details.title')} layout="flex max-w-2xl flex-col gap-3" onClose={onClose}>
      <div className="flex gap-4">
        {details.cover ? (
          <span className="relative">
            <img
              src={mediaPath(details.cover.id)}
              alt={details.cover.alt || t('details.theCover')}
              className="size-28 rounded-sm border border-base-300 under-picture object-contain"
            />
            <button
              type="button"
              className="btn btn-sm btn-square absolute end-1 top-1"
              aria-label={t('details.takeCoverOff')}
              onClick={() => onChange({ cover: null })}
            >
              <X size={16} aria-hidden="true" />
            </button>
          </span>
        ) : (
          <button type="button" className="btn size-28 flex-col" onClick={() => setPicking(true)}>
            <ImagePlus size={20} aria-hidden="true" />
            {t('details.cover')}
          </button>
        )}
        <label className="flex flex-1 flex-col text-sm">
          {t('details.description')}
          <textarea
            rows={4}
            dir="auto"
            maxLength={2000}
            className="textarea w-full flex-1"
            value={details.description}
            onChange={(event) => onChange({ description: event.target.value })}
          />
        </label>
      </div>
      <div className="grid grid-cols-2 gap-3">
        {language('answerLanguage', t('details.answersIn'))}
        {language('promptLanguage', t('details.promptsIn'))}
        {line('subject', t('details.subject'), 100)}
        {line('grade', t('details.grade'), 50)}
        {line('folder', t('details.folder'), 100, `${id}-folders`)}
        <datalist id={`${id}-folders`}>
          {folders.map((folder) => (
            <option key={folder} value={folder} />
          ))}
        </datalist>
        <label className="flex flex-col text-sm">
          {t('details.tags')}
          <input
            className="input w-full"
            dir="auto"
            value={tags}
            onChange={(event) => {
              setTags(event.target.value)
              onChange({
                tags: [
                  ...new Set(
                    event.target.value
                      .split(',')
                      .map((tag) => tag.trim().slice(0, 50))
                      .filter((tag) => tag !== ''),
                  ),
                ].slice(0, 20),
              })
            }}
          />
        </label>
      </div>
      <div className="flex justify-end">
        <button type="button" className="btn btn-primary" onClick={onClose}>
          {common('done')}
        </button>
      </div>
      {picking && (
        <PicturePicker
          word={details.title}
          language={details.promptLanguage}
          onClose={() => setPicking(false)}
          onPick={(cover) => {
            onChange({ cover })
            setPicking(false)
          }}
        />
      )}
    </Dialog>
  )
}
