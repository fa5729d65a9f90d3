import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { get } from '../api/client'
import { forScreen } from '../api/screen'
import type { DocketView, Figures, OnDocket } from '../api/types'

/** What the proof of a picture comes to in numbers, with its moves or without. Whoever shows them asks under one key. */
export const useFigures = (view: DocketView, picture: OnDocket, compensated: boolean, enabled = true) =>
  useQuery({
    queryKey: ['figures', view.id, picture.renditionId, view.version, compensated, forScreen()],
    queryFn: ({ signal }) =>
      get<Figures>(
        `/api/dockets/${view.id}/renditions/${picture.renditionId}/figures?compensated=${compensated}${forScreen()}`,
        signal,
      ),
    enabled,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  }).data
