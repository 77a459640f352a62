import { MOST_TEAMS } from '@otter/core'
import { teamsTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Select } from '../ui/Choice.tsx'
import { numbers } from '../ui/numbers.ts'

const SECONDS = [0, 15, 30, 45, 60, 90, 120]

interface ChoiceProps {
  value: number
  onChange: (value: number) => void
}

/** How long teams have for a question. */
export function SecondsSelect({ value, onChange }: ChoiceProps) {
  const t = useTexts(teamsTexts)
  return (
    <Select
      label={t('option.seconds')}
      value={value}
      options={SECONDS.map((seconds) => [seconds, seconds === 0 ? t('option.noTime') : t('timer', { count: seconds })])}
      onChange={onChange}
    />
  )
}

/** How many teams play where a game is shared by one device: the wall has its own. */
export function TeamsSelect({ value, onChange }: ChoiceProps) {
  const t = useTexts(teamsTexts)
  return <Select label={t('option.teams')} value={value} options={numbers(1, MOST_TEAMS)} onChange={onChange} />
}
