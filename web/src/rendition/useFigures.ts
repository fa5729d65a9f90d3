import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import { forScreen } from '../api/screen'
import type { DocketView, OnDocket } from '../api/types'

/** What the proof of a picture comes to in numbers, with its moves or without. Whoever shows them asks under one key. */
export const useFigures = (view: DocketView, picture: OnDocket, compensated: boolean, enabled = true) =>
  useQuery({
    queryKey: ['figures', view.id, picture.renditionId, view.version, compensated, forScreen()],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/figures', {
          params: { path: { id: view.id, rendition: picture.renditionId }, query: { compensated, ...forScreen() } },
          signal,
        }),
      ),
    enabled,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  }).data
