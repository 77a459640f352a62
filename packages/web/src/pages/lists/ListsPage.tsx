import { mediaPath, type ListSummary } from '@otter/api'
import { directionOf, foldText } from '@otter/core'
import { Archive, ArchiveRestore, CopyPlus, FileUp, Plus } from 'lucide-react'
import { useMemo, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useAllOffers } from '../../api/offers.ts'
import { useCreateList, useFreeRoom, useListAction, useLists, useRoom } from '../../api/lists.ts'
import { Notice } from '../../ui/Notice.tsx'
import { keptWords } from '../start/keptWords.ts'
import { FirstSteps } from './FirstSteps.tsx'
import { Now } from './Now.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { commonTexts, listsTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { useShortcuts } from '../../ui/useShortcuts.ts'

/** All lists of a teacher: to search, by folder, and the ones put away. */
export function ListsPage() {
  const t = useTexts(listsTexts)
  const lists = useLists()
  const offers = useAllOffers()
  // What stands above comes first: or the lists would move away under a finger.
  const shown = offers.isPending ? undefined : lists.data
  const create = useCreateList()
  const act = useListAction()
  const navigate = useNavigate()
  const [wanted, setWanted] = useState('')
  const [archived, setArchived] = useState(false)
  const [kept] = useState(() => keptWords() !== '')
  const search = useRef<HTMLInputElement>(null)
  useShortcuts((event) => {
    if (event.key !== '/') return
    event.preventDefault()
    search.current?.focus()
  })
  const folders = useMemo(() => {
    const words = foldText(wanted, { accents: 'folded' }).split(' ')
    const matches = ({ title, folder, subject, grade, tags }: ListSummary): boolean => {
      const text = foldText([title, folder, subject, grade, ...tags].join(' '), { accents: 'folded' })
      return words.every((word) => text.includes(word))
    }
    const found = shown?.filter((list) => list.archived === archived && (wanted.trim() === '' || matches(list))) ?? []
    const names = [...new Set(found.map(({ folder }) => folder))].sort((one, other) =>
      one === '' ? -1 : other === '' ? 1 : one.localeCompare(other),
    )
    return names.map((name) => ({ name, lists: found.filter(({ folder }) => folder === name) }))
  }, [shown, wanted, archived])
  const putAway = lists.data?.filter((list) => list.archived).length ?? 0
  const begin = (open?: 'import'): void =>
    create.mutate({}, { onSuccess: ({ id }) => void navigate(`/lists/${id}`, open && { state: { open } }) })
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-6">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="me-auto text-4xl">{archived ? t('putAwayTitle') : t('yours')}</h1>
        <input
          ref={search}
          type="search"
          aria-label={t('search')}
          placeholder={t('searchHint')}
          className="input h-11 w-52"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        <button type="button" className="btn h-11" disabled={create.isPending} onClick={() => begin('import')}>
          <FileUp size={18} aria-hidden="true" />
          {t('fromFile')}
        </button>
        <button type="button" className="btn btn-primary h-11" disabled={create.isPending} onClick={() => begin()}>
          <Plus size={18} aria-hidden="true" />
          {t('new')}
        </button>
      </div>
      <Waterline filled={lists.isPending ? undefined : 1} label={lists.isPending ? t('fetching') : t('here')} />
      <Notice error={lists.error ?? create.error ?? act.error} />
      <Now offers={offers.data ?? []} />
      {kept && (
        <p className="panel flex flex-wrap items-center justify-between gap-2 border-secondary p-3">
          {t('first.waiting')}
          <Link to="/start" className="btn h-11">
            {t('first.goOn')}
          </Link>
        </p>
      )}
      {shown?.length === 0 && <FirstSteps onFile={() => begin('import')} />}
      {shown !== undefined && shown.length > 0 && folders.length === 0 && (
        <p className="quiet">{wanted.trim() === '' ? t('nothing') : t('noMatch', { text: wanted })}</p>
      )}
      {folders.map(({ name, lists: own }) => (
        <section key={name} aria-label={name || t('noFolder')} className="flex flex-col gap-3">
          {name !== '' && (
            <h2 className="text-2xl" dir="auto">
              {name}
            </h2>
          )}
          <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
            {own.map((list) => (
              <li key={list.id}>
                <ListCard list={list} onAct={(action) => act.mutate({ id: list.id, action })} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      <Room />
      {(putAway > 0 || archived) && (
        <button type="button" className="btn btn-ghost self-start" onClick={() => setArchived(!archived)}>
          <Archive size={18} aria-hidden="true" />
          {archived ? t('backToLists') : t('putAwayCount', { count: putAway })}
        </button>
      )}
    </main>
  )
}

/** Bytes from which it is said how much room pictures and sounds take. */
const WORTH_SAYING = 1e6

function Room() {
  const t = useTexts(listsTexts)
  const room = useRoom()
  const free = useFreeRoom()
  if (!room.data || room.data.used < WORTH_SAYING) return null
  const { used, room: all } = room.data
  return (
    <p className="quiet flex flex-wrap items-center gap-2 text-sm">
      <span>{t('media', { used: Math.round(used / 1e6), most: Math.round(all / 1e6) })}</span>
      <button type="button" className="btn btn-sm" disabled={free.isPending} onClick={() => free.mutate()}>
        {t('sweep')}
      </button>
      <Notice error={free.error} />
    </p>
  )
}

function ListCard({
  list: { id, title, cover, entryCount, updatedAt, subject, grade, tags, archived },
  onAct,
}: {
  list: ListSummary
  onAct: (action: 'duplicate' | 'archive' | 'restore') => void
}) {
  const common = useTexts(commonTexts)
  const t = useTexts(listsTexts)
  const { date } = useWriting()
  const name = title || common('untitled')
  return (
    <div
      className="panel flex h-full border-s-4 hover:border-secondary"
      style={{ borderInlineStartColor: 'var(--margin-line)' }}
    >
      <Link to={`/lists/${id}`} className="flex min-w-0 flex-1 gap-3 p-4">
        {cover && <img src={mediaPath(cover.id)} alt="" className="size-14 rounded-sm under-picture object-contain" />}
        <span className="flex min-w-0 flex-col gap-1">
          <span className="font-display text-xl" dir={directionOf(title)}>
            {name}
          </span>
          <span className="quiet">
            {t('entries', { count: entryCount })} ·{' '}
            {t('changed', { when: date(updatedAt, { day: 'numeric', month: 'long' }) })}
          </span>
          {(subject || grade || tags.length > 0) && (
            <span className="quiet text-sm" dir="auto">
              {[subject, grade, ...tags].filter((part) => part !== '').join(' · ')}
            </span>
          )}
        </span>
      </Link>
      <span className="flex flex-col justify-center border-s border-base-300 p-1">
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          title={t('duplicate')}
          aria-label={t('duplicateOf', { name })}
          onClick={() => onAct('duplicate')}
        >
          <CopyPlus size={16} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          title={archived ? t('takeBack') : t('putAway')}
          aria-label={`${archived ? t('takeBack') : t('putAway')} ${name}`}
          onClick={() => onAct(archived ? 'restore' : 'archive')}
        >
          {archived ? <ArchiveRestore size={16} aria-hidden="true" /> : <Archive size={16} aria-hidden="true" />}
        </button>
      </span>
    </div>
  )
}
