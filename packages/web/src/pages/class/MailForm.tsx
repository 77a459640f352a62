import { useId } from 'react'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface MailFormProps {
  /** Whether the address and the password are chosen now. */
  isNew: boolean
  busy: boolean
  problem: string | undefined
  onMail: (given: { email: string; password: string; own: boolean }) => void
}

/** An e-mail address and a password, for older students. */
export function MailForm({ isNew, busy, problem, onMail }: MailFormProps) {
  const t = useTexts(studentTexts)
  const id = useId()
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const data = new FormData(event.currentTarget)
        if (!busy)
          onMail({
            email: String(data.get('email')),
            password: String(data.get('password')),
            own: data.get('own') !== null,
          })
      }}
    >
      <label className="flex flex-col gap-1">
        {t('mail.email')}
        <input name="email" type="email" required autoComplete="email" className="input h-12 w-full text-lg" />
      </label>
      <label className="flex flex-col gap-1">
        {t('mail.password')}
        <input
          name="password"
          type="password"
          required
          minLength={isNew ? 10 : 1}
          autoComplete={isNew ? 'new-password' : 'current-password'}
          aria-describedby={isNew ? `${id}-help` : undefined}
          className="input h-12 w-full text-lg"
        />
        {isNew && (
          <span id={`${id}-help`} className="quiet text-sm">
            {t('mail.long')}
          </span>
        )}
      </label>
      {!isNew && (
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" name="own" className="checkbox" />
          {t('own')}
        </label>
      )}
      {problem !== undefined && (
        <p role="alert" className="text-error">
          {problem}
        </p>
      )}
      <button type="submit" className="btn btn-primary h-12 self-start" disabled={busy}>
        {t(isNew ? 'mail.save' : 'comeIn')}
      </button>
    </form>
  )
}
