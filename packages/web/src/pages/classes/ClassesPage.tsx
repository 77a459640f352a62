import type { ClassReply } from '@otter/api'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useClasses, useCreateClass } from '../../api/classes.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'

/** The classes of a teacher. */
export function ClassesPage() {
  const t = useTexts(classesTexts)
  const classes = useClasses()
  const create = useCreateClass()
  const navigate = useNavigate()
  const [name, setName] = useState('')
  const [id] = useState(newId)
  const { language } = useWriting()
  const inUse = classes.data?.filter(({ archived }) => !archived) ?? []
  const archived = classes.data?.filter((one) => one.archived) ?? []
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-6">
      <div className="flex flex-wrap items-end gap-3">
        <div className="me-auto">
          <h1 className="text-4xl">{t('title')}</h1>
          <p className="quiet">{t('help')}</p>
        </div>
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (name.trim() !== '') create.mutate({ id, name }, { onSuccess: () => void navigate(`/classes/${id}`) })
          }}
        >
          <label className="flex flex-col">
            <span className="quiet text-sm">{t('newName')}</span>
            <input
              className="input h-11 w-56"
              dir="auto"
              maxLength={40}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <button type="submit" className="btn btn-primary h-11" disabled={create.isPending || name.trim() === ''}>
            <Plus size={18} aria-hidden="true" />
            {t('make')}
          </button>
        </form>
      </div>
      <Waterline filled={classes.isPending ? undefined : 1} label={classes.isPending ? t('fetching') : t('here')} />
      <Notice error={classes.error ?? create.error} />
      {classes.data?.length === 0 && <p className="panel p-6">{t('none')}</p>}
      <ClassCards classes={inUse} />
      <p className="flex flex-wrap gap-x-6 gap-y-1">
        <Link className="link" to="/classes/import">
          {t('fromSystem')}
        </Link>
        {inUse.length > 0 && (
          <a className="link" href={`/api/classes/one-roster.zip?language=${language}`} download>
            {t('toSystem')}
          </a>
        )}
      </p>
      {archived.length > 0 && (
        <details>
          <summary className="w-fit cursor-pointer py-1">{t('archived', { count: archived.length })}</summary>
          <div className="pt-2">
            <ClassCards classes={archived} />
          </div>
        </details>
      )}
    </main>
  )
}

function ClassCards({ classes }: { classes: readonly ClassReply[] }) {
  const t = useTexts(classesTexts)
  return (
    <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
      {classes.map(({ id, name, grade, year, students, asking, isOwner }) => (
        <li key={id} className="panel flex flex-col gap-1 p-4">
          <h2 className="text-2xl" dir="auto">
            <Link className="link link-hover" to={`/classes/${id}`}>
              {name}
            </Link>
          </h2>
          <p className="quiet">
            {[grade, year, t('students', { count: students }), ...(isOwner ? [] : [t('shared')])]
              .filter(Boolean)
              .join(' · ')}
          </p>
          {asking > 0 && <p className="text-secondary">{t('asking', { count: asking })}</p>}
        </li>
      ))}
    </ul>
  )
}
