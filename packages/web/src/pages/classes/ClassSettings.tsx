import { LANGUAGES, type ClassDetails } from '@otter/api'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { ClassAct } from '../../api/classes.ts'
import { classesTexts, commonTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'

interface ClassSettingsProps {
  details: ClassDetails
  act: { mutate: (act: ClassAct, settings?: { onSuccess: () => void }) => void }
}

/** What holds for a class, who shares it, and its end. */
export function ClassSettings({ details, act }: ClassSettingsProps) {
  const t = useTexts(classesTexts)
  const { name, grade, year, language, secret, inviting } = details
  // A tick is seen in the moment of the press; the class knows of it a moment later.
  const [wish, setWish] = useState<{ over: ClassDetails; inviting: boolean }>()
  const change = (changed: Extract<ClassAct, { type: 'change' }>['change']): void =>
    act.mutate({ type: 'change', change: changed })
  const line = (field: 'name' | 'grade' | 'year', value: string) => (
    <label className="flex flex-col">
      <span className="quiet text-sm">{t(`field.${field}`)}</span>
      <input
        className="input h-11 w-full"
        dir="auto"
        maxLength={40}
        defaultValue={value}
        onBlur={(event) => {
          const typed = event.target.value.trim()
          if (typed !== value && (field !== 'name' || typed !== '')) change({ [field]: typed })
        }}
      />
    </label>
  )
  return (
    <details className="panel p-4">
      <summary className="cursor-pointer text-lg font-bold">{t('settings')}</summary>
      <div className="flex flex-col gap-4 pt-3">
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-5">
          {line('name', name)}
          {line('grade', grade)}
          {line('year', year)}
          <Select
            label={t('field.language')}
            value={language}
            options={[['', t('anyLanguage')], ...Object.entries(LANGUAGES)]}
            onChange={(chosen) => change({ language: chosen })}
          />
          <Select
            label={t('field.secret')}
            value={secret}
            options={[
              ['pictures', t('secret.pictures')],
              ['word', t('secret.word')],
            ]}
            onChange={(chosen) => change({ secret: chosen })}
          />
        </div>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={wish?.over === details ? wish.inviting : inviting}
            onChange={(event) => {
              setWish({ over: details, inviting: event.target.checked })
              change({ inviting: event.target.checked })
            }}
          />
          {t('inviting')}
        </label>
        <Colleagues details={details} act={act} />
        <ClassEnd details={details} act={act} />
      </div>
    </details>
  )
}

function Colleagues({ details: { teachers, isOwner }, act }: ClassSettingsProps) {
  const t = useTexts(classesTexts)
  const [email, setEmail] = useState('')
  return (
    <section aria-labelledby="colleagues" className="flex flex-col gap-2">
      <h3 id="colleagues" className="font-bold">
        {t('colleagues')}
      </h3>
      <ul>
        {teachers.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-2">
            <bdi>{one.name}</bdi>
            {one.isOwner && <span className="quiet">{t('owner')}</span>}
            {isOwner && !one.isOwner && (
              <button
                type="button"
                className="btn btn-sm"
                onClick={() => act.mutate({ type: 'leave', teacherId: one.id })}
              >
                {t('takeOut', { name: one.name })}
              </button>
            )}
          </li>
        ))}
      </ul>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (email.trim() !== '') act.mutate({ type: 'share', email }, { onSuccess: () => setEmail('') })
        }}
      >
        <label className="flex flex-col">
          <span className="quiet text-sm">{t('colleagueEmail')}</span>
          <input
            type="email"
            className="input h-11 w-72"
            value={email}
            onChange={(event) => setEmail(event.target.value)}
          />
        </label>
        <button type="submit" className="btn h-11" disabled={email.trim() === ''}>
          {t('share')}
        </button>
      </form>
      <p className="quiet text-sm">{t('shareHelp')}</p>
    </section>
  )
}

function ClassEnd({ details: { archived, isOwner, students }, act }: ClassSettingsProps) {
  const t = useTexts(classesTexts)
  const common = useTexts(commonTexts)
  const navigate = useNavigate()
  const [isDeleting, setDeleting] = useState(false)
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        className="btn h-11"
        onClick={() => act.mutate({ type: 'change', change: { archived: !archived } })}
      >
        {t(archived ? 'restore' : 'archive')}
      </button>
      {isOwner &&
        (isDeleting ? (
          <div role="group" aria-label={t('delete')} className="flex flex-wrap items-center gap-2">
            <span>{t('deleteSure', { count: students })}</span>
            <button type="button" className="btn h-11" autoFocus onClick={() => setDeleting(false)}>
              {common('cancel')}
            </button>
            <button
              type="button"
              className="btn btn-secondary h-11"
              onClick={() => act.mutate({ type: 'delete' }, { onSuccess: () => void navigate('/classes') })}
            >
              {t('delete')}
            </button>
          </div>
        ) : (
          <button type="button" className="btn h-11" onClick={() => setDeleting(true)}>
            {t('delete')}
          </button>
        ))}
    </div>
  )
}
