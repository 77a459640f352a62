import type { ReactElement } from 'react'
import { Trans, useTranslation } from 'react-i18next'
import type { MessageKey, Texts, Values } from './texts.ts'

interface RichProps<Messages> {
  texts: Texts<Messages>
  id: MessageKey<Messages>
  values?: Values
  /** What stands for the marks in the message, by their names. */
  marks: Record<string, ReactElement>
}

/** A message with links or emphasis in it. */
export function Rich<Messages>({ texts: { name }, id, values, marks }: RichProps<Messages>) {
  const { t } = useTranslation(name)
  return <Trans t={t} ns={name} i18nKey={id} values={values} components={marks} />
}
