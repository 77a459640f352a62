import { liveTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Select } from '../ui/Choice.tsx'

const SECONDS = [0, 10, 20, 30, 45, 60, 90, 120]

interface Chosen {
  seconds: number
  change: boolean
}

/** What is chosen wherever all are asked the same: the time, and whether an answer can be changed. */
export function InStepOptions({
  options: { seconds, change },
  onChange,
}: {
  options: Chosen
  onChange: (change: Partial<Chosen>) => void
}) {
  const t = useTexts(liveTexts)
  return (
    <>
      <Select
        label={t('setup.seconds')}
        value={seconds}
        options={SECONDS.map((count) => [count, count === 0 ? t('setup.noLimit') : t('setup.secondsOf', { count })])}
        onChange={(chosen) => onChange({ seconds: chosen })}
      />
      <Select
        label={t('setup.change')}
        value={change ? 'on' : 'off'}
        options={[
          ['off', t('setup.changeOff')],
          ['on', t('setup.changeOn')],
        ]}
        onChange={(chosen) => onChange({ change: chosen === 'on' })}
      />
    </>
  )
}
