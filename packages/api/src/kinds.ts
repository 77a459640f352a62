import { MAX_ENTRIES } from '@otter/core'
import { z } from 'zod'

/** Most names of which things beside them are asked about. */
const MOST_BESIDE = 8
/** Most words that are asked about at once. */
const MOST_WORDS = 50

/** Asks what English words are kinds of. */
export const AskKinds = z.object({ words: z.array(z.string().max(200)).max(MOST_WORDS) })
export type AskKinds = z.input<typeof AskKinds>

/** Asks what is known of the things that English names stand for. */
export const AskThings = z
  .object({ names: z.array(z.string().max(300)).max(MAX_ENTRIES), beside: z.boolean() })
  .refine(({ names, beside }) => !beside || names.length <= MOST_BESIDE, { path: ['names'] })
export type AskThings = z.infer<typeof AskThings>

/** What is known of each thing; one that is not known is left out. */
export const ThingsReply = z.object({
  things: z.record(
    z.string(),
    z.object({ kinds: z.array(z.string()).readonly(), beside: z.array(z.string()).readonly() }),
  ),
})
export type ThingsReply = z.infer<typeof ThingsReply>

/** What each word is a kind of, the nearest first; a word that is not known is left out. */
export const KindsReply = z.object({ kinds: z.record(z.string(), z.array(z.string())) })
export type KindsReply = z.infer<typeof KindsReply>
