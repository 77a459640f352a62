import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { LocalTime } from './LocalTime.tsx'
import type { WorkChoice } from './workChoice.ts'

interface WorkBasicFieldsProps {
  choice: WorkChoice
  onChange: (step: Partial<WorkChoice>) => void
}

/** What is chosen for most set work: when it is due, who may play, and how often. */
export function WorkBasicFields({ choice: { dueAt, work }, onChange }: WorkBasicFieldsProps) {
  const t = useTexts(classesTexts)
  return (
    <>
      <LocalTime label={t('set.due')} value={dueAt} onChange={(due) => onChange({ dueAt: due })} />
      <Select
        label={t('set.who')}
        value={work.who}
        options={(['names', 'signed-in', 'anyone', 'me'] as const).map((who) => [who, t(`set.whoIs.${who}`)])}
        onChange={(who) => onChange({ work: { ...work, who } })}
      />
      <Select
        label={t('set.attempts')}
        value={work.attempts ?? 0}
        options={[0, 1, 2, 3, 5, 10].map((count) => [
          count,
          count === 0 ? t('set.anyAttempts') : t('attempts', { count }),
        ])}
        onChange={(count) => onChange({ work: { ...work, attempts: count === 0 ? null : count } })}
      />
    </>
  )
}
