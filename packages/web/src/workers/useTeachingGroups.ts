import type { TeachingGroup } from '@otter/core/results'
import { useEffect, useState } from 'react'
import { openWorker } from '../ui/openWorker.ts'
import type { GroupsRequest } from './groups.worker.ts'

/** Puts students of a map together who miss the same, in a web worker; undefined while it works. */
export function useTeachingGroups(rows: readonly string[], size: number): TeachingGroup[] | undefined {
  const wish = `${size} ${rows.join('\n')}`
  const [made, setMade] = useState<{ wish: string; groups: TeachingGroup[] }>()
  useEffect(() => {
    const worker = openWorker<GroupsRequest, TeachingGroup[]>(
      () => new Worker(new URL('./groups.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: (groups) => setMade({ wish, groups }),
        onDied: () => setMade({ wish, groups: [] }),
      },
    )
    const [, text = ''] = /^\d+ ([\s\S]*)$/u.exec(wish) ?? []
    worker.ask({ rows: text.split('\n'), size })
    return () => worker.close()
  }, [wish, size])
  return made?.wish === wish ? made.groups : undefined
}
