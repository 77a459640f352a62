import type { OfferedPicture, PlacedEntry, SuggestionsReply } from '@otter/api'
import { isEmptyFace, type Picture } from '@otter/core'
import { useEffect, useMemo, useState } from 'react'
import { call } from '../../../api/client.ts'
import { takeOffered } from '../../../api/media.ts'
import { Notice } from '../../../ui/Notice.tsx'
import { Waterline } from '../../../ui/Waterline.tsx'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { Dialog } from '../../../ui/Dialog.tsx'

export interface SuggestPicturesProps {
  entries: readonly PlacedEntry[]
  answerLanguage: string
  promptLanguage: string
  onKeep: (side: 'answer' | 'prompt', pictures: Map<string, Picture>) => void
  onClose: () => void
}

/** Most words asked about at once. */
const MOST = 200

/** Offers pictures for every word of the list; what is not chosen is not put in. */
export function SuggestPictures({ entries, answerLanguage, promptLanguage, onKeep, onClose }: SuggestPicturesProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const [searched, setSearched] = useState<'answer' | 'prompt'>('answer')
  const [side, setSide] = useState<'answer' | 'prompt'>('prompt')
  const [offers, setOffers] = useState<Map<string, OfferedPicture[]>>()
  const [chosen, setChosen] = useState<ReadonlyMap<string, OfferedPicture>>(new Map())
  const [state, setState] = useState<{ busy: boolean; error?: Error }>({ busy: false })
  const open = useMemo(
    () => entries.filter((entry) => entry[searched].text.trim() !== '' && !entry[side].picture).slice(0, MOST),
    [entries, searched, side],
  )
  useEffect(() => {
    let current = true
    call<SuggestionsReply>('POST', '/gallery/suggestions', {
      language: searched === 'answer' ? answerLanguage : promptLanguage,
      words: open.map((entry) => entry[searched].text.slice(0, 200)),
    }).then(
      ({ suggestions }) => current && setOffers(new Map(open.map(({ id }, index) => [id, suggestions[index] ?? []]))),
      (error: Error) => current && setState({ busy: false, error }),
    )
    return () => {
      current = false
    }
  }, [open, searched, answerLanguage, promptLanguage])
  const choose = (id: string, offered: OfferedPicture): void =>
    setChosen((before) => {
      const next = new Map(before)
      if (next.get(id) === offered) next.delete(id)
      else next.set(id, offered)
      return next
    })
  const keep = async (): Promise<void> => {
    setState({ busy: true })
    try {
      const taken = new Map<string, Picture>()
      for (const [id, offered] of chosen)
        taken.set(id, await takeOffered(offered, entries.find((entry) => entry.id === id)?.[searched].text ?? ''))
      onKeep(side, taken)
    } catch (error) {
      setState({ busy: false, error: error as Error })
    }
  }
  const found = open.filter(({ id }) => (offers?.get(id)?.length ?? 0) > 0)
  const empty = open.length - found.length
  return (
    <Dialog title={t('suggest.title')} layout="flex max-h-[92dvh] max-w-3xl flex-col gap-3" onClose={onClose}>
      <div className="flex flex-wrap items-end gap-4 text-sm">
        <label className="flex flex-col">
          {t('suggest.foundBy')}
          <select
            className="select select-sm"
            value={searched}
            onChange={(event) => setSearched(event.target.value as 'answer' | 'prompt')}
          >
            <option value="answer">{t('suggest.answer')}</option>
            <option value="prompt">{t('suggest.prompt')}</option>
          </select>
        </label>
        <label className="flex flex-col">
          {t('suggest.putOn')}
          <select
            className="select select-sm"
            value={side}
            onChange={(event) => setSide(event.target.value as 'answer' | 'prompt')}
          >
            <option value="prompt">{t('suggest.prompt')}</option>
            <option value="answer">{t('suggest.answer')}</option>
          </select>
        </label>
        <button
          type="button"
          className="btn btn-sm"
          disabled={found.length === 0}
          onClick={() => setChosen(new Map(found.map(({ id }) => [id, offers?.get(id)?.[0] as OfferedPicture])))}
        >
          {t('suggest.chooseAll')}
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          disabled={chosen.size === 0}
          onClick={() => setChosen(new Map())}
        >
          {t('suggest.chooseNone')}
        </button>
      </div>
      <Notice error={state.error} />
      {!offers && !state.error && <Waterline filled={undefined} label={t('suggest.looking')} />}
      <ul className="overflow-auto" aria-label={t('suggest.words')}>
        {found.map((entry) => (
          <li key={entry.id} className="flex items-center gap-3 border-b border-base-300 py-1.5">
            <span className="w-1/4 font-bold" dir="auto">
              {entry[searched].text}
            </span>
            <span
              className="flex flex-1 flex-wrap gap-1.5"
              role="group"
              aria-label={t('suggest.picturesFor', { word: entry[searched].text })}
            >
              {offers?.get(entry.id)?.map((offered) => {
                const isChosen = chosen.get(entry.id) === offered
                return (
                  <button
                    key={`${offered.set}/${offered.name}`}
                    type="button"
                    aria-pressed={isChosen}
                    title={`${offered.name.replaceAll('-', ' ')} · ${offered.credit}`}
                    className={`size-14 cursor-pointer rounded-sm border-2 under-picture p-1 ${isChosen ? 'border-secondary' : 'border-base-300'}`}
                    onClick={() => choose(entry.id, offered)}
                  >
                    <img
                      src={offered.path}
                      alt={offered.name.replaceAll('-', ' ')}
                      className="size-full"
                      loading="lazy"
                    />
                  </button>
                )
              })}
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet text-sm">
        {offers &&
          open.length === 0 &&
          (entries.every((entry) => isEmptyFace(entry.answer))
            ? `${t('suggest.noWords')} `
            : `${t('suggest.allHave')} `)}
        {empty > 0 && `${t('suggest.empty', { count: empty })} `}
        {t('suggest.nothingUnless')}
      </p>
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          {common('cancel')}
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={chosen.size === 0 || state.busy}
          onClick={() => void keep()}
        >
          {state.busy ? t('suggest.putting') : t('suggest.put', { count: chosen.size })}
        </button>
      </div>
    </Dialog>
  )
}
