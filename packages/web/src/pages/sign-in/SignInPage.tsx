import { useState } from 'react'
import { Link } from 'react-router'
import { useSignIn } from '../../api/account.ts'
import { OtterAfloat } from '../../ui/Otter.tsx'
import { signInTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { AccountForm } from './AccountForm.tsx'

/** Signing in, signing up, or looking around as the sample teacher. */
export function SignInPage({ sample }: { sample: boolean }) {
  const t = useTexts(signInTexts)
  const [isNew, setIsNew] = useState(false)
  const signIn = useSignIn()
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl items-center gap-10 p-6 md:grid-cols-2">
      <div className="flex flex-col gap-5">
        <OtterAfloat width={280} />
        <h1 className="text-5xl">Jolly Otter</h1>
        <p className="max-w-md text-lg">{t('pitch')}</p>
        <Link to="/start" className="btn btn-secondary h-12 self-start text-lg">
          {t('start')}
        </Link>
        <p className="quiet">
          <Rich
            texts={signInTexts}
            id="students"
            values={{ host: location.host }}
            marks={{ go: <a className="link" href="/in" /> }}
          />
        </p>
      </div>
      <div className="panel flex flex-col gap-3 p-6">
        <h2 className="text-2xl">{isNew ? t('makeAccount') : t('signIn')}</h2>
        <AccountForm isNew={isNew} submit={isNew ? t('makeAccount') : t('signIn')} />
        {!isNew && (
          <Link to="/forgotten" className="link self-center">
            {t('forgotten')}
          </Link>
        )}
        <button type="button" className="btn btn-ghost font-normal" onClick={() => setIsNew(!isNew)}>
          {isNew ? t('haveAccount') : t('isNew')}
        </button>
        {sample && (
          <button
            type="button"
            className="btn"
            disabled={signIn.isPending}
            onClick={() => signIn.mutate({ path: '/session/sample' })}
          >
            {t('sample')}
          </button>
        )}
      </div>
    </main>
  )
}
