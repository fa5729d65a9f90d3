import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api, type Problem } from '../api/client'
import { asked, type ColourChange } from '../api/pictures'
import type { AskedLight, DocketView, NamedLight, OnDocket } from '../api/types'
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
    mutationFn: (body: AskedLight) => answer(api.POST('/api/lights', { body })),
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
