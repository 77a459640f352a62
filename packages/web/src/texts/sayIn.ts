import type { Language } from '@otter/api'
import i18next from 'i18next'
import type { MessageKey, Texts, Values } from './texts.ts'

/** Returns what says the messages of a file in a language, which need not be the screen's; fetches it first. */
export async function sayIn<Messages>(
  wanted: Language | undefined,
  { name }: Texts<Messages>,
): Promise<{ say: (key: MessageKey<Messages>, values?: Values) => string; language: string }> {
  const language = wanted ?? i18next.language
  await i18next.loadLanguages(language)
  const fixed = i18next.getFixedT(language, name)
  return { say: (key, values) => fixed(key, { ...values }), language }
}
