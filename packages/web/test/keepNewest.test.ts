import { QueryClient, QueryObserver } from '@tanstack/react-query'
import { expect } from 'chai'
import { keepNewest } from '../src/api/keepNewest.ts'

describe('What was changed', () => {
  it('stands, though a reading that began before comes after it', async () => {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
    const server = { names: ['Ama'] }
    const queryFn = async (): Promise<string[]> => {
      const { names } = server
      await new Promise((resolve) => setTimeout(resolve, 10))
      return names
    }
    const queryKey = ['names']
    const stop = new QueryObserver(client, { queryKey, queryFn }).subscribe(() => undefined)
    // Made while the first reading is under way.
    server.names = ['Ama', 'Bo']
    keepNewest<string[]>(client, queryKey, (before = []) => [...before, 'Bo'])
    await new Promise((resolve) => setTimeout(resolve, 40))
    expect(client.getQueryData(queryKey)).to.deep.equal(['Ama', 'Bo'])
    stop()
    client.clear()
  })
})
