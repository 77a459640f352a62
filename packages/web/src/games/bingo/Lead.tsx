import type { BingoPuzzle } from '@otter/core/games/bingo'
import { useCallTerms, useLead } from '../../api/offers.ts'
import type { LeadProps } from '../contract.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Caller } from './Caller.tsx'

/** Calls for all who play a link on their devices: their claims are checked against these calls. */
export function Lead({ offerId, onClose }: LeadProps) {
  const { data, error } = useLead(offerId)
  const call = useCallTerms(offerId)
  if (!data) return <Notice error={error} />
  return (
    <Caller
      puzzle={data.puzzle as BingoPuzzle}
      called={data.calls}
      onCall={(calls) => call.mutate(calls)}
      winners={data.winners}
      error={call.error ?? error}
      onClose={onClose}
    />
  )
}
