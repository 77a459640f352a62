import type { RosterClass } from '@otter/core/formats'
import { useState } from 'react'
import { Link } from 'react-router'
import { MOST_IMPORTED } from '@otter/api'
import { useComparedClasses, useImportClasses } from '../../api/classImport.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { useRoster } from '../../workers/useRoster.ts'
import type { RosterAnswer } from '../../workers/roster.worker.ts'
import { ImportedClass } from './ImportedClass.tsx'

/** Classes shown at once: a school's file may hold hundreds. */
const SHOWN = 200

/** Brings in classes from a file of a school's system: every row is seen before anything is taken. */
export function ImportPage() {
  const t = useTexts(classesTexts)
  const [file, setFile] = useState<File>()
  const answer = useRoster(file)
  return (
    <main className="mx-auto flex max-w-[960px] flex-col gap-4 px-4 py-6">
      <div>
        <h1 className="text-4xl">{t('import.title')}</h1>
        <p className="quiet max-w-[70ch]">{t('import.help')}</p>
      </div>
      <label className="flex flex-col gap-1">
        <span className="font-bold">{t('import.file')}</span>
        <input
          type="file"
          accept=".zip"
          className="file-input h-11 w-full max-w-md"
          onChange={(event) => setFile(event.target.files?.[0])}
        />
      </label>
      {file && !answer && <p role="status">{t('import.reading')}</p>}
      {answer && 'refusal' in answer && <Refusal refusal={answer.refusal} />}
      {file && answer && 'read' in answer && <Choice key={`${file.name} ${file.lastModified}`} read={answer.read} />}
    </main>
  )
}

function Refusal({ refusal: { code, file, what } }: Extract<RosterAnswer, { refusal: unknown }>) {
  const t = useTexts(classesTexts)
  return (
    <p role="alert" className="panel border-error p-4">
      {t(`import.refusal.${code}`, { file, what })} {t('import.nothingTaken')}
    </p>
  )
}

function Choice({ read: { classes, schools, left } }: Extract<RosterAnswer, { read: unknown }>) {
  const t = useTexts(classesTexts)
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(classes.length === 1 ? [classes[0]!.sourceId] : []),
  )
  const [word, setWord] = useState('')
  const [leaving, setLeaving] = useState<ReadonlySet<string>>(new Set())
  const taken = classes.filter(({ sourceId }) => chosen.has(sourceId))
  const wanted = taken.map(({ teachers: _, ...one }) => one)
  const compared = useComparedClasses(wanted)
  const imported = useImportClasses()
  const found = classes.filter(({ name, teachers }) =>
    [name, ...teachers].some((text) => text.toLowerCase().includes(word.trim().toLowerCase())),
  )
  const leave = (compared.data?.classes ?? []).flatMap(({ classId, missing }) =>
    missing.flatMap(({ studentId }) =>
      classId !== null && leaving.has(`${classId} ${studentId}`) ? [{ classId, studentId }] : [],
    ),
  )
  const toggled = (set: ReadonlySet<string>, key: string): Set<string> => {
    const next = new Set(set)
    if (!next.delete(key)) next.add(key)
    return next
  }
  if (imported.data)
    return (
      <section role="status" className="panel flex flex-col gap-2 p-4">
        <p className="font-bold">{t('import.done', { count: imported.data.classes.length })}</p>
        <ul className="flex flex-wrap gap-x-4">
          {imported.data.classes.map(({ id, name }) => (
            <li key={id}>
              <Link className="link" to={`/classes/${id}`}>
                <bdi>{name}</bdi>
              </Link>
            </li>
          ))}
        </ul>
      </section>
    )
  const students = taken.reduce((sum, one) => sum + one.students.length, 0)
  return (
    <>
      <section aria-labelledby="found" className="flex flex-col gap-2">
        <h2 id="found" className="text-2xl">
          {t('import.found', { count: classes.length })}
        </h2>
        {schools.length > 0 && <p className="quiet">{schools.slice(0, 5).join(' · ')}</p>}
        {left.unknown > 0 && <p>{t('import.unknown', { count: left.unknown })}</p>}
        {left.disabled > 0 && <p>{t('import.disabled', { count: left.disabled })}</p>}
        {classes.length > 6 && (
          <label className="flex flex-col">
            <span className="quiet text-sm">{t('import.search')}</span>
            <input
              className="input h-11 w-full max-w-md"
              dir="auto"
              value={word}
              onChange={(event) => setWord(event.target.value)}
            />
          </label>
        )}
        {found.length > SHOWN && <p className="quiet">{t('import.more', { count: found.length - SHOWN })}</p>}
        <ul className="flex flex-col gap-2">
          {found.slice(0, SHOWN).map((one: RosterClass) => (
            <ImportedClass
              key={one.sourceId}
              found={one}
              compared={compared.data?.classes.find(({ sourceId }) => sourceId === one.sourceId)}
              isChosen={chosen.has(one.sourceId)}
              isFull={chosen.size >= MOST_IMPORTED}
              onChoose={() => setChosen(toggled(chosen, one.sourceId))}
              leaving={leaving}
              onLeave={(key) => setLeaving(toggled(leaving, key))}
            />
          ))}
        </ul>
      </section>
      <Notice error={compared.error ?? imported.error} />
      <button
        type="button"
        className="btn btn-primary h-12 self-start"
        disabled={taken.length === 0 || !compared.isSuccess || compared.isFetching || imported.isPending}
        onClick={() => imported.mutate({ classes: wanted, leave })}
      >
        {taken.length === 0 ? t('import.chooseSome') : t('import.take', { count: taken.length, students })}
      </button>
    </>
  )
}
