import i18next from 'i18next'

/** Fetches message files before a screen needs them. */
export async function fetchTexts(...names: readonly string[]): Promise<void> {
  await i18next.loadNamespaces(names)
}
