import { createContext, useContext } from 'react'

/** Whether the players learn to read, and the language of the words, as a BCP 47 code. */
export const EarlyReaders = createContext({ early: false, language: '' })

/**
 * Returns what speaks a text aloud in the language of the words; undefined where it is not wished, or the device can't.
 */
export function useSpeech(): ((text: string) => void) | undefined {
  const { early, language } = useContext(EarlyReaders)
  if (!early || !('speechSynthesis' in globalThis)) return undefined
  return (text) => {
    const spoken = new SpeechSynthesisUtterance(text)
    if (language !== '') spoken.lang = language
    spoken.rate = 0.85
    speechSynthesis.cancel()
    speechSynthesis.speak(spoken)
  }
}
