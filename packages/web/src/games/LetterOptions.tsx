import { listTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Select } from '../ui/Choice.tsx'

interface ChoiceProps<Value> {
  value: Value
  onChange: (value: Value) => void
}

/** Whether letters are shown as capitals. */
export function LetterCaseSelect(props: ChoiceProps<'upper' | 'lower'>) {
  const t = useTexts(listTexts)
  return (
    <Select
      label={t('letters.letterCase')}
      options={[
        ['upper', t('letters.upper')],
        ['lower', t('letters.lower')],
      ]}
      {...props}
    />
  )
}

/** Whether letters with accents count as letters of their own. */
export function AccentsSelect(props: ChoiceProps<'folded' | 'kept'>) {
  const t = useTexts(listTexts)
  return (
    <Select
      label={t('letters.accents')}
      options={[
        ['folded', t('letters.folded')],
        ['kept', t('letters.kept')],
      ]}
      {...props}
    />
  )
}

/** Whether entries come mixed, or in the list's order. */
export function OrderSelect(props: ChoiceProps<'random' | 'list'>) {
  const t = useTexts(listTexts)
  return (
    <Select
      label={t('letters.order')}
      options={[
        ['random', t('letters.random')],
        ['list', t('letters.list')],
      ]}
      {...props}
    />
  )
}
