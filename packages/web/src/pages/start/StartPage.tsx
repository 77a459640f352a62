import type { Entry, EntryList } from '@otter/core'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useCreateFilledList } from '../../api/lists.ts'
import { useSession } from '../../api/account.ts'
import { startTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Otter } from '../../ui/Otter.tsx'
import { FitPanel } from '../list/games/FitPanel.tsx'
import { PasteField } from '../list/import/PasteField.tsx'
import { TableChoices } from '../list/import/TableChoices.tsx'
import { TableReview } from '../list/import/TableReview.tsx'
import { useImport } from '../list/import/useImport.ts'
import { useLookedOver } from '../../workers/useLookedOver.ts'
import { AccountForm } from '../sign-in/AccountForm.tsx'
import { keepWords, keptWords } from './keptWords.ts'

/** Words before an account: what they can be is seen at once, and they are kept when one signs up. */
export function StartPage() {
  const t = useTexts(startTexts)
  const session = useSession()
  const create = useCreateFilledList()
  const navigate = useNavigate()
  const [source] = useState(() => {
    const text = keptWords()
    return text === '' ? undefined : { pasted: { text, cells: undefined, files: [] } }
  })
  const { state, send, understood, sheets, obstacle } = useImport(source, 0)
  const entries = understood?.entries ?? NONE
  const list = useMemo((): EntryList => ({ title: '', answerLanguage: '', promptLanguage: '', entries }), [entries])
  const looked = useLookedOver(list, NOT_CHOSEN)
  const keep = async (): Promise<void> => {
    const put = (understood?.entries ?? []).map((entry, index) => ({ ...entry, position: index + 1 }))
    const id = await create.mutateAsync(put)
    keepWords('')
    await navigate(`/lists/${id}`)
  }
  const isIn = Boolean(session.data?.teacher)
  return (
    <div className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <header className="flex items-center gap-2">
        <Link to="/" className="flex items-center gap-2 font-display text-2xl">
          <Otter />
          Jolly Otter
        </Link>
        {!isIn && (
          <Link to="/" className="link ms-auto">
            {t('back')}
          </Link>
        )}
      </header>
      <main className="grid items-start gap-6 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <section className="flex flex-col gap-3" aria-labelledby="start">
          <h1 id="start" className="text-4xl">
            {t('title')}
          </h1>
          <p>{t('help')}</p>
          <PasteField
            text={state.pasted?.text ?? ''}
            onPaste={(text) => {
              send({ type: 'paste', text })
              keepWords(text)
            }}
          />
          {understood && (
            <>
              <TableChoices understood={understood} state={state} sheets={sheets} canOverwrite={false} send={send} />
              <TableReview
                table={understood.table}
                fields={understood.fields}
                onFields={(fields) => send({ type: 'set', fields })}
                entries={understood.entries}
                left={understood.left}
                joined={understood.joined}
              />
            </>
          )}
          {obstacle !== undefined && <Notice error={new Error(obstacle)} />}
          {understood && understood.entries.length > 0 && obstacle === undefined && (
            <section className="panel flex flex-col gap-3 border-secondary p-4" aria-label={t('keep')}>
              <Notice error={create.error} />
              {isIn ? (
                <button
                  type="button"
                  className="btn btn-primary h-12"
                  disabled={create.isPending}
                  onClick={() => void keep()}
                >
                  {t('keep')}
                </button>
              ) : (
                <Keep onIn={keep} />
              )}
            </section>
          )}
        </section>
        <FitPanel list={list} fits={looked.fits} />
      </main>
    </div>
  )
}

const NONE: Entry[] = []
const NOT_CHOSEN = {}

/** Signing up, or in, with the words at hand. */
function Keep({ onIn }: { onIn: () => Promise<void> }) {
  const t = useTexts(startTexts)
  const [isNew, setIsNew] = useState(true)
  return (
    <>
      <h2 className="text-2xl">{t('keep')}</h2>
      <p className="quiet">{t('keepHelp')}</p>
      <AccountForm isNew={isNew} submit={t(isNew ? 'signUp' : 'signIn')} onIn={onIn} />
      <button type="button" className="btn btn-ghost font-normal" onClick={() => setIsNew(!isNew)}>
        {t(isNew ? 'haveAccount' : 'isNew')}
      </button>
    </>
  )
}
