import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { get } from '../api/client'
import { asked, type ColourChange } from '../api/pictures'
import type { DocketView, Hues, OnDocket, Shape } from '../api/types'

const base = (view: DocketView, picture: OnDocket) => `/api/dockets/${view.id}/renditions/${picture.renditionId}`

/** What a change does, as the server works it out, for plots. */
export function useShape(view: DocketView, picture: OnDocket, change: ColourChange): Shape | undefined {
  const address = `${base(view, picture)}/shape?x=1${asked(change)}`
  return useQuery({
    queryKey: ['shape', view.id, picture.renditionId, asked(change)],
    queryFn: ({ signal }) => get<Shape>(address, signal),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  }).data
}

/** The master's hues and its median lightness. */
export function useHues(view: DocketView, picture: OnDocket): Hues | undefined {
  return useQuery({
    queryKey: ['hues', picture.master.hash],
    queryFn: ({ signal }) => get<Hues>(`${base(view, picture)}/hues`, signal),
    staleTime: Number.POSITIVE_INFINITY,
  }).data
}
