import type { ListReply } from '@otter/api'
import { directionOf, GAME_KINDS, gameOf, type EntryList, type GameKind } from '@otter/core'
import { Printer } from 'lucide-react'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useCreateOffer, useList, useProved } from '../../api/queries.ts'
import { useGameWords } from '../../games/words.ts'
import { Lost } from '../Lost.tsx'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { choiceOf, keepChoices, keptChoices, newSeed, type Choices } from './games/gameChoice.ts'
import { GameStep } from './games/GameStep.tsx'
import { ListHeader } from './ListHeader.tsx'
import { OverruledNotices } from './draft/OverruledNotices.tsx'
import { useListDraft, type ListDraft } from './draft/useListDraft.ts'
import { OutdatedLinks } from './OutdatedLinks.tsx'
import { WordsStep } from './WordsStep.tsx'
import type { AllOptions } from '../../workers/lookOver.ts'
import { useLookedOver } from '../../workers/useLookedOver.ts'
import { commonTexts, listTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** A list: its words, what they can be, and one game of them. */
export function ListPage() {
  const t = useTexts(listTexts)
  const { id = '', kind } = useParams()
  const list = useList(id)
  if (kind !== undefined && !(GAME_KINDS as string[]).includes(kind)) return <Lost />
  return (
    <main className="mx-auto max-w-[1240px] px-4 py-5">
      {list.isPending && (
        <div className="min-h-dvh">
          <Waterline filled={undefined} label={t('fetching')} />
        </div>
      )}
      <Notice error={list.error} />
      {list.data && <ListEditor key={list.data.id} list={list.data} kind={kind as GameKind | undefined} />}
    </main>
  )
}

function ListEditor({ list, kind }: { list: ListReply; kind: GameKind | undefined }) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const listDraft = useListDraft(list)
  const { draft, edit } = listDraft
  const [choices, setChoices] = useState<Choices>(() => keptChoices(list.id))
  const share = useCreateOffer(list.id)
  const [request, setRequest] = useState(newId)
  const navigate = useNavigate()
  if (kind !== undefined && kind !== choices.kind) setChoices({ ...choices, kind })
  useEffect(() => keepChoices(list.id, choices), [list.id, choices])
  const { title, answerLanguage, promptLanguage, entries } = useDeferredValue(draft)
  const usesProved = kind !== undefined && (gameOf(kind).usesProved?.(choiceOf(choices, kind).options) ?? false)
  const proved = useProved(usesProved ? list.id : undefined)
  const entryList = useMemo(
    (): EntryList => ({ title, answerLanguage, promptLanguage, entries, ...(proved && { proved }) }),
    [title, answerLanguage, promptLanguage, entries, proved],
  )
  const options = useMemo(
    () => Object.fromEntries(GAME_KINDS.map((one) => [one, choiceOf(choices, one).options])) as AllOptions,
    [choices],
  )
  const looked = useLookedOver(entryList, options)
  const isReady = (one: GameKind): boolean => looked?.fits[one].ready ?? false
  const shown = kind ?? (isReady(choices.kind) ? choices.kind : (GAME_KINDS.find(isReady) ?? choices.kind))
  const go = (path: string): void =>
    void listDraft.flush().then((saved) => saved && navigate(`/lists/${list.id}${path}`))
  const shareNow = async (as: GameKind): Promise<void> => {
    if (!(await listDraft.flush())) return
    const { options, seed } = choiceOf(choices, as)
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
            <>
              {gameOf(kind).onPaper && (
                <button
                  type="button"
                  className="btn h-11"
                  disabled={!isReady(kind)}
                  onClick={() => go(`/games/${kind}/print`)}
                >
                  <Printer size={18} aria-hidden="true" />
                  {common('print')}
                </button>
              )}
              <button
                type="button"
                className="btn btn-primary h-11"
                disabled={!isReady(kind) || share.isPending}
                onClick={() => void shareNow(kind)}
              >
                {t(share.isPending ? 'sharing' : 'share')}
              </button>
            </>
          ) : (
            <button type="button" className="btn btn-primary h-11" onClick={() => go(`/games/${shown}`)}>
              {t('makeGame')}
            </button>
          )
        }
      />
      <Notice error={share.error} />
      <OverruledNotices overruled={listDraft.overruled} draft={draft} edit={edit} settle={listDraft.settle} />
      {kind && (
        <nav aria-label={t('allGames')} className="flex flex-wrap gap-2">
          {GAME_KINDS.map((one) => (
            <button
              key={one}
              type="button"
              aria-current={one === kind ? 'page' : undefined}
              className={`btn h-11 ${one === kind ? 'border-secondary! bg-accent!' : 'font-normal'}`}
              onClick={() => go(`/games/${one}`)}
            >
              {words.name(one)}
            </button>
          ))}
        </nav>
      )}
      {kind ? (
        looked && (
          <GameStep
            key={kind}
            listId={list.id}
            kind={kind}
            list={entryList}
            fit={looked.fits[kind]}
            choice={choiceOf(choices, kind)}
            onChoose={(choice) => setChoices((before) => ({ ...before, games: { ...before.games, [kind]: choice } }))}
          />
        )
      ) : (
        <>
          <OutdatedLinks listId={list.id} />
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
