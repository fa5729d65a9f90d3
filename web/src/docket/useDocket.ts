import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App } from 'antd'
import { type Brought, bringPictures } from '../api/bring'
import { answer, api, type Problem, since } from '../api/client'
import type { components } from '../api/schema'
import type { Attempt, Command, DocketView, GangDocket, OnDocket, SheetDocket, StripDocket, TiledDocket } from '../api/types'
import { OVER } from '../release/words'
import { PLANS, type PlanKind } from '../size/plans'

type S = components['schemas']

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
  | { kind: 'arrange'; asked: S['ArrangementAsked'] }
  | { kind: 'piece-size'; itemId: string; asked: S['PieceSize'] }
  | { kind: 'pieces-size'; itemIds: string[]; longer: string }
  | { kind: 'copy-pieces'; itemIds: string[] }
  | { kind: 'order'; by: S['OrderAsked']['by'] }
  | { kind: 'more-sizes'; itemId: string; sizes: S['SizeWanted'][] }
  | { kind: 'from-dockets'; dockets: string[] }
  | { kind: 'body'; asked: BodyAsked }
  | { kind: 'join'; asked: S['JointAsked'] }
  | { kind: 'vary'; asked: S['StripAsked'] }
  | { kind: 'strip-part'; by: 'DARKEST' | 'COLOUR' | 'BOTH' }
  | { kind: 'side-colour'; patch: { x: number; y: number; width: number; height: number } }
  | { kind: 'newer-file'; renditionId: string; hash: string; fileName: string }
  | { kind: 'pair'; pairingId: string }
  | { kind: 'alternative'; pairingId: string }
  | { kind: 'undo' }
  | { kind: 'redo' }

const ASK_AGAIN_MS = 5000
const LARGEST_FILE = 1073741824

/** An event may be lost on the way: while something is being printed it is asked for now and then as well. */
export const whileUnderWay = (attempts: Attempt[] | undefined) =>
  attempts?.some((a) => !OVER.includes(a.state)) ? ASK_AGAIN_MS : false

/** A docket as it was answered; the bench's dockets have the plans that its stations show. */
const docketOf = async (call: Promise<{ data?: components['schemas']['DocketView'] }>) => (await answer(call)) as DocketView

/** One docket, and the ways to change it. Every change is saved as it is made; a stale one is refused and shown as it is now. */
export function useDocket(id: string) {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const key = ['docket', id]
  const query = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => docketOf(api.GET('/api/dockets/{id}', { params: { path: { id } }, signal })),
  })
  const attempts = useQuery({
    queryKey: ['attempts', id],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/attempts', { params: { path: { id } }, signal })),
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
      const params = { path: { id }, header: since(version) }
      switch (step.kind) {
        case 'change':
          return docketOf(api.PATCH('/api/dockets/{id}', { params, body: step.change }))
        case 'resize':
          return docketOf(api.PATCH('/api/dockets/{id}/size', { params, body: step.asked }))
        case 'largest':
          return docketOf(api.POST('/api/dockets/{id}/size/largest', { params }))
        case 'sheet':
          return docketOf(
            api.PUT('/api/dockets/{id}/sheet', { params, body: { width: step.width, length: step.length, name: step.name } }),
          )
        case 'plan':
          return docketOf(PLANS[step.plan].take(client.getQueryData<DocketView>(key) as DocketView))
        case 'arrange':
          return docketOf(api.PATCH('/api/dockets/{id}/arrangement', { params, body: step.asked }))
        case 'piece-size': {
          const piece = { ...params, path: { id, itemId: step.itemId } }
          return docketOf(api.PATCH('/api/dockets/{id}/pieces/{itemId}', { params: piece, body: step.asked }))
        }
        case 'pieces-size':
          return docketOf(api.PATCH('/api/dockets/{id}/pieces', { params, body: { itemIds: step.itemIds, longer: step.longer } }))
        case 'copy-pieces':
          return docketOf(api.POST('/api/dockets/{id}/pieces/copies', { params, body: { itemIds: step.itemIds } }))
        case 'order':
          return docketOf(api.PUT('/api/dockets/{id}/pieces/order', { params, body: { by: step.by } }))
        case 'more-sizes':
          return docketOf(
            api.POST('/api/dockets/{id}/pieces/sizes', { params, body: { itemId: step.itemId, sizes: step.sizes } }),
          )
        case 'from-dockets':
          return docketOf(api.POST('/api/dockets/{id}/pieces/from-dockets', { params, body: { dockets: step.dockets } }))
        case 'body':
          return docketOf(api.PATCH('/api/dockets/{id}/wrap', { params, body: step.asked }))
        case 'join':
          return docketOf(api.PUT('/api/dockets/{id}/joint', { params, body: step.asked }))
        case 'vary':
          return docketOf(api.PUT('/api/dockets/{id}/strip', { params, body: step.asked }))
        case 'strip-part':
          return docketOf(api.PUT('/api/dockets/{id}/strip/part', { params: { ...params, query: { by: step.by } } }))
        case 'newer-file': {
          const picture = { ...params, path: { id, rendition: step.renditionId } }
          return docketOf(
            api.PUT('/api/dockets/{id}/renditions/{rendition}/master', {
              params: picture,
              body: { hash: step.hash, fileName: step.fileName },
            }),
          )
        }
        case 'side-colour':
          return docketOf(api.PUT('/api/dockets/{id}/wrap/colour', { params, body: step.patch }))
        case 'pair':
          return docketOf(api.PUT('/api/dockets/{id}/pairing', { params, body: { pairingId: step.pairingId } }))
        case 'alternative':
          return docketOf(api.PUT('/api/dockets/{id}/alternatives', { params, body: { pairingId: step.pairingId } }))
        default:
          return docketOf(api.POST(step.kind === 'undo' ? '/api/dockets/{id}/undo' : '/api/dockets/{id}/redo', { params }))
      }
    },
    onSuccess: (next) => client.setQueryData(key, next),
    onError: complain,
  })

  /** Pictures that were brought, laid beside what is on the docket. */
  const lay = (pictures: Brought[]) =>
    docketOf(api.POST('/api/dockets/{id}/pieces', { params: { path: { id } }, body: { pictures } })).then((next) =>
      client.setQueryData(key, next),
    )

  /** Pictures laid beside what is on the docket; what can't be read is told and the others go on. */
  const bring = (files: File[]) =>
    bringPictures(files, LARGEST_FILE, {
      left: (file, e) =>
        notification.open({ title: `${file.name} is left out: ${e.message}`, description: e.next, duration: 12 }),
      some: (pictures) => lay(pictures).catch(complain),
    })

  const release = useMutation({
    mutationFn: (held: boolean) =>
      answer(
        api.POST('/api/dockets/{id}/attempts', {
          params: { path: { id }, query: { held }, header: since(client.getQueryData<DocketView>(key)?.version ?? 0) },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ['attempts'] }),
    onError: complain,
  })

  const decide = (next: Command) => change.mutate({ kind: 'change', change: next })
  /** The proof of a picture as it stands was looked at. */
  const see = (rendition: string) =>
    docketOf(api.POST('/api/dockets/{id}/renditions/{rendition}/proof-views', { params: { path: { id, rendition } } })).then(
      (next) => client.setQueryData(key, next),
      complain,
    )
  return {
    view: query.data,
    error: query.error,
    /** Of the docket itself, newest first. */
    attempts: attempts.data?.filter((a) => a.docketId === id) ?? [],
    /** Of dockets that printed a piece of this one together with others. */
    joint: attempts.data?.filter((a) => a.docketId !== id) ?? [],
    change: change.mutate,
    decide,
    bring,
    lay,
    see,
    release,
    complain,
  }
}

export type DocketTools = ReturnType<typeof useDocket>
/** At the size station of several pictures. */
export type GangProps = StationProps & { view: GangDocket }
/** At the size station of one picture over several sheets. */
export type TiledProps = StationProps & { view: TiledDocket }
/** At the size station of a test strip. */
export type StripProps = StationProps & { view: StripDocket }
/** At the size station of one picture on a sheet. */
export type SheetProps = StationProps & { view: SheetDocket }
/** `picture` is the one of the docket that is looked at. */
export type StationProps = {
  view: DocketView
  picture: OnDocket
  tools: DocketTools
  go: (station: string) => void
  /** A file that is chosen on a station is asked about as one that was dropped. */
  onFile?: (file: File) => void
}
