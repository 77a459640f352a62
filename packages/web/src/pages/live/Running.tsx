import type { HostState } from '@otter/api'
import { useState } from 'react'
import { TEACHER } from '../../games/teacher.ts'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, liveTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { clockText, useTimeLeft } from '../../ui/useTimeLeft.ts'
import { Waterline } from '../../ui/Waterline.tsx'
import { ClassNow } from './ClassNow.tsx'
import { EndSession } from './EndSession.tsx'
import { NamesAtDoor } from './NamesAtDoor.tsx'
import { NeedsHelp } from './NeedsHelp.tsx'
import { StudentTable } from './StudentTable.tsx'
import { useForward } from './useForward.ts'
import { useCommand } from './useCommand.ts'

/** A session under way: the clock and what it is steered by, each student, and how the class stands. */
export function Running({ state }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const { facts } = state
  return (
    <>
      <Head state={state} />
      <NamesAtDoor state={state} />
      {facts.phase === 'paused' && (
        <p role="status" className="panel border-warning p-3">
          {t(facts.pausedBy === 'absence' ? 'running.pausedAway' : 'running.paused')}
        </p>
      )}
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="flex min-w-0 flex-col gap-4">
          <AskedNow state={state} />
          <ChosenNow state={state} />
          <StudentTable state={state} />
        </div>
        <div className="flex flex-col gap-4">
          <NeedsHelp state={state} />
          <ClassNow questions={state.questions} />
        </div>
      </div>
    </>
  )
}

/** What all are asked, as its game shows it to the teacher, and how many have answered. */
function AskedNow({ state: { kind, facts, students, questions } }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const { inStep } = TEACHER[kind]
  const { round, view } = facts
  if (!round || !inStep) return null
  const here = students.filter(({ removed, waits }) => !removed && !waits).length
  const tally = questions.find(({ entryId }) => entryId === round.entryId)
  return (
    <section className="panel flex flex-col gap-2 p-4">
      <p className="quiet flex justify-between gap-3">
        <span>{t('wall.question', { number: round.number, of: round.of })}</span>
        <span role="status">{t('wall.answered', { answered: tally ? tally.right + tally.wrong : 0, here })}</span>
      </p>
      <inStep.Teacher view={view} />
    </section>
  )
}

/** The board from which the teacher asks what a team named, while nothing stands. */
function ChosenNow({ state }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const command = useCommand(state)
  const { kind, facts } = state
  const { Board } = TEACHER[kind].inStep ?? {}
  if (facts.round || !facts.view || !Board) return null
  return (
    <section className="panel flex flex-col gap-2 p-4">
      <h2 className="text-xl">{t('wall.choose')}</h2>
      <Board view={facts.view} onPick={(place) => command.send({ type: 'pick', place })} />
      <Notice error={command.error} />
    </section>
  )
}

function Head({ state }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { title, kind, way, code, facts, id, led } = state
  const command = useCommand(state)
  const [isLeading, setLeading] = useState(false)
  const { Lead } = TEACHER[kind]
  const next = (): void => command.send({ type: 'next' })
  useForward(facts, next)
  const isPaused = facts.phase === 'paused'
  const asked = useTimeLeft(facts.left.asked, facts.left, isPaused)
  const whole = useTimeLeft(facts.left.whole, facts.left, isPaused)
  const seconds = facts.round?.phase === 'asking' ? (asked ?? whole) : whole
  const { round } = facts
  const progress = round ? (round.number - (round.phase === 'asking' ? 1 : 0)) / round.of : progressOf(state)
  return (
    <>
      <header className="flex flex-wrap items-center justify-between gap-3">
        <div className="min-w-0">
          <h1 className="text-3xl" dir="auto">
            {title || common('untitled')}
          </h1>
          <p className="quiet">
            <Rich
              texts={liveTexts}
              id="running.facts"
              values={{ way: t(`ways.${way}`), game: words.name(kind), code }}
              marks={{ code: <strong dir="ltr" /> }}
            />
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          {seconds !== null && (
            <span role="timer" className="px-2 text-4xl font-bold tabular-nums" dir="ltr">
              {clockText(seconds)}
            </span>
          )}
          {round && (
            <button
              type="button"
              className="btn btn-primary"
              aria-keyshortcuts="Enter"
              disabled={command.busy || isPaused}
              onClick={next}
            >
              {t(
                round.phase === 'asking'
                  ? 'running.close'
                  : round.number === round.of
                    ? 'running.finish'
                    : way === 'board'
                      ? 'running.toBoard'
                      : 'running.next',
              )}
            </button>
          )}
          {seconds !== null && (
            <button
              type="button"
              className="btn"
              onClick={() => command.send({ type: 'add-time', seconds: round ? 15 : 60 })}
            >
              {t(round ? 'running.addSeconds' : 'running.addMinute')}
            </button>
          )}
          <button
            type="button"
            className="btn"
            disabled={command.busy}
            onClick={() => command.send({ type: isPaused ? 'resume' : 'pause' })}
          >
            {t(isPaused ? 'running.resume' : 'running.pause')}
          </button>
          {led && Lead && (
            <button type="button" className="btn" onClick={() => setLeading(true)}>
              {t('running.lead')}
            </button>
          )}
          <a className="btn" href={`/live/${id}/wall`} target="_blank" rel="noreferrer">
            {t('running.wall')}
          </a>
          <EndSession end={facts.end} isMain={!round && way !== 'board'} command={command} />
        </div>
      </header>
      <Waterline filled={progress} label={t('running.of', { right: Math.round(progress * 100), total: 100 })} />
      <Notice error={command.error} />
      {isLeading && Lead && <Lead offerId={id} onClose={() => setLeading(false)} />}
    </>
  )
}

/** Returns how far the class has come together. */
function progressOf({ students }: HostState): number {
  const playing = students.filter(({ removed, waits }) => !removed && !waits)
  const total = playing.reduce((sum, student) => sum + student.total, 0)
  const met = playing.reduce(
    (sum, student) => sum + (student.done ? student.total : Math.min(student.met, student.total)),
    0,
  )
  return total === 0 ? 0 : met / total
}
