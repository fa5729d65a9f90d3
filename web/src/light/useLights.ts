import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import { asked, type ColourChange } from '../api/pictures'
import type { DocketView, HangingLight, NamedLight, OnDocket } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { useSettled } from '../parts/useSettled'

const KEY = ['lights']

/** The lights as they are named, and what changes them. */
export function useLights(complain: (e: Problem) => void, enabled = true) {
  const client = useQueryClient()
  const { data: lights } = useQuery({
    queryKey: KEY,
    queryFn: ({ signal }) => answer(api.GET('/api/lights', { signal })),
    enabled,
  })
  const { mutate: change } = useMutation({
    mutationFn: ({ id, ...body }: NamedLight) => answer(api.PUT('/api/lights/{id}', { params: { path: { id } }, body })),
    onMutate: (next) => client.setQueryData<NamedLight[]>(KEY, (all) => all?.map((l) => (l.id === next.id ? next : l))),
    onError: complain,
    onSettled: () => client.invalidateQueries({ queryKey: KEY }),
  })
  const { mutate: add } = useMutation({
    mutationFn: (body: HangingLight) => answer(api.POST('/api/lights', { body })),
    onError: complain,
    onSettled: () => client.invalidateQueries({ queryKey: KEY }),
  })
  const { mutate: forget } = useMutation({
    mutationFn: (id: string) => answer(api.DELETE('/api/lights/{id}', { params: { path: { id } } })),
    onError: complain,
    onSettled: () => client.invalidateQueries({ queryKey: KEY }),
  })
  return { lights, change, add, forget }
}

export type Shining = { lux: number; kelvin: number }

/** Between these a light is typed. */
export const LOWEST: Shining = { lux: 1, kelvin: 1500 }
export const HIGHEST: Shining = { lux: 20_000, kelvin: 20_000 }

/** The light that a print is looked at in: the one chosen, else the docket's, and its numbers while they are dragged. */
export function useHangingLight(view: DocketView, tools: DocketTools, enabled: boolean) {
  const { lights = [], change } = useLights(tools.complain, enabled)
  const [chosen, choose] = useState<string>()
  const [dragged, drag] = useState<Shining>()
  const hung = view.spec.heading.light
  const light = lights.find((l) => l.id === chosen) ?? lights.find((l) => l.name === hung?.name) ?? lights[0]
  if (!light) return undefined
  const hangs = hung?.name === light.name
  return {
    lights,
    light,
    shining: dragged ?? { lux: light.lux, kelvin: light.kelvin },
    /** The docket's print will hang in it. */
    hangs,
    drag,
    choose: (id: string) => {
      drag(undefined)
      choose(id)
    },
    /** Names it anew by its numbers; a docket that hangs in it follows. */
    shine: (next: Shining) => {
      drag(undefined)
      change({ ...light, ...next })
      if (hangs) tools.decide({ kind: 'hangs-in', light: { name: light.name, ...next } })
    },
  }
}

export type Hanging = NonNullable<ReturnType<typeof useHangingLight>>

/** What a print comes to in a light; follows the light and the moves. */
export function useLightFigures(view: DocketView, picture: OnDocket, change: ColourChange, light: Shining | undefined) {
  const query = useSettled({ ...asked(change), lux: light?.lux ?? 0, kelvin: light?.kelvin ?? 0 }, 60)
  return useQuery({
    queryKey: ['light-figures', view.id, picture.renditionId, view.version, view.pairing?.pairingId, query],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/light-figures', {
          params: { path: { id: view.id, rendition: picture.renditionId }, query },
          signal,
        }),
      ),
    enabled: query.lux > 0,
    placeholderData: keepPreviousData,
  }).data
}

/** How bright the screen is, where somebody said it. */
export const useScreenWhite = () =>
  useQuery({ queryKey: ['lights', 'screen'], queryFn: ({ signal }) => answer(api.GET('/api/settings/screen', { signal })) }).data
