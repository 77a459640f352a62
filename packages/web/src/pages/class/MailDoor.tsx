import { useState } from 'react'
import { call, type ApiError } from '../../api/client.ts'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { MailForm } from './MailForm.tsx'
import { useClassProblem } from './useClassProblem.ts'

interface MailDoorProps {
  /** The address by which the student comes in already; null for none, undefined where nobody has come in. */
  email: string | null | undefined
  onDone: () => void
}

/** The way in by an e-mail address, for who has one; for who is in, the way to get one. */
export function MailDoor({ email, onDone }: MailDoorProps) {
  const t = useTexts(studentTexts)
  const text = useClassProblem()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<ApiError>()
  const isNew = email !== undefined
  const send = (request: Promise<void>): void => {
    setBusy(true)
    setProblem(undefined)
    request.then(onDone, (error: unknown) => setProblem(error as ApiError)).finally(() => setBusy(false))
  }
  return (
    <details>
      <summary className="w-fit cursor-pointer py-2">{t(isNew ? 'mail.add' : 'mail.comeIn')}</summary>
      {typeof email === 'string' ? (
        <div className="flex flex-wrap items-center gap-3">
          <bdi>{email}</bdi>
          <button
            type="button"
            className="btn h-11"
            disabled={busy}
            onClick={() => send(call<void>('DELETE', '/student/account'))}
          >
            {t('mail.remove')}
          </button>
        </div>
      ) : (
        <>
          {isNew && <p className="quiet pb-2">{t('mail.help')}</p>}
          <MailForm
            isNew={isNew}
            busy={busy}
            problem={problem && text(problem)}
            onMail={({ email: address, password, own }) =>
              send(
                isNew
                  ? call<void>('PUT', '/student/account', { email: address, password })
                  : call<void>('POST', '/student/sign-in', { email: address, password, own }),
              )
            }
          />
        </>
      )}
    </details>
  )
}
