import { z } from 'zod'

/** Most words that are asked about at once. */
const MOST_WORDS = 50

/** Asks what English words are kinds of. */
export const AskKinds = z.object({ words: z.array(z.string().max(200)).max(MOST_WORDS) })
export type AskKinds = z.input<typeof AskKinds>

/** What each word is a kind of, the nearest first; a word that is not known is left out. */
export const KindsReply = z.object({ kinds: z.record(z.string(), z.array(z.string())) })
export type KindsReply = z.infer<typeof KindsReply>
