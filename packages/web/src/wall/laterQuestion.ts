import { lazy } from 'react'

/** The open question, fetched when the first one is opened: until then a phone has less to fetch. */
export const LaterQuestion = lazy(async () => ({ default: (await import('./QuestionCard.tsx')).QuestionCard }))
