import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App } from 'antd'
import { get, type Problem, patch, post, put } from '../api/client'
import type { Attempt, Command, DocketView, OnDocket, SheetDocket } from '../api/types'
import { OVER } from '../release/words'
import { PLANS, type PlanKind } from '../size/plans'

/** Lengths as they were typed; one of them is given, or all four borders. */
export type SizeAsked = Partial<Record<'width' | 'height' | 'ppi' | 'left' | 'top' | 'right' | 'bottom', string>> & {
  borders?: Record<'top' | 'right' | 'bottom' | 'left', string>
}

type Length =
  | 'width'
  | 'height'
  | 'depth'
  | 'airGap'
  | 'turnOver'
  | 'play'
  | 'bleed'
  | 'thickness'
  | 'growsAcross'
  | 'growsAlong'
  | 'gap'
/** A body as it was typed; what isn't given stays. */
export type BodyAsked = Partial<Record<Length, string>> & {
  kind?: 'BARS' | 'BOARD'
  free?: boolean
  printed?: boolean
  panelsAcross?: number
  panelsDown?: number
  corners?: 'FOLDED' | 'MITRED'
}

type Step =
  | { kind: 'change'; change: Command }
  | { kind: 'resize'; asked: SizeAsked }
  | { kind: 'largest' }
  | { kind: 'sheet'; width: string; length: string; name: string }
  | { kind: 'plan'; plan: PlanKind }
  | { kind: 'body'; asked: BodyAsked }
  | { kind: 'side-colour'; patch: { x: number; y: number; width: number; height: number } }
  | { kind: 'pair'; pairingId: string }
  | { kind: 'elsewhere'; pairingId: string }
  | { kind: 'undo' }
  | { kind: 'redo' }

const ASK_AGAIN_MS = 5000

/** An event may be lost on the way: while something is being printed it is asked for now and then as well. */
export const whileUnderWay = (attempts: Attempt[] | undefined) =>
  attempts?.some((a) => !OVER.includes(a.state)) ? ASK_AGAIN_MS : false

/** One docket, and the ways to change it. Every change is saved as it is made; a stale one is refused and shown as it is now. */
export function useDocket(id: string) {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const key = ['docket', id]
  const query = useQuery({ queryKey: key, queryFn: ({ signal }) => get<DocketView>(`/api/dockets/${id}`, signal) })
  const attempts = useQuery({
    queryKey: ['attempts', id],
    queryFn: ({ signal }) => get<Attempt[]>(`/api/dockets/${id}/attempts`, signal),
    refetchInterval: ({ state }) => whileUnderWay(state.data),
  })

  const complain = (e: Error) => {
    const problem = e as Problem
    notification.open({ title: problem.message, description: problem.next, duration: 8 })
    client.invalidateQueries({ queryKey: key })
  }

  const change = useMutation({
    scope: { id: `docket-${id}` },
    mutationFn: (step: Step) => {
      const version = client.getQueryData<DocketView>(key)?.version ?? 0
      const base = `/api/dockets/${id}`
      switch (step.kind) {
        case 'change':
          return patch<DocketView>(base, step.change, version)
        case 'resize':
          return patch<DocketView>(`${base}/size`, step.asked, version)
        case 'largest':
          return post<DocketView>(`${base}/size/largest`, undefined, version)
        case 'sheet':
          return put<DocketView>(`${base}/sheet`, { width: step.width, length: step.length, name: step.name }, version)
        case 'plan':
          return PLANS[step.plan].take(base, version)
        case 'body':
          return patch<DocketView>(`${base}/wrap`, step.asked, version)
        case 'side-colour':
          return put<DocketView>(`${base}/wrap/colour`, step.patch, version)
        case 'pair':
          return put<DocketView>(`${base}/pairing`, { pairingId: step.pairingId }, version)
        case 'elsewhere':
          return put<DocketView>(`${base}/elsewhere`, { pairingId: step.pairingId }, version)
        default:
          return post<DocketView>(`${base}/${step.kind}`, undefined, version)
      }
    },
    onSuccess: (next) => client.setQueryData(key, next),
    onError: complain,
  })

  const release = useMutation({
    mutationFn: (held: boolean) =>
      post<Attempt>(
        `/api/dockets/${id}/attempts${held ? '?held=true' : ''}`,
        undefined,
        client.getQueryData<DocketView>(key)?.version ?? 0,
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ['attempts'] }),
    onError: complain,
  })

  const decide = (next: Command) => change.mutate({ kind: 'change', change: next })
  /** The proof of a picture as it stands was looked at. */
  const see = (rendition: string) =>
    post<DocketView>(`/api/dockets/${id}/renditions/${rendition}/proof-views`).then(
      (next) => client.setQueryData(key, next),
      complain,
    )
  return {
    view: query.data,
    error: query.error,
    attempts: attempts.data ?? [],
    change: change.mutate,
    decide,
    see,
    release,
    complain,
  }
}

export type DocketTools = ReturnType<typeof useDocket>
/** At the size station of one picture on a sheet. */
export type SheetProps = StationProps & { view: SheetDocket }
/** `picture` is the one of the docket that is looked at. */
export type StationProps = { view: DocketView; picture: OnDocket; tools: DocketTools; go: (station: string) => void }
