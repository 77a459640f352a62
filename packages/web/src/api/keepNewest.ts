import type { QueryClient, QueryKey } from '@tanstack/react-query'

/**
 * Shows what was changed. A reading that is under way may have begun before: it is begun anew, so that it takes nothing
 * away.
 */
export function keepNewest<Data>(
  client: QueryClient,
  queryKey: QueryKey,
  changed: (before: Data | undefined) => Data | undefined,
): void {
  const isReading = client.isFetching({ queryKey, exact: true }) > 0
  client.setQueryData<Data>(queryKey, changed)
  if (isReading) void client.invalidateQueries({ queryKey, exact: true })
}
