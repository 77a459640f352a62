import type { ListReply } from '@otter/api'
import { directionOf, wordsearch, type EntryList } from '@otter/core'
import { ClipboardPaste, Printer, Redo2, Undo2 } from 'lucide-react'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useCreateLink, useList } from '../../api/queries.ts'
import { sentenceFor } from '../../games/wordsearch/sentences.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { insertRows } from './draft.ts'
import { GamePanel } from './GamePanel.tsx'
import { keepChoice, keptChoice, newSeed, type GameChoice } from './gameChoice.ts'
import { ListHeader } from './ListHeader.tsx'
import { PasteReview } from './PasteReview.tsx'
import { useListDraft, type ListDraft } from './useListDraft.ts'
import { notesByEntry, WordsTable } from './WordsTable.tsx'

/** A list: its words, and beside them what they become. */
export function ListPage() {
  const { id = '' } = useParams()
  const list = useList(id)
  return (
    <main className="mx-auto max-w-[1240px] px-4 py-5">
      {list.isPending && <Waterline filled={undefined} label="Fetching the list" />}
      <Notice error={list.error} />
      {list.data && <ListEditor key={list.data.id} list={list.data} />}
    </main>
  )
}

const LANGUAGE_NAMES: Record<string, string> = { '': 'Any language', en: 'English', es: 'Spanish', fr: 'French', de: 'German', pt: 'Portuguese', it: 'Italian', nl: 'Dutch', he: 'Hebrew', ar: 'Arabic', zh: 'Chinese', ru: 'Russian', tr: 'Turkish', pl: 'Polish' }

function ListEditor({ list }: { list: ListReply }) {
  const own = useListDraft(list)
  const { draft, edit } = own
  const [choice, setChoice] = useState<GameChoice>(() => keptChoice(list.id))
  const [pasted, setPasted] = useState<{ text: string; index: number }>()
  const share = useCreateLink(list.id)
  const navigate = useNavigate()
  useEffect(() => keepChoice(list.id, choice), [list.id, choice])
  const deferred = useDeferredValue(draft)
  const entryList = useMemo((): EntryList => ({ title: deferred.title, answerLanguage: deferred.answerLanguage, promptLanguage: deferred.promptLanguage, entries: deferred.entries.map(({ id, answer, prompt }) => ({ id, answer, prompt })) }), [deferred])
  const fit = useMemo(() => wordsearch.fit(entryList, choice.options), [entryList, choice.options])
  const notes = useMemo(() => notesByEntry(fit.notes, sentenceFor), [fit])

  useEffect(() => {
    const key = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return
      if (event.key.toLowerCase() === 'z') (event.shiftKey ? own.redo : own.undo)()
    }
    addEventListener('keydown', key)
    return () => removeEventListener('keydown', key)
  }, [own.redo, own.undo])

  const shareNow = async (): Promise<void> => {
    if (!(await own.flush())) return
    const seed = choice.seed.trim() || newSeed()
    share.mutate({ kind: 'wordsearch', options: choice.options, seed }, { onSuccess: () => void navigate(`/lists/${list.id}/play`) })
  }
  return (
    <div className="flex flex-col gap-5">
      <ListHeader
        listId={list.id} step={fit.ready ? 'Games' : 'Words'}
        title={<h1><input aria-label="Title of the list" dir="auto" placeholder="Untitled list" maxLength={200} className="w-full bg-transparent font-display text-4xl placeholder:text-neutral" style={{ direction: draft.title ? directionOf(draft.title) : undefined }} value={draft.title} onChange={(event) => edit((before) => ({ ...before, title: event.target.value }), 'title')} /></h1>}
        facts={<Facts own={own} />}
        action={<>
          <button type="button" className="btn h-11" disabled={!fit.ready} onClick={() => void own.flush().then(() => navigate(`/lists/${list.id}/print`))}><Printer size={18} aria-hidden="true" />Print</button>
          <button type="button" className="btn btn-primary h-11" disabled={!fit.ready || share.isPending} onClick={() => void shareNow()}>Share with students</button>
        </>}
      />
      <Notice error={share.error} />
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
        <section aria-label="Words" className="flex flex-col gap-2">
          <div className="flex flex-wrap items-center gap-2">
            <button type="button" className="btn btn-sm" onClick={() => setPasted({ text: '', index: draft.entries.length })}><ClipboardPaste size={16} aria-hidden="true" />Paste words</button>
            <button type="button" className="btn btn-ghost btn-sm" disabled={!own.canUndo} onClick={own.undo}><Undo2 size={16} aria-hidden="true" />Undo</button>
            <button type="button" className="btn btn-ghost btn-sm" disabled={!own.canRedo} onClick={own.redo}><Redo2 size={16} aria-hidden="true" />Redo</button>
            <label className="ms-auto flex items-center gap-2 text-sm"><span className="quiet">Answers in</span>
              <select className="select select-sm w-36" value={draft.answerLanguage} onChange={(event) => edit((before) => ({ ...before, answerLanguage: event.target.value }))}>
                {Object.entries({ ...LANGUAGE_NAMES, ...(draft.answerLanguage in LANGUAGE_NAMES ? {} : { [draft.answerLanguage]: draft.answerLanguage }) }).map(([code, name]) => <option key={code} value={code}>{name}</option>)}
              </select>
            </label>
          </div>
          <WordsTable draft={draft} edit={edit} undo={own.undo} redo={own.redo} notes={notes} onPaste={(text, index) => setPasted({ text, index })} />
          <p className="quiet text-sm">Enter: next row · Tab: next cell · Ctrl + Backspace: delete the row · Ctrl + Z: undo</p>
        </section>
        <GamePanel list={entryList} fit={fit} choice={choice} onChoose={setChoice} />
      </div>
      {pasted && (
        <PasteReview
          text={pasted.text} entryCount={draft.entries.length} onClose={() => setPasted(undefined)}
          onKeep={(rows) => {
            edit((before) => ({ ...before, entries: insertRows(before.entries, pasted.index, rows) }))
            setPasted(undefined)
          }}
        />
      )}
    </div>
  )
}

function Facts({ own: { draft, saveState, problem } }: { own: ListDraft }) {
  const count = draft.entries.length
  return (
    <>
      {count} {count === 1 ? 'entry' : 'entries'} · {LANGUAGE_NAMES[draft.answerLanguage] ?? draft.answerLanguage} · {' '}
      {saveState === 'saved' ? 'saved' : saveState === 'saving' ? 'saving …' : <strong className="text-error">not saved yet: {problem} Trying again.</strong>}
    </>
  )
}
