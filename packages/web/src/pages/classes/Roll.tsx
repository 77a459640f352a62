import type { ClassDetails, ClassStudent } from '@otter/api'
import { namesPasted } from '@otter/core'
import { MoreHorizontal, UserCheck, X } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useClasses, type ClassAct } from '../../api/classes.ts'
import { classesTexts, commonTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { StudentLink } from './StudentLink.tsx'
import { newId } from '../../ui/newId.ts'

interface RollProps {
  details: ClassDetails
  act: { mutate: (act: ClassAct, settings?: { onSuccess: () => void }) => void; isPending: boolean }
}

/** Wrong secrets from which on a teacher is told. */
const MANY_WRONG = 5

/** The students of a class: brought in by pasting names, let in, renamed, moved and taken out. */
export function Roll({ details: { id, roll }, act }: RollProps) {
  const t = useTexts(classesTexts)
  const asking = roll.filter(({ state }) => state === 'asked')
  const inside = roll.filter(({ state }) => state === 'in')
  return (
    <section aria-labelledby="roll" className="flex flex-col gap-3">
      <h2 id="roll" className="text-2xl">
        {t('roll')}
      </h2>
      {asking.length > 0 && (
        <ul className="panel flex flex-col gap-1 border-secondary p-3">
          {asking.map((student) => (
            <li key={student.id} className="flex flex-wrap items-center gap-2">
              <bdi className="me-auto">{t('asks', { name: student.name })}</bdi>
              <button
                type="button"
                className="btn h-11"
                onClick={() => act.mutate({ type: 'student', studentId: student.id, change: { letIn: true } })}
              >
                <UserCheck size={16} aria-hidden="true" />
                {t('letIn')}
              </button>
              <button
                type="button"
                className="btn h-11"
                onClick={() => act.mutate({ type: 'remove', studentId: student.id })}
              >
                <X size={16} aria-hidden="true" />
                {t('refuse')}
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        {inside.length === 0 ? (
          <p className="panel p-4">{t('nobody')}</p>
        ) : (
          <ul className="panel grid gap-x-4 p-3 sm:grid-cols-2">
            {inside.map((student) => (
              <StudentRow
                key={student.id}
                classId={id}
                student={student}
                others={inside.filter((one) => one !== student)}
                act={act}
              />
            ))}
          </ul>
        )}
        <AddNames known={inside.map(({ name }) => name)} act={act} />
      </div>
    </section>
  )
}

function AddNames({ known, act }: { known: readonly string[] } & Pick<RollProps, 'act'>) {
  const t = useTexts(classesTexts)
  const [pasted, setPasted] = useState('')
  // The same paste is the same students, however often it is sent.
  const read = useMemo(
    () => namesPasted(pasted, known).map((one) => ({ ...one, id: newId() })),
    // oxlint-disable-next-line react/exhaustive-deps
    [pasted],
  )
  const added = read.filter(({ why }) => why === undefined)
  const left = read.filter(({ why }) => why !== undefined)
  return (
    <form
      className="panel flex flex-col gap-2 p-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (added.length > 0)
          act.mutate(
            { type: 'add', students: added.map(({ id, name }) => ({ id, name })) },
            { onSuccess: () => setPasted('') },
          )
      }}
    >
      <label className="flex flex-col gap-1">
        <span className="font-bold">{t('addNames')}</span>
        <span className="quiet text-sm">{t('addHelp')}</span>
        <textarea
          className="textarea w-full"
          rows={6}
          dir="auto"
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
        />
      </label>
      {read.length > 0 && (
        <p role="status" className="text-sm">
          {t('found', { count: added.length })}
          {added.length > 0 && <bdi>: {added.map(({ name }) => name).join(', ')}</bdi>}
        </p>
      )}
      {left.length > 0 && (
        <ul className="text-sm text-error">
          {left.map(({ id, name, why }) => (
            <li key={id}>{t(`leftOut.${why!}`, { name })}</li>
          ))}
        </ul>
      )}
      <button type="submit" className="btn btn-primary h-11 self-start" disabled={added.length === 0 || act.isPending}>
        {t('add', { count: added.length })}
      </button>
    </form>
  )
}

function StudentRow({
  classId,
  student: { id, name, hasSecret, wrongSecrets, merged },
  others,
  act,
}: { classId: string; student: ClassStudent; others: readonly ClassStudent[] } & Pick<RollProps, 'act'>) {
  const t = useTexts(classesTexts)
  const common = useTexts(commonTexts)
  const { language } = useWriting()
  const [open, setOpen] = useState(false)
  const [isRemoving, setRemoving] = useState(false)
  const [typed, setTyped] = useState(name)
  const classes = useClasses().data?.filter((one) => one.id !== classId && !one.archived) ?? []
  const change = (changed: { name?: string; forgetSecret?: true }): void =>
    act.mutate({ type: 'student', studentId: id, change: changed })
  return (
    <li className="border-b border-base-300 py-1">
      <div className="flex min-h-11 items-center gap-2">
        <bdi className="me-auto min-w-0 truncate">{name}</bdi>
        <span className="quiet text-sm">
          {wrongSecrets >= MANY_WRONG ? (
            <span className="text-error">{t('wrongSecrets', { count: wrongSecrets })}</span>
          ) : (
            t(hasSecret ? 'hasSecret' : 'noSecret')
          )}
        </span>
        <button
          type="button"
          className="btn btn-ghost btn-square"
          aria-expanded={open}
          aria-label={t('more', { name })}
          onClick={() => setOpen(!open)}
        >
          <MoreHorizontal size={18} aria-hidden="true" />
        </button>
      </div>
      {merged.map((one) => (
        <p key={one.id} className="flex flex-wrap items-center gap-2 text-sm">
          {t('isAlso', { name: one.name })}
          <button
            type="button"
            className="btn btn-sm h-9"
            onClick={() => act.mutate({ type: 'merge', studentId: one.id, into: null })}
          >
            {t('tellApart')}
          </button>
        </p>
      ))}
      {open && (
        <div className="flex flex-wrap items-end gap-2 pb-2">
          <label className="flex flex-col">
            <span className="quiet text-sm">{t('rename')}</span>
            <input
              className="input h-11 w-44"
              dir="auto"
              maxLength={40}
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              onBlur={() => typed.trim() !== '' && typed.trim() !== name && change({ name: typed })}
              onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
          </label>
          {hasSecret && (
            <button type="button" className="btn h-11" onClick={() => change({ forgetSecret: true })}>
              {t('forgetSecret')}
            </button>
          )}
          {classes.length > 0 && (
            <label className="flex flex-col">
              <span className="quiet text-sm">{t('move')}</span>
              <select
                className="select h-11 w-40"
                value=""
                onChange={(event) => act.mutate({ type: 'move', studentId: id, classId: event.target.value })}
              >
                <option value="">{t('choose')}</option>
                {classes.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          {others.length > 0 && (
            <label className="flex flex-col">
              <span className="quiet text-sm">{t('sameAs')}</span>
              <select
                className="select h-11 w-40"
                value=""
                onChange={(event) => act.mutate({ type: 'merge', studentId: id, into: event.target.value })}
              >
                <option value="">{t('choose')}</option>
                {others.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <StudentLink classId={classId} studentId={id} />
          <a className="link py-2" href={`/api/classes/${classId}/students/${id}/data`} download={`${name}.json`}>
            {t('data')}
          </a>
          <a
            className="link py-2"
            href={`/api/classes/${classId}/students/${id}/data.csv?language=${language}`}
            download={`${name}.csv`}
          >
            {t('dataCsv')}
          </a>
          {isRemoving ? (
            <div role="group" aria-label={t('remove', { name })} className="flex w-full flex-wrap items-center gap-2">
              <span>{t('removeSure', { name })}</span>
              <button type="button" className="btn h-11" autoFocus onClick={() => setRemoving(false)}>
                {common('cancel')}
              </button>
              <button
                type="button"
                className="btn btn-secondary h-11"
                onClick={() => act.mutate({ type: 'remove', studentId: id })}
              >
                {t('removeNow')}
              </button>
            </div>
          ) : (
            <button type="button" className="btn h-11" onClick={() => setRemoving(true)}>
              {t('removeNow')}
            </button>
          )}
        </div>
      )}
    </li>
  )
}
