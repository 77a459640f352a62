import { SignIn, SignUp } from '@otter/api'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { ApiError } from '../../api/client.ts'
import { useSignIn } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { OtterAfloat } from '../../ui/Otter.tsx'
import { problemTexts, signInTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'

interface Fields {
  name: string
  email: string
  password: string
}

/** Signing in, signing up, or looking around as the sample teacher. */
export function SignInPage({ sample }: { sample: boolean }) {
  const t = useTexts(signInTexts)
  const problems = useTexts(problemTexts)
  const [isNew, setIsNew] = useState(false)
  const signIn = useSignIn()
  const {
    register,
    handleSubmit,
    setError,
    clearErrors,
    formState: { errors },
  } = useForm<Fields>({
    resolver: zodResolver(isNew ? SignUp : SignIn) as never,
    defaultValues: { name: '', email: '', password: '' },
  })
  const submit = handleSubmit((body) => {
    signIn.mutate(
      { path: isNew ? '/teachers' : '/session', body },
      {
        onError: (error) => {
          if (error instanceof ApiError && (error.path === 'email' || error.path === 'password'))
            setError(error.path, { message: error.message })
        },
      },
    )
  })
  const problemFor = (message: string): string =>
    problems.has(message) ? problems.coded(message) : message.includes(' ') ? message : problems('invalid')
  const field = (name: keyof Fields, label: string, type: string, autoComplete: string) => (
    <div>
      <label htmlFor={name} className="font-bold">
        {label}
      </label>
      <input
        id={name}
        type={type}
        autoComplete={autoComplete}
        className="input mt-1 h-11 w-full"
        aria-invalid={Boolean(errors[name])}
        aria-describedby={errors[name] ? `${name}-error` : undefined}
        {...register(name)}
      />
      {errors[name] && (
        <p id={`${name}-error`} role="alert" className="mt-1 text-sm text-error">
          {problemFor(errors[name].message ?? '')}
        </p>
      )}
    </div>
  )
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl items-center gap-10 p-6 md:grid-cols-2">
      <div className="flex flex-col gap-5">
        <OtterAfloat width={280} />
        <h1 className="text-5xl">Jolly Otter</h1>
        <p className="max-w-md text-lg">{t('pitch')}</p>
        <p className="quiet">
          <Rich
            texts={signInTexts}
            id="students"
            values={{ host: location.host }}
            marks={{ go: <a className="link" href="/in" /> }}
          />
        </p>
      </div>
      <form className="panel flex flex-col gap-4 p-6" onSubmit={(event) => void submit(event)} noValidate>
        <h2 className="text-2xl">{isNew ? t('makeAccount') : t('signIn')}</h2>
        {isNew && field('name', t('name'), 'text', 'name')}
        {field('email', t('email'), 'email', 'email')}
        {field('password', t('password'), 'password', isNew ? 'new-password' : 'current-password')}
        {signIn.isError && !errors.email && !errors.password && <Notice error={signIn.error} />}
        <button type="submit" className="btn btn-primary h-12" disabled={signIn.isPending}>
          {isNew ? t('makeAccount') : t('signIn')}
        </button>
        <button
          type="button"
          className="btn btn-ghost font-normal"
          onClick={() => {
            setIsNew(!isNew)
            clearErrors()
            signIn.reset()
          }}
        >
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
      </form>
    </main>
  )
}
