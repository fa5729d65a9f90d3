import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import { asked, type ColourChange } from '../api/pictures'
import type { DocketView, Hues, OnDocket, Shape } from '../api/types'

const path = (view: DocketView, picture: OnDocket) => ({ id: view.id, rendition: picture.renditionId })

/** What a change does, as the server works it out, for plots. */
export function useShape(view: DocketView, picture: OnDocket, change: ColourChange): Shape | undefined {
  return useQuery({
    queryKey: ['shape', view.id, picture.renditionId, asked(change)],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/move-curves', {
          params: { path: path(view, picture), query: asked(change) },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  }).data
}

/** The master's hues and its median lightness. */
export function useHues(view: DocketView, picture: OnDocket): Hues | undefined {
  return useQuery({
    queryKey: ['hues', picture.master.hash],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/dockets/{id}/renditions/{rendition}/hues', { params: { path: path(view, picture) }, signal })),
    staleTime: Number.POSITIVE_INFINITY,
  }).data
}
