import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { Attempt } from '../api/types'

/** Where the pictures of a print lie; it never changes. */
export const useAttemptLayout = (attempt: Attempt | undefined) =>
  useQuery({
    queryKey: ['attempt-layout', attempt?.id],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/attempts/{id}/layout', { params: { path: { id: attempt?.id ?? '' } }, signal })),
    enabled: attempt !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  }).data

/** What the scan of a placed picture says against its proof. */
export const useScanFigures = (attempt: Attempt | undefined, page: number | undefined, placed: string | undefined) =>
  useQuery({
    queryKey: ['scan-figures', attempt?.id, page, placed],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/attempts/{id}/pages/{page}/placed/{placed}/scan/figures', {
          params: { path: { id: attempt?.id ?? '', page: page ?? 0, placed: placed ?? '' } },
          signal,
        }),
      ),
    enabled: placed !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  }).data
