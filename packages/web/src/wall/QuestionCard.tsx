import type { QuestionMove, QuestionView } from '@otter/core'
import { Check, CornerUpLeft, Eye, Lightbulb, Redo2, X } from 'lucide-react'
import type { ReactNode } from 'react'
import { ShownFace } from '../games/ShownFace.tsx'
import { Fitted } from '../games/Fitted.tsx'
import { teamsTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { useLanding } from '../ui/useLanding.ts'
import { isPlain, useShortcuts } from '../ui/useShortcuts.ts'
import { useTeams } from './atWall.ts'
import { Emblem } from './Emblem.tsx'

export interface QuestionCardProps {
  question: QuestionView
  /** What stands above it: where it is from, and what it is worth. */
  heading: ReactNode
  teamCount: number
  send: (move: QuestionMove) => void
}

/** The open question, large: what is asked, the answer when it is shown, and how it is judged. */
export function QuestionCard({ question, heading, teamCount, send }: QuestionCardProps) {
  const t = useTexts(teamsTexts)
  const { teams, steers, isLarge } = useTeams()
  const { prompt, answer, revealed, hint, fact, over, everyone, answering, verdicts } = question
  const card = useLanding<HTMLElement>(question.item)
  const said = answering !== null && verdicts.find(({ team }) => team === answering)?.outcome
  const face = (
    <div className="flex flex-1 flex-col items-center justify-center gap-4 text-center text-3xl leading-snug [&_img]:max-h-60">
      <ShownFace face={prompt} className="justify-center" />
      {hint !== null && (
        <p className="quiet text-xl">
          {t('hintIs')} {hint}
        </p>
      )}
      {answer && (
        <p
          aria-live="polite"
          className={`flex flex-col items-center border-t-2 border-base-300 pt-3 font-bold ${revealed ? '' : 'quiet'}`}
        >
          {!revealed && <span className="text-sm font-normal">{t('onlyYou')}</span>}
          <ShownFace face={answer} className="justify-center" />
        </p>
      )}
      {fact !== '' && <p className="text-xl">{fact}</p>}
    </div>
  )
  return (
    <section
      ref={card}
      tabIndex={-1}
      className="flex min-h-0 flex-1 flex-col gap-3 outline-none"
      aria-label={t('question')}
    >
      <header className="flex flex-wrap items-center justify-between gap-2 text-xl">
        <span>{heading}</span>
        {teamCount > 1 && (
          <span role="status" className="flex items-center gap-2 font-bold">
            {everyone && !over && t('everyone')}
            {answering !== null && (
              <>
                <Emblem name={teams[answering]!.emblem} />
                {t(said === 'wrong' ? 'wasWrong' : 'answers', { team: teams[answering]!.name })}
              </>
            )}
          </span>
        )}
      </header>
      <div className="panel flex min-h-0 flex-1 flex-col p-4">
        {isLarge ? <Fitted className="justify-center">{face}</Fitted> : face}
      </div>
      {verdicts.length > 0 && !everyone && (
        <ul className="flex flex-wrap justify-center gap-3 text-lg">
          {verdicts.map(({ team, outcome }) => (
            <li key={team} className="flex items-center gap-1.5">
              <Emblem name={teams[team]!.emblem} size={22} />
              {teams[team]!.name}
              <OutcomeSign outcome={outcome} />
            </li>
          ))}
        </ul>
      )}
      {steers && <Judging question={question} teamCount={teamCount} send={send} />}
    </section>
  )
}

function OutcomeSign({ outcome }: { outcome: 'right' | 'wrong' | 'passed' }) {
  const t = useTexts(teamsTexts)
  return (
    <strong className={outcome === 'right' ? 'text-success' : outcome === 'wrong' ? 'text-error' : 'quiet'}>
      {outcome === 'right' && <Check size={20} className="inline" aria-hidden="true" />}
      {outcome === 'wrong' && <X size={20} className="inline" aria-hidden="true" />} {t(`outcome.${outcome}`)}
    </strong>
  )
}

interface Deed {
  key: string
  shown: string
  name: string
  icon: ReactNode
  move: QuestionMove
  isMain?: boolean
}

/** What can be done with the open question, each by a button and by a key. */
function Judging({ question, teamCount, send }: Omit<QuestionCardProps, 'heading'>) {
  const t = useTexts(teamsTexts)
  const { teams } = useTeams()
  const { hasHint, revealed, over, everyone, answering, next, verdicts } = question
  const isJudged = answering !== null && verdicts.some(({ team }) => team === answering)
  const deeds: Deed[] = [
    ...(hasHint
      ? [{ key: 'h', shown: 'H', name: t('hint'), icon: <Lightbulb size={18} />, move: { type: 'hint' } as const }]
      : []),
    ...(revealed
      ? []
      : [{ key: 's', shown: 'S', name: t('showAnswer'), icon: <Eye size={18} />, move: { type: 'reveal' } as const }]),
    ...(everyone || over
      ? []
      : [
          {
            key: 'r',
            shown: 'R',
            name: t('right'),
            icon: <Check size={18} />,
            move: { type: 'judge', right: true } as const,
            isMain: !isJudged,
          },
          ...(isJudged
            ? []
            : [
                {
                  key: 'w',
                  shown: 'W',
                  name: t('wrong'),
                  icon: <X size={18} />,
                  move: { type: 'judge', right: false } as const,
                },
              ]),
        ]),
    ...(next === null
      ? []
      : [
          {
            key: 'p',
            shown: 'P',
            name: t('passOn', { team: teams[next]!.name }),
            icon: <Redo2 size={18} />,
            move: { type: 'pass-on' } as const,
            isMain: isJudged,
          },
        ]),
    ...(over
      ? []
      : [
          {
            key: 'n',
            shown: 'N',
            name: everyone ? t('noOthers') : teamCount > 1 ? t('nobody') : t('notKnown'),
            icon: <X size={18} />,
            move: { type: 'nobody' } as const,
          },
        ]),
    {
      key: 'Escape',
      shown: over ? 'Enter' : 'Esc',
      name: over ? t('goOn') : t('putBack'),
      icon: <CornerUpLeft size={18} className="rtl:-scale-x-100" />,
      move: { type: 'close' } as const,
      isMain: over,
    },
  ]
  useShortcuts((event) => {
    if (!isPlain(event) || event.defaultPrevented) return
    const team = /^[0-9]$/u.test(event.key) ? (Number(event.key) + 9) % 10 : -1
    if (team >= 0 && team < teamCount && (everyone || over)) {
      event.preventDefault()
      return send({ type: 'judge', team, right: !isRight(question, team) })
    }
    const isEnter = event.key === 'Enter' && over && !(event.target instanceof HTMLButtonElement)
    const deed = deeds.find(({ key }) => key === event.key.toLowerCase() || key === event.key)
    if (!deed && !isEnter) return
    event.preventDefault()
    send(isEnter ? { type: 'close' } : deed!.move)
  })
  return (
    <footer className="flex flex-col gap-3">
      {(everyone || (over && teamCount > 1)) && <TeamVerdicts question={question} teamCount={teamCount} send={send} />}
      <div className="flex flex-wrap justify-center gap-2">
        {deeds.map(({ key, shown, name, icon, move, isMain }) => (
          <button
            key={key}
            type="button"
            className={`btn h-12 ${isMain ? 'btn-primary' : ''}`}
            onClick={() => send(move)}
          >
            <span aria-hidden="true">{icon}</span>
            {name}
            <kbd className="kbd hidden sm:inline-flex" aria-hidden="true">
              {shown}
            </kbd>
          </button>
        ))}
      </div>
    </footer>
  )
}

function isRight({ verdicts }: QuestionView, team: number): boolean {
  return verdicts.some((one) => one.team === team && one.outcome === 'right')
}

/** Who was right, one team beside the other: where all answer in writing, and where it is judged otherwise later. */
function TeamVerdicts({ question, teamCount, send }: Omit<QuestionCardProps, 'heading'>) {
  const t = useTexts(teamsTexts)
  const { teams } = useTeams()
  return (
    <fieldset className="flex flex-wrap items-center justify-center gap-2">
      <legend className="quiet mb-1 text-center text-sm">{t(question.everyone ? 'whoWasRight' : 'judgeAnew')}</legend>
      {teams.slice(0, teamCount).map(({ name, emblem }, team) => {
        const right = isRight(question, team)
        return (
          <button
            key={team}
            type="button"
            aria-pressed={right}
            className={`btn h-12 ${right ? 'border-success' : ''}`}
            onClick={() => send({ type: 'judge', team, right: !right })}
          >
            <Emblem name={emblem} size={22} />
            {name}
            {right && <Check size={18} aria-hidden="true" className="text-success" />}
            <kbd className="kbd hidden sm:inline-flex" aria-hidden="true">
              {(team + 1) % 10}
            </kbd>
          </button>
        )
      })}
    </fieldset>
  )
}
