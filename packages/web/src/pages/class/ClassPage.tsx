import type { ClassDoor, Secret } from '@otter/api'
import { useEffect, useState } from 'react'
import type { ApiError } from '../../api/client.ts'
import { call } from '../../api/client.ts'
import { playTexts, studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { CodeForm } from '../play/CodeForm.tsx'
import { Frame, Rest } from '../play/Frame.tsx'
import { useClassProblem } from './useClassProblem.ts'
import { MailDoor } from './MailDoor.tsx'
import { AskForm } from './AskForm.tsx'
import { SecretForm } from './SecretForm.tsx'

type Student = ClassDoor['students'][number]

/** Where students come in: the class's code, then the own name, then the secret. */
export function ClassPage({ code }: { code: string | undefined }) {
  const t = useTexts(studentTexts)
  return code === undefined ? (
    <Frame>
      <CodeForm label={t('classCode')} place="/class/" />
      <MailDoor email={undefined} onDone={goOn} />
    </Frame>
  ) : (
    <Door code={code} />
  )
}

function Door({ code }: { code: string }) {
  const t = useTexts(studentTexts)
  const play = useTexts(playTexts)
  const text = useClassProblem()
  const [door, setDoor] = useState<ClassDoor>()
  const [student, setStudent] = useState<Student>()
  const [isAsking, setAsking] = useState(false)
  const [problem, setProblem] = useState<ApiError>()
  const [busy, setBusy] = useState(false)
  useEffect(() => {
    call<ClassDoor>('GET', `/class/${code}`).then(
      (found) => {
        setDoor(found)
        // A sign-in card names whose it is.
        const me = new URLSearchParams(location.search).get('me')
        setStudent(found.students.find(({ id }) => id === me))
      },
      (error: unknown) => setProblem(error as ApiError),
    )
  }, [code])
  const come = (path: string, body: object): void => {
    setBusy(true)
    setProblem(undefined)
    call<void>('POST', `/class/${code}/${path}`, body)
      .then(goOn, (error: unknown) => setProblem(error as ApiError))
      .finally(() => setBusy(false))
  }
  if (!door)
    return (
      <Frame>
        {problem ? (
          <>
            <Rest>{text(problem)}</Rest>
            <a className="btn btn-primary mx-auto h-12" href="/class">
              {play('anotherCode')}
            </a>
          </>
        ) : (
          <p className="quiet">{play('loading')}</p>
        )}
      </Frame>
    )
  const said = problem && text(problem)
  const back = (
    <button
      type="button"
      className="btn h-12 self-start"
      onClick={() => {
        setStudent(undefined)
        setAsking(false)
        setProblem(undefined)
      }}
    >
      {t('otherName')}
    </button>
  )
  if (student)
    return (
      <Frame title={door.name}>
        <h2 className="text-2xl">
          <bdi>{student.name}</bdi>
        </h2>
        <SecretForm
          kind={door.secret}
          isNew={!student.hasSecret}
          busy={busy}
          problem={said}
          onSecret={(secret: Secret, own) => come('sign-in', { studentId: student.id, secret, own })}
        />
        {back}
      </Frame>
    )
  if (isAsking)
    return (
      <Frame title={door.name}>
        <AskForm kind={door.secret} busy={busy} problem={said} onAsk={(asked) => come('ask', asked)} />
        {back}
      </Frame>
    )
  return (
    <Frame title={door.name}>
      <h2 className="text-lg font-bold">{t('tapName')}</h2>
      <ul className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {door.students.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              className="btn h-auto min-h-12 w-full text-lg font-normal"
              onClick={() => setStudent(one)}
            >
              <bdi>{one.name}</bdi>
            </button>
          </li>
        ))}
      </ul>
      {door.inviting ? (
        <button type="button" className="btn h-12 self-start" onClick={() => setAsking(true)}>
          {t('notHere')}
        </button>
      ) : (
        <p className="quiet">{t('nobodyNew')}</p>
      )}
    </Frame>
  )
}

/** Goes on to the game that the student came for, or to what there is to do. */
function goOn(): void {
  const to = new URLSearchParams(location.search).get('to')
  location.href = to !== null && /^[A-Z0-9]{1,12}$/u.test(to) ? `/p/${to}` : '/student'
}
