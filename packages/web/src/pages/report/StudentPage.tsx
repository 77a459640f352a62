import type { StudentKnowledge } from '@otter/api'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useKnowledge, useSetPractice } from '../../api/reports.ts'
import { useLists } from '../../api/lists.ts'
import { useGameWords } from '../../games/words.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { ReteachButton } from './ReteachButton.tsx'
import { Waterline } from '../../ui/Waterline.tsx'

type Entry = StudentKnowledge['entries'][number]
const WORDS = ['forgotten', 'shaky', 'not-yet', 'well'] as const
/** Words that are shown of each kind before all are asked for. */
const MOST = 24

/** What one student knows by now, all work, and the way to practise. */
export function StudentPage() {
  const t = useTexts(reportTexts)
  const { id = '', studentId = '' } = useParams()
  const knowledge = useKnowledge({ classId: id, studentId })
  if (!knowledge.data)
    return (
      <main className="mx-auto max-w-[1240px] px-4 py-6">
        <h1 className="sr-only">{t('title')}</h1>
        {knowledge.error ? <Notice error={knowledge.error} /> : <Waterline filled={undefined} label={t('fetching')} />}
      </main>
    )
  const { name, className, work, entries } = knowledge.data
  const known = entries.filter(({ word }) => word === 'well').length
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-6">
      <header className="flex flex-wrap items-end gap-3">
        <div className="me-auto">
          <h1 className="text-4xl" dir="auto">
            {t('student.title', { name })}
          </h1>
          <p className="quiet" dir="auto">
            {className}
          </p>
        </div>
        <Link className="btn h-11" to={`/classes/${id}/students/${studentId}/family`}>
          {t('student.family')}
        </Link>
        <Link className="btn h-11" to={`/classes/${id}/report`}>
          {t('student.back', { name: className })}
        </Link>
      </header>
      <Waterline
        filled={entries.length === 0 ? 0 : known / entries.length}
        label={t('map.rightOf', { right: known, met: entries.length })}
      />
      {entries.length === 0 && work.length === 0 && <p className="panel p-4">{t('student.nothing', { name })}</p>}
      {entries.length > 0 && (
        <>
          <Practice classId={id} studentId={studentId} name={name} entries={entries} />
          <div className="grid items-start gap-4 md:grid-cols-2">
            {WORDS.map((word) => (
              <Remembered key={word} word={word} entries={entries.filter((entry) => entry.word === word)} />
            ))}
          </div>
        </>
      )}
      {work.length > 0 && <Work work={work} />}
    </main>
  )
}

function Remembered({ word, entries }: { word: Entry['word']; entries: readonly Entry[] }) {
  const t = useTexts(reportTexts)
  const { date } = useWriting()
  const [isWhole, setWhole] = useState(false)
  return (
    <section aria-labelledby={word} className="panel p-4">
      <h2 id={word} className="text-xl">
        {t(`student.${word}`)} <span className="quiet font-sans text-base tabular-nums">{entries.length}</span>
      </h2>
      {entries.length === 0 && <p className="quiet">{t('student.none')}</p>}
      <ul className="flex flex-wrap gap-2 pt-1">
        {(isWhole ? entries : entries.slice(0, MOST)).map(({ entryId, text, right, answers, lastAt }) => {
          const facts = t('student.last', {
            right,
            answers,
            when: date(lastAt, { day: 'numeric', month: 'short' }),
          })
          return (
            <li key={entryId} className="rounded-sm border border-base-300 px-2 py-1" title={facts}>
              <bdi>{text}</bdi>
              <span className="sr-only"> {facts}</span>
            </li>
          )
        })}
      </ul>
      {entries.length > MOST && !isWhole && (
        <button type="button" className="btn mt-2 h-11" onClick={() => setWhole(true)}>
          {t('entries.all', { count: entries.length })}
        </button>
      )}
    </section>
  )
}

interface PracticeProps {
  classId: string
  studentId: string
  name: string
  entries: readonly Entry[]
}

/** Sets what is not known well, in one press. */
function Practice({ classId, studentId, name, entries }: PracticeProps) {
  const t = useTexts(reportTexts)
  const lists = useLists()
  const set = useSetPractice({ classId, studentId })
  const [requestId, setRequestId] = useState(newId)
  const weak = new Map<string, number>()
  for (const { listId, word } of entries)
    if (listId !== null && word !== 'well') weak.set(listId, (weak.get(listId) ?? 0) + 1)
  const choices = [...weak].sort(([, one], [, other]) => other - one)
  const [chosen, setChosen] = useState<string>()
  const listId = chosen !== undefined && weak.has(chosen) ? chosen : choices[0]?.[0]
  if (listId === undefined) return null
  const titleOf = (id: string): string => lists.data?.find((one) => one.id === id)?.title ?? ''
  return (
    <section aria-label={t('student.practise')} className="panel flex flex-wrap items-end gap-3 p-4">
      <p className="me-auto self-center">{t('student.practiseHelp', { name })}</p>
      <label className="flex flex-col">
        <span className="quiet text-sm">{t('student.list')}</span>
        <select
          className="select h-11 w-auto"
          value={listId}
          onChange={(event) => {
            setChosen(event.target.value)
            setRequestId(newId())
          }}
        >
          {choices.map(([id, count]) => (
            <option key={id} value={id}>
              {t('student.practiseOf', { title: titleOf(id), count })}
            </option>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="btn btn-primary h-11"
        disabled={set.isPending}
        onClick={() => set.mutate({ requestId, listId })}
      >
        {t('student.practise')}
      </button>
      <ReteachButton
        scope={{ class: classId }}
        below={1}
        persons={[studentId]}
        title={t('reteach.listTitle', { title: name })}
      >
        {t('reteach.for', { name })}
      </ReteachButton>
      <p role="status" className="self-center">
        {set.data && t('student.set', { code: set.data.code })}
      </p>
      <Notice error={set.error} />
    </section>
  )
}

function Work({ work }: { work: StudentKnowledge['work'] }) {
  const t = useTexts(reportTexts)
  const games = useGameWords()
  const { date } = useWriting()
  return (
    <section aria-labelledby="work" className="panel p-4">
      <h2 id="work" className="text-xl">
        {t('student.work')}
      </h2>
      <ul>
        {work.map(({ offerId, title, kind, at, share, attempts }) => (
          <li key={offerId} className="flex flex-wrap items-baseline gap-x-3 border-t border-base-300 py-1">
            <bdi className="font-bold">{title}</bdi>
            <span className="quiet me-auto">
              {[games.name(kind), date(at, { dateStyle: 'medium' }), t('student.attempts', { count: attempts })].join(
                ' · ',
              )}
            </span>
            <span className="tabular-nums">{share === null ? t('student.self') : `${Math.round(share * 100)} %`}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
