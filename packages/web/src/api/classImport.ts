import type { ClassReply, ComparedClasses, ImportClasses, ImportedClasses } from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'

/** What bringing in these classes would do. */
export function useComparedClasses(classes: ImportedClasses['classes']): UseQueryResult<ComparedClasses> {
  return useQuery({
    queryKey: ['classes-compared', classes.map(({ sourceId }) => sourceId)],
    queryFn: () => call<ComparedClasses>('POST', '/classes/compared', { classes }),
    enabled: classes.length > 0,
    staleTime: 0,
    placeholderData: (before) => before,
  })
}

/** Brings classes in; all that shows classes is read again. */
export function useImportClasses(): UseMutationResult<{ classes: ClassReply[] }, Error, ImportClasses> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (wanted) => call<{ classes: ClassReply[] }>('POST', '/classes/imported', wanted),
    onSuccess: () =>
      Promise.all(
        ['classes', 'class', 'class-overview', 'classes-compared'].map((key) =>
          client.invalidateQueries({ queryKey: [key] }),
        ),
      ),
  })
}
