import { useLocation } from 'react-router'
import { useMails } from '../../api/account.ts'
import { accountTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** The mails of an installation, for whoever runs it: opened by the secret that stands in the address. */
export function MailsPage() {
  const t = useTexts(accountTexts)
  const { date } = useWriting()
  const mails = useMails(useLocation().hash.slice(1))
  const moment = (when: string): string => date(when, { dateStyle: 'medium', timeStyle: 'short' })
  const isStranger = mails.error !== null && 'status' in mails.error && mails.error.status === 404
  return (
    <main className="mx-auto flex max-w-3xl flex-col gap-4 px-4 py-6">
      <h1 className="text-4xl">{t('mails')}</h1>
      {isStranger ? <p role="alert">{t('notOperator')}</p> : <Notice error={mails.error} />}
      {mails.data && (
        <>
          <p className="quiet">{mails.data.length === 0 ? t('noMails') : t('mailsHelp')}</p>
          <ul className="flex flex-col gap-3">
            {mails.data.map(({ id, to, subject, text, createdAt, sentAt }) => (
              <li key={id} className="panel flex flex-col gap-2 p-4">
                <p className="quiet flex flex-wrap justify-between gap-2 text-sm">
                  <span>
                    {t('to')}: <bdi className="font-bold">{to}</bdi>
                  </span>
                  <span>
                    {moment(createdAt)} · {sentAt === null ? t('notSent') : t('sentAt', { when: moment(sentAt) })}
                  </span>
                </p>
                <h2 className="text-xl" dir="auto">
                  {subject}
                </h2>
                <p dir="auto" className="whitespace-pre-wrap wrap-anywhere">
                  {text || t('sentText')}
                </p>
              </li>
            ))}
          </ul>
        </>
      )}
    </main>
  )
}
