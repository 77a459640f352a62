import { AskReset, ResetPassword } from '@otter/api'
import type { ReactNode } from 'react'
import { Link, useLocation } from 'react-router'
import { useChangeAccount, useSession } from '../../api/account.ts'
import { accountTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { FieldsForm } from './FieldsForm.tsx'
import { Otter } from '../../ui/Otter.tsx'

/** Asks for the mail by which a forgotten password is replaced. */
export function ForgottenPage() {
  const t = useTexts(accountTexts)
  const session = useSession()
  const ask = useChangeAccount()
  return (
    <Door title={t('forgotten')}>
      <p>{t('forgottenHelp')}</p>
      <FieldsForm
        schema={AskReset}
        fields={[{ name: 'email', label: t('email'), type: 'email', autoComplete: 'email' }]}
        submit={t('sendMail')}
        send={(body) => ask.mutateAsync({ method: 'POST', path: '/password-resets', body })}
        done={t(session.data?.sendsMail ? 'mailSent' : 'mailKept')}
      />
    </Door>
  )
}

/** Where the link of that mail leads: its token stands behind the sign of a fragment, which no server is told. */
export function NewPasswordPage() {
  const t = useTexts(accountTexts)
  const token = useLocation().hash.slice(1)
  const change = useChangeAccount()
  return (
    <Door title={t('choosePassword')}>
      {token === '' ? (
        <p role="alert" className="text-error">
          {t('noToken')}
        </p>
      ) : (
        <>
          <p>{t('chooseHelp')}</p>
          <FieldsForm
            schema={ResetPassword.omit({ token: true })}
            fields={[
              {
                name: 'password',
                label: t('newPassword'),
                type: 'password',
                autoComplete: 'new-password',
                help: t('passwordHelp'),
              },
            ]}
            submit={t('choose')}
            send={async (values) => {
              await change.mutateAsync({ method: 'PUT', path: '/password-resets', body: { ...values, token } })
              location.assign('/')
            }}
          />
        </>
      )}
      <Link className="link" to="/forgotten">
        {t('askAgain')}
      </Link>
    </Door>
  )
}

function Door({ title, children }: { title: string; children: ReactNode }) {
  const t = useTexts(accountTexts)
  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-4 p-4">
      <Otter size={40} />
      <div className="panel flex flex-col gap-4 p-6">
        <h1 className="text-2xl">{title}</h1>
        {children}
        <Link className="link" to="/">
          {t('toSignIn')}
        </Link>
      </div>
    </main>
  )
}
