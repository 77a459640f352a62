import { QueryClient } from '@tanstack/react-query'
import { ApiError } from './client.ts'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => count < 3 && !(error instanceof ApiError && error.status >= 400 && error.status < 500),
      staleTime: 5_000,
      // Whoever has no connection hears so, instead of waiting for ever.
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
})

/** How often results ask for what is new, in milliseconds. */
export const WATCHING = 5_000
