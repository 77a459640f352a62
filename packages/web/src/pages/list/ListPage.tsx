import type { ListReply } from '@otter/api'
import { directionOf, GAME_KINDS, isGameKind, type EntryList, type GameKind } from '@otter/core'
import { Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useCreateOffer } from '../../api/offers.ts'
import { useList } from '../../api/lists.ts'
import { Lost } from '../Lost.tsx'
import { fetchAhead } from '../../ui/fetchAhead.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import type { GameChoice } from './games/choiceOf.ts'
import { keepChoices, keptChoices, newSeed, optionsIn, type Choices } from './games/gameChoice.ts'
import { fetchParts, GameActions, GameNav, GameStep } from './listParts.ts'
import { ListHeader } from './ListHeader.tsx'
import { OverruledNotices } from './draft/OverruledNotices.tsx'
import { useListDraft, type ListDraft } from './draft/useListDraft.ts'
import { OutdatedLinks } from './OutdatedLinks.tsx'
import { WordsStep } from './WordsStep.tsx'
import { useLookedOver } from '../../workers/useLookedOver.ts'
import { commonTexts, listTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** A page that was just opened has more urgent things to fetch than what comes next; in milliseconds. */
const OPENING = 3000

/** A list: its words, what they can be, and one game of them. */
export function ListPage() {
  const t = useTexts(listTexts)
  const { id = '', kind } = useParams()
  const list = useList(id)
  if (kind !== undefined && !isGameKind(kind)) return <Lost />
  return (
    <main className="mx-auto max-w-[1240px] px-4 py-5">
      {list.isPending && (
        <div className="min-h-dvh">
          <Waterline filled={undefined} label={t('fetching')} />
        </div>
      )}
      <Notice error={list.error} />
      {list.data && <ListEditor key={list.data.id} list={list.data} kind={kind} />}
    </main>
  )
}

function ListEditor({ list, kind }: { list: ListReply; kind: GameKind | undefined }) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const listDraft = useListDraft(list)
  const { draft, edit } = listDraft
  const [choices, setChoices] = useState<Choices>(() => keptChoices(list.id))
  const share = useCreateOffer(list.id)
  const [request, setRequest] = useState(newId)
  const navigate = useNavigate()
  if (kind !== undefined && kind !== choices.kind) setChoices({ ...choices, kind })
  useEffect(() => keepChoices(list.id, choices), [list.id, choices])
  useEffect(() => {
    const timer = setTimeout(() => fetchAhead(fetchParts()), OPENING)
    return () => clearTimeout(timer)
  }, [])
  const { title, answerLanguage, promptLanguage, entries } = useDeferredValue(draft)
  const entryList = useMemo(
    (): EntryList => ({ title, answerLanguage, promptLanguage, entries }),
    [title, answerLanguage, promptLanguage, entries],
  )
  const options = useMemo(() => optionsIn(choices), [choices])
  const looked = useLookedOver(entryList, options)
  const isReady = (one: GameKind): boolean => looked.fits?.[one].ready ?? false
  const shown = kind ?? (isReady(choices.kind) ? choices.kind : (GAME_KINDS.find(isReady) ?? choices.kind))
  const go = (path: string): void =>
    void listDraft.flush().then((saved) => saved && navigate(`/lists/${list.id}${path}`))
  const shareNow = async (as: GameKind, { options, seed }: GameChoice): Promise<void> => {
    if (!(await listDraft.flush())) return
    share.mutate(
      { kind: as, options, seed: seed.trim() || newSeed(), requestId: request },
      {
        onSuccess: () => {
          setRequest(newId())
          void navigate(`/lists/${list.id}/play`)
        },
      },
    )
  }
  return (
    <div className="flex flex-col gap-5">
      <ListHeader
        listId={list.id}
        step={kind ? 'games' : 'words'}
        game={shown}
        title={
          <h1>
            <input
              aria-label={t('title')}
              dir="auto"
              placeholder={common('untitled')}
              maxLength={200}
              className="w-full bg-transparent font-display text-4xl along-page placeholder:text-neutral"
              style={{ direction: draft.title ? directionOf(draft.title) : undefined }}
              value={draft.title}
              onChange={(event) => edit((before) => ({ ...before, title: event.target.value }), 'title')}
            />
          </h1>
        }
        facts={<Facts listDraft={listDraft} />}
        action={
          kind ? (
            <GameActions
              kind={kind}
              choices={choices}
              isReady={isReady(kind)}
              isSharing={share.isPending}
              onPrint={() => go(`/games/${kind}/print`)}
              onShare={(choice) => void shareNow(kind, choice)}
            />
          ) : (
            <button type="button" className="btn btn-primary h-11" onClick={() => go(`/games/${shown}`)}>
              {t('makeGame')}
            </button>
          )
        }
      />
      <Notice error={share.error} />
      <OverruledNotices overruled={listDraft.overruled} draft={draft} edit={edit} settle={listDraft.settle} />
      {kind ? (
        <>
          <GameNav kind={kind} onGo={(one) => go(`/games/${one}`)} />
          {looked.fits && (
            <GameStep
              key={kind}
              listId={list.id}
              kind={kind}
              list={entryList}
              fit={looked.fits[kind]}
              choices={choices}
              onChoose={(choice) => setChoices((before) => ({ ...before, games: { ...before.games, [kind]: choice } }))}
            />
          )}
        </>
      ) : (
        <>
          <Suspense>
            <OutdatedLinks listId={list.id} />
          </Suspense>
          <WordsStep listId={list.id} listDraft={listDraft} list={entryList} looked={looked} />
        </>
      )}
    </div>
  )
}

function Facts({ listDraft: { draft, saveState, problem } }: { listDraft: ListDraft }) {
  const t = useTexts(listTexts)
  const { nameOf } = useWriting()
  const count = draft.entries.length
  return (
    <>
      {t('entries', { count })} · {draft.answerLanguage === '' ? t('anyLanguage') : nameOf(draft.answerLanguage)}
      {draft.subject && ` · ${draft.subject}`}
      {draft.grade && ` · ${draft.grade}`} ·{' '}
      {saveState === 'saved' ? (
        t('saved')
      ) : saveState === 'saving' ? (
        t('saving')
      ) : (
        <strong className="text-error">{t('notSaved', { problem: problem ?? '' })}</strong>
      )}
    </>
  )
}
