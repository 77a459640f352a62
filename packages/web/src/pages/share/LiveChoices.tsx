import type { WayKind } from '@otter/core'
import { wayOf } from '@otter/core'
import { EndChoice } from '../../live/EndChoice.tsx'
import { useClasses } from '../../api/classes.ts'
import { classesTexts, liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Choice, Select } from '../../ui/Choice.tsx'
import type { LiveChoice } from './liveChoice.ts'

interface LiveChoicesProps {
  choice: LiveChoice
  way: WayKind
  onChange: (change: Partial<LiveChoice>) => void
}

/** What is chosen for a live session, whatever its way of playing. */
export function LiveChoices({ choice, way, onChange }: LiveChoicesProps) {
  const t = useTexts(liveTexts)
  const { end, late, names, roster, classId, order, ranking, teams, teamNames, hostAway } = choice
  return (
    <>
      <EndChoice label={t('setup.end')} end={end} onChange={(chosen) => onChange({ end: chosen })} />
      <Select
        label={t('setup.late')}
        value={late ? 'on' : 'off'}
        options={[
          ['on', t('setup.lateOn')],
          ['off', t('setup.lateOff')],
        ]}
        onChange={(value) => onChange({ late: value === 'on' })}
      />
      <Select
        label={t('setup.names')}
        value={names}
        options={[
          ['typed', t('setup.namesTyped')],
          ['given', t('setup.namesGiven')],
          ['list', t('setup.namesList')],
        ]}
        onChange={(value) => onChange({ names: value })}
      />
      {names === 'list' && <ClassOfNames classId={classId} onChange={(chosen) => onChange({ classId: chosen })} />}
      {names === 'list' && classId === '' && (
        <Lines
          label={t('setup.roster')}
          help={t('setup.rosterHelp')}
          value={roster}
          onChange={(value) => onChange({ roster: value })}
        />
      )}
      {!wayOf(way).inStep && (
        <Select
          label={t('setup.order')}
          value={order}
          options={[
            ['made', t('setup.orderMade')],
            ['mixed', t('setup.orderMixed')],
          ]}
          onChange={(value) => onChange({ order: value })}
        />
      )}
      <Select
        label={t('setup.ranking')}
        value={ranking}
        options={[
          ['everyone', t('setup.rankingEveryone')],
          ['first-five', t('setup.rankingFive')],
          ['teacher', t('setup.rankingTeacher')],
          ['nobody', t('setup.rankingNobody')],
        ]}
        onChange={(value) => onChange({ ranking: value })}
      />
      <Select
        label={t('setup.teams')}
        value={teams}
        options={[
          ['none', t('setup.teamsNone')],
          ['drawn', t('setup.teamsDrawn')],
          ['balanced', t('setup.teamsBalanced')],
          ['chosen', t('setup.teamsChosen')],
        ]}
        onChange={(value) => onChange({ teams: value, teamNames: teamNames || t('setup.teamsDefault') })}
      />
      {teams !== 'none' && (
        <Lines label={t('setup.teamNames')} value={teamNames} onChange={(value) => onChange({ teamNames: value })} />
      )}
      <Select
        label={t('setup.away')}
        value={hostAway}
        options={[
          ['go-on', t('setup.awayGoOn')],
          ['pause', t('setup.awayPause')],
        ]}
        onChange={(value) => onChange({ hostAway: value })}
      />
    </>
  )
}

function Lines({
  label,
  help,
  value,
  onChange,
}: {
  label: string
  help?: string
  value: string
  onChange: (value: string) => void
}) {
  return (
    <Choice label={label}>
      {(id) => (
        <>
          <textarea
            id={id}
            rows={4}
            dir="auto"
            className="textarea w-full"
            value={value}
            onChange={(event) => onChange(event.target.value)}
          />
          {help && <span className="quiet text-sm">{help}</span>}
        </>
      )}
    </Choice>
  )
}

/** Whose names are tapped: those of a class, or such as are typed. */
function ClassOfNames({ classId, onChange }: { classId: string; onChange: (classId: string) => void }) {
  const t = useTexts(classesTexts)
  const classes = useClasses().data?.filter(({ archived }) => !archived) ?? []
  return (
    <Select
      label={t('live.namesOf')}
      value={classes.some(({ id }) => id === classId) ? classId : ''}
      options={[['', t('live.typed')], ...classes.map(({ id, name }) => [id, name] as const)]}
      onChange={onChange}
    />
  )
}
