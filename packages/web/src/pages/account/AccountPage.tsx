import { ChangeEmail, ChangePassword, ChangeTeacher, DeleteAccount, type TeacherReply } from '@otter/api'
import { Download, LogOut } from 'lucide-react'
import { useId, type ReactNode } from 'react'
import { useChangeAccount, useChangeTeacher, useKeeping, useSession } from '../../api/account.ts'
import { accountTexts, commonTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { FieldsForm } from './FieldsForm.tsx'
import { LanguageSelect } from './LanguageSelect.tsx'
import { Notice } from '../../ui/Notice.tsx'

/** A teacher's account: what it is called, how one gets in, what is in it. */
export function AccountPage() {
  const t = useTexts(accountTexts)
  const teacher = useSession().data?.teacher
  if (!teacher) return null
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-6">
      <h1 className="text-4xl">{t('title')}</h1>
      {teacher.isSample && <p className="panel border-secondary p-4">{t('sample')}</p>}
      <div className="gap-4 md:columns-2">
        {!teacher.isSample && <Identity teacher={teacher} />}
        <Surroundings teacher={teacher} />
        {!teacher.isSample && <Devices />}
        <Part title={t('data')}>
          <p className="quiet">{t('dataHelp')}</p>
          <a className="btn h-11 self-start" href="/api/account/archive" download>
            <Download size={18} aria-hidden="true" />
            {t('download')}
          </a>
        </Part>
        {!teacher.isSample && <Keeping />}
        {!teacher.isSample && <Deletion />}
      </div>
    </main>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  const id = useId()
  return (
    <section aria-labelledby={id} className="panel mb-4 flex break-inside-avoid flex-col gap-3 p-4">
      <h2 id={id} className="text-2xl">
        {title}
      </h2>
      {children}
    </section>
  )
}

/** Name, address and password. */
function Identity({ teacher }: { teacher: TeacherReply }) {
  const t = useTexts(accountTexts)
  const change = useChangeTeacher()
  const changeAccount = useChangeAccount()
  const confirmation = {
    name: 'password',
    label: t('password'),
    type: 'password',
    autoComplete: 'current-password',
  } as const
  return (
    <>
      <Part title={t('name')}>
        <FieldsForm
          schema={ChangeTeacher}
          fields={[
            {
              name: 'name',
              label: t('name'),
              type: 'text',
              autoComplete: 'name',
              help: t('nameHelp'),
              value: teacher.name,
            },
          ]}
          submit={t('save')}
          look=""
          send={(values) => change.mutateAsync(values)}
          done={t('saved')}
        />
      </Part>
      <Part title={t('email')}>
        <p>
          <bdi>{teacher.email}</bdi>
        </p>
        <FieldsForm
          schema={ChangeEmail}
          fields={[{ name: 'email', label: t('newEmail'), type: 'email', autoComplete: 'email' }, confirmation]}
          submit={t('changeEmail')}
          look=""
          send={(body) => changeAccount.mutateAsync({ method: 'PUT', path: '/account/email', body })}
          done={t('emailChanged')}
        />
      </Part>
      <Part title={t('changePassword')}>
        <FieldsForm
          schema={ChangePassword}
          fields={[
            confirmation,
            {
              name: 'newPassword',
              label: t('newPassword'),
              type: 'password',
              autoComplete: 'new-password',
              help: t('passwordHelp'),
            },
          ]}
          submit={t('changePassword')}
          look=""
          send={(body) => changeAccount.mutateAsync({ method: 'PUT', path: '/account/password', body })}
          done={t('passwordChanged')}
        />
      </Part>
    </>
  )
}

/** The language of the screens, and the time zone in which moments are shown. */
function Surroundings({ teacher }: { teacher: TeacherReply }) {
  const t = useTexts(accountTexts)
  const common = useTexts(commonTexts)
  const change = useChangeTeacher()
  const here = new Intl.DateTimeFormat().resolvedOptions().timeZone
  return (
    <Part title={t('language')}>
      <label className="flex flex-col gap-1">
        <span className="font-bold">{common('language')}</span>
        <LanguageSelect className="select h-11 w-full" />
      </label>
      <label className="flex flex-col gap-1">
        <span className="font-bold">{t('timeZone')}</span>
        <select
          className="select h-11 w-full"
          value={teacher.timeZone ?? ''}
          onChange={(event) => change.mutate({ timeZone: event.target.value || null })}
        >
          <option value="">{t('fromDevice', { zone: here })}</option>
          {Intl.supportedValuesOf('timeZone').map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </select>
      </label>
      <Notice error={change.error} />
    </Part>
  )
}

/** For how long results are kept, and what is about to be deleted. */
function Keeping() {
  const t = useTexts(accountTexts)
  const { date } = useWriting()
  const keeping = useKeeping()
  const change = useChangeTeacher()
  const day = (moment: string): string => date(moment, { dateStyle: 'long' })
  return (
    <Part title={t('keeping.title')}>
      <Notice error={keeping.error ?? change.error} />
      {keeping.data && (
        <>
          {keeping.data.notice && (
            <p role="status" className="panel border-error p-3">
              {t('keeping.notice', {
                count: keeping.data.notice.games,
                before: day(keeping.data.keptSince),
                date: day(keeping.data.notice.deletesAt),
              })}
            </p>
          )}
          <label className="flex flex-col gap-1">
            <span className="font-bold">{t('keeping.years')}</span>
            <select
              className="select h-11 w-full"
              value={keeping.data.years}
              onChange={(event) => change.mutate({ keepYears: Number(event.target.value) })}
            >
              {[1, 2, 3, 5, 10].map((years) => (
                <option key={years} value={years}>
                  {t('keeping.yearsLong', { count: years })}
                </option>
              ))}
            </select>
          </label>
          <p className="quiet">{t('keeping.help', { before: day(keeping.data.keptSince) })}</p>
        </>
      )}
      <a className="link" href="/families">
        {t('keeping.families')}
      </a>
    </Part>
  )
}

function Devices() {
  const t = useTexts(accountTexts)
  const signOut = useChangeAccount()
  return (
    <Part title={t('devices')}>
      <p className="quiet">{t('devicesHelp')}</p>
      <button
        type="button"
        className="btn h-11 self-start"
        disabled={signOut.isPending}
        onClick={() => signOut.mutate({ method: 'DELETE', path: '/account/sessions' })}
      >
        <LogOut size={18} aria-hidden="true" />
        {t('signOutElsewhere')}
      </button>
      <p role="status" className="text-success empty:hidden">
        {signOut.isSuccess && t('signedOut')}
      </p>
      <Notice error={signOut.error} />
    </Part>
  )
}

/** The last thing on the page, folded away. */
function Deletion() {
  const t = useTexts(accountTexts)
  const change = useChangeAccount()
  return (
    <Part title={t('delete')}>
      <p>{t('deleteHelp')}</p>
      <details>
        <summary className="cursor-pointer font-bold text-error">{t('delete')}</summary>
        <div className="mt-3">
          <FieldsForm
            schema={DeleteAccount}
            fields={[{ name: 'password', label: t('password'), type: 'password', autoComplete: 'current-password' }]}
            submit={t('deleteNow')}
            look="btn-error"
            send={async (body) => {
              await change.mutateAsync({ method: 'DELETE', path: '/account', body })
              location.assign('/')
            }}
          />
        </div>
      </details>
    </Part>
  )
}
