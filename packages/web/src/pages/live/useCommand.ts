import type { HostState } from '@otter/api'
import type { HostCommand } from '@otter/core'
import { useHostCommand } from '../../api/live.ts'

/** Commands a session as it is shown. */
export interface Command {
  send: (command: HostCommand) => void
  busy: boolean
  error: Error | null
}

/** Returns how a session is commanded. */
export function useCommand({ id, facts: { revision } }: Pick<HostState, 'id' | 'facts'>): Command {
  const { mutate, isPending, error } = useHostCommand(id)
  return { send: (command) => mutate({ command, revision }), busy: isPending, error }
}
