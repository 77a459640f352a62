import type { PlayRules } from '@otter/core'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { ChosenStudents } from './ChosenStudents.tsx'
import { Exceptions } from './Exceptions.tsx'
import { LocalTime } from './LocalTime.tsx'
import type { WorkChoice } from './workChoice.ts'

interface WorkRulesFieldsProps {
  choice: WorkChoice
  /** The rules that make a difference to the game. */
  heeds: readonly (keyof PlayRules)[]
  onChange: (step: Partial<WorkChoice>) => void
}

/** What else holds for set work: when it opens and closes, what counts, what is shown, and a note. */
export function WorkRulesFields({ choice, heeds, onChange }: WorkRulesFieldsProps) {
  const t = useTexts(classesTexts)
  const { play, work, classIds } = choice
  const [only, ...more] = classIds
  const yesNo = (field: 'hints' | 'second') =>
    heeds.includes(field) && (
      <Select
        label={t(`set.${field}`)}
        value={play[field] ? 'yes' : 'no'}
        options={[
          ['yes', t('set.yes')],
          ['no', t('set.no')],
        ]}
        onChange={(chosen) => onChange({ play: { ...play, [field]: chosen === 'yes' } })}
      />
    )
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <LocalTime label={t('set.opens')} value={choice.opensAt} onChange={(opensAt) => onChange({ opensAt })} />
        <LocalTime label={t('set.closes')} value={choice.closesAt} onChange={(closesAt) => onChange({ closesAt })} />
        <Select
          label={t('set.counted')}
          value={work.counted}
          options={(['best', 'first', 'last', 'mean'] as const).map((one) => [one, t(`set.counts.${one}`)])}
          onChange={(counted) => onChange({ work: { ...work, counted } })}
        />
        <Select
          label={t('set.shown')}
          value={work.shown}
          options={(['all', 'score', 'after-due'] as const).map((one) => [one, t(`set.shows.${one}`)])}
          onChange={(shown) => onChange({ work: { ...work, shown } })}
        />
        <Select
          label={t('set.pass')}
          value={work.pass}
          options={[0, 40, 50, 60, 70, 80, 90, 100].map((mark) => [
            mark,
            mark === 0 ? t('set.noMark') : t('percent', { percent: mark }),
          ])}
          onChange={(pass) => onChange({ work: { ...work, pass } })}
        />
        <Select
          label={t('set.minutes')}
          value={work.minutes ?? 0}
          options={[0, 5, 10, 15, 20, 30, 45, 60, 90].map((count) => [
            count,
            count === 0 ? t('set.anyTime') : t('set.minutesLong', { count }),
          ])}
          onChange={(count) => onChange({ work: { ...work, minutes: count === 0 ? null : count } })}
        />
        {heeds.includes('order') && (
          <Select
            label={t('set.order')}
            value={play.order === 'mixed' && play.together ? 'together' : play.order}
            options={(['made', 'mixed', ...(heeds.includes('together') ? (['together'] as const) : [])] as const).map(
              (one) => [one, t(`set.orders.${one}`)],
            )}
            onChange={(chosen) =>
              onChange({
                play: { ...play, order: chosen === 'made' ? 'made' : 'mixed', together: chosen === 'together' },
              })
            }
          />
        )}
        {yesNo('hints')}
        {yesNo('second')}
      </div>
      {only !== undefined && more.length === 0 && (
        <ChosenStudents
          classId={only}
          students={work.students}
          onChange={(students) => onChange({ work: { ...work, students } })}
        />
      )}
      {only !== undefined && more.length === 0 && (
        <Exceptions classId={only} work={work} onChange={(change) => onChange({ work: { ...work, ...change } })} />
      )}
      <label className="flex flex-col">
        <span className="quiet">{t('set.note')}</span>
        <textarea
          className="textarea w-full"
          rows={2}
          dir="auto"
          maxLength={1000}
          value={choice.note}
          onChange={(event) => onChange({ note: event.target.value })}
        />
      </label>
    </>
  )
}
