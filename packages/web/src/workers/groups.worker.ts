import { teachingGroups, type TeachingGroup } from '@otter/core/results'

/** What groups are made of. */
export interface GroupsRequest {
  rows: readonly string[]
  size: number
}

addEventListener('message', ({ data: { rows, size } }: MessageEvent<GroupsRequest>) => {
  postMessage(teachingGroups(rows, size) satisfies TeachingGroup[])
})
