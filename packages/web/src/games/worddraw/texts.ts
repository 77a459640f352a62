import type { Texts } from '../../texts/texts.ts'
import type en from './texts/en.json'

/** What is read in this game. */
export const texts: Texts<typeof en> = { name: 'worddraw' }
