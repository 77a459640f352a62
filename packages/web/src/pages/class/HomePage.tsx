import type { StudentHome } from '@otter/api'
import { useCallback, useEffect, useState } from 'react'
import type { ApiError } from '../../api/client.ts'
import { call } from '../../api/client.ts'
import { playTexts, studentTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import { Frame, Rest } from '../play/Frame.tsx'
import { MailDoor } from './MailDoor.tsx'
import { Again } from './Again.tsx'
import { useClassProblem } from './useClassProblem.ts'

type Work = StudentHome['work'][number]

/** Where nobody uses a shared device for so long, its student is signed out: then no name is shown; in milliseconds. */
const SIGNED_OUT = 31 * 60_000

/** What a student has to do, until when, and what is done. */
export function HomePage() {
  const t = useTexts(studentTexts)
  const play = useTexts(playTexts)
  const text = useClassProblem()
  const [home, setHome] = useState<StudentHome>()
  const [problem, setProblem] = useState<ApiError>()
  const read = useCallback(
    (): void =>
      void call<StudentHome>('GET', '/student').then(
        (found) => {
          setHome(found)
          setProblem(undefined)
        },
        (error: unknown) => setProblem(error as ApiError),
      ),
    [],
  )
  useEffect(() => {
    // Whoever comes back to the page from a game sees what is done now.
    const shown = (): void => {
      if (document.visibilityState === 'visible') read()
    }
    read()
    const timer = setInterval(read, SIGNED_OUT)
    document.addEventListener('visibilitychange', shown)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', shown)
    }
  }, [read])
  if (problem?.status === 401 || (problem && !home))
    return (
      <Frame>
        <Rest>{text(problem)}</Rest>
        <a className="btn btn-primary mx-auto h-12" href="/class">
          {t('signIn')}
        </a>
      </Frame>
    )
  if (!home)
    return (
      <Frame>
        <p className="quiet">{play('loading')}</p>
        <Waterline filled={undefined} label={play('loading')} />
      </Frame>
    )
  const open = home.work.filter(({ admission, standing }) => admission !== 'closed' && standing.state !== 'done')
  const rest = home.work.filter((work) => !open.includes(work))
  const waits = home.classes.filter(({ state }) => state === 'asked')
  return (
    <Frame title={home.name}>
      {problem && (
        <p role="alert" className="panel border-error p-3">
          {text(problem)}
        </p>
      )}
      {waits.map(({ id, name }) => (
        <p key={id} role="status" className="panel p-3">
          {t('waitsFor', { name })}
        </p>
      ))}
      <section aria-labelledby="to-do" className="flex flex-col gap-2">
        <h2 id="to-do" className="text-xl">
          {t('toDo')}
        </h2>
        {open.length === 0 && <p className="quiet">{t('nothingToDo')}</p>}
        <WorkItems work={[...open].sort(byDue)} />
      </section>
      {home.again.length > 0 && <Again again={home.again} onProblem={setProblem} />}
      {rest.length > 0 && (
        <section aria-labelledby="done" className="flex flex-col gap-2">
          <h2 id="done" className="text-xl">
            {t('done')}
          </h2>
          <WorkItems work={rest} />
        </section>
      )}
      <MailDoor key={home.email} email={home.email} onDone={read} />
      <a className="link mt-auto self-start py-2" href="/families">
        {t('families')}
      </a>
      <button
        type="button"
        className="btn h-12 self-start"
        onClick={() => {
          const leave = (): void => void (location.href = '/class')
          // Without a connection one is signed in still: who leaves then must know.
          call<void>('DELETE', '/student').then(leave, (error: unknown) => setProblem(error as ApiError))
        }}
      >
        {t('signOut')}
      </button>
    </Frame>
  )
}

/** What is due sooner comes first, what has no time last. */
function byDue(one: Work, other: Work): number {
  const moment = ({ dueAt, closesAt }: Work): number => Date.parse(dueAt ?? closesAt ?? '9999-12-31')
  return moment(one) - moment(other)
}

function WorkItems({ work }: { work: readonly Work[] }) {
  const t = useTexts(studentTexts)
  const { date } = useWriting()
  const when = (moment: string): string => date(moment, { dateStyle: 'medium', timeStyle: 'short' })
  return (
    <ul className="flex flex-col gap-2">
      {work.map((one) => {
        const { code, title, name, kind, standing, admission, dueAt, opensAt } = one
        const canPlay = admission === 'begin' || admission === 'go-on'
        const facts = [
          t.coded(`kind.${kind}`),
          ...(standing.share === null ? [] : [t('share', { percent: Math.round(standing.share * 100) })]),
          ...(standing.passed === null ? [] : [t(standing.passed ? 'passed' : 'notPassed')]),
          ...(standing.late ? [t('late')] : []),
          ...(dueAt ? [t('due', { when: when(dueAt) })] : []),
        ]
        return (
          <li key={code} className="panel flex flex-wrap items-center justify-between gap-2 p-3">
            <div className="min-w-0 flex-1 basis-40">
              <p className="text-lg font-bold" dir="auto">
                {name || title}
              </p>
              <p className="quiet">{facts.join(' · ')}</p>
            </div>
            {canPlay ? (
              <a className={`btn h-12 ${standing.state === 'done' ? '' : 'btn-primary'}`} href={`/p/${code}`}>
                {t(admission === 'go-on' ? 'goOn' : standing.state === 'done' ? 'playAgain' : 'begin')}
              </a>
            ) : admission === 'not-yet' && opensAt ? (
              <p className="quiet">{t('opens', { when: when(opensAt) })}</p>
            ) : (
              <a className="btn h-12" href={`/p/${code}`}>
                {t('look')}
              </a>
            )}
          </li>
        )
      })}
    </ul>
  )
}
