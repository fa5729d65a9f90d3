import { address } from './client'
import { forScreen } from './screen'
import type {
  DocketView,
  Intent,
  Item,
  LocalMove,
  MarkArt,
  Move,
  OnDocket,
  Pairing,
  PictureStamp,
  Placed,
  PrintFrame,
  Rendition,
  Sharpening,
  SheetDocket,
  Sides,
  TiledDocket,
  Treatment,
  WrapDocket,
} from './types'

/** What of a proof is shown: a way of looking at it, no decision. */
export type ProofView = 'PAPER_WHITE' | 'INK_BLACK' | 'SCREEN_WHITE_AND_BLACK'

/** What happens to a picture's colours before they are converted: saved with the docket, or as sliders just now stand. */
export type ColourChange = {
  treatment: Treatment
  moves: Move[]
  local?: LocalMove[]
  framed?: PrintFrame
  stamps?: PictureStamp[]
}

/** The pairing of a docket whose paper is chosen: what is proofed, judged or printed has one. */
export const pairingOf = (view: DocketView) => view.pairing as Pairing

export const renditionOf = (view: DocketView, picture: OnDocket) =>
  view.spec.renditions.find((r) => r.id === picture.renditionId) as Rendition

/** The mirrored parts round a picture, each as a picture of its own. */
export const bleedOf = (placed: Placed): Placed[] => (placed.bleed?.parts ?? []).map((part) => ({ ...placed, ...part }))

/** The piece that the plan of this docket lays. */
export const itemOf = (view: SheetDocket | WrapDocket | TiledDocket) =>
  view.spec.items.find((i) => i.id === view.spec.plan.itemId) as Item

export const changeOf = (r: Rendition, { framed }: OnDocket): ColourChange => ({
  treatment: r.treatment,
  moves: r.compensation.on ? r.compensation.moves : [],
  local: r.local,
  framed,
})

/** As it is treated, without any moves: what a print is judged against. */
export const treated = (treatment: Treatment): ColourChange => ({ treatment, moves: [] })

/** With the marks of one's own that lie over it: in pictures alone, figures know nothing of them. */
const marked = ({ framed, stamps }: OnDocket, change?: ColourChange): ColourChange | undefined =>
  stamps.length === 0 ? change : { ...(change ?? treated({ kind: 'colour' })), framed, stamps }

/** For an address; nothing where nothing is changed. */
export const asked = (change?: ColourChange): { change?: string } => {
  if (!change) return {}
  const local = (change.local ?? []).filter((m) => m.on)
  const stamps = change.stamps ?? []
  if (change.treatment.kind === 'colour' && change.moves.length + local.length + stamps.length === 0) return {}
  return {
    change: JSON.stringify({
      treatment: change.treatment,
      moves: change.moves,
      ...(local.length > 0 ? { local } : {}),
      ...(stamps.length > 0 ? { stamps } : {}),
      ...(stamps.length > 0 || local.some((m) => m.kind === 'edges') ? { framed: change.framed } : {}),
    }),
  }
}

/** Addresses of pictures. Each names everything that the picture depends on, so it can be kept for ever. */
export const masterUrl = (hash: string, longest: number, change?: ColourChange) =>
  address('/api/masters/{hash}/picture', { path: { hash }, query: { longest, ...asked(change), ...forScreen() } })

/** What a mark of one's own shows, transparent around it. */
export const markUrl = (art: MarkArt, wide: number) =>
  address('/api/mark-picture', { query: { kind: art.kind, content: art.content, aspect: art.aspect, wide } })

/** A part of it, in its own pixels, so wide on the screen. */
export const masterPartUrl = (
  hash: string,
  part: { x: number; y: number; width: number; height: number; wide: number },
  change?: ColourChange,
) => address('/api/masters/{hash}/part', { path: { hash }, query: { ...part, ...asked(change), ...forScreen() } })

/** For places where nobody judges colour: small. */
const THUMBNAIL = 'thumbnail'

/** The same, small. */
export const masterThumbnail = (hash: string, longest: number, change?: ColourChange) =>
  address('/api/masters/{hash}/picture', { path: { hash }, query: { longest, ...asked(change), display: THUMBNAIL } })

const on = (view: DocketView, longest: number) => ({
  longest,
  pairing: pairingOf(view).pairingId,
  version: pairingOf(view).number,
})

/** The intent in force; with the driver converting, the one that the pairing usually has. */
export const intentOf = (view: DocketView): Intent =>
  view.spec.colour.route.kind === 'by-wistel' ? view.spec.colour.route.intent : pairingOf(view).intent

export const blackPointOf = (view: DocketView) =>
  view.spec.colour.route.kind === 'by-wistel' ? view.spec.colour.route.blackPoint : true

/** By what the tones of a monochrome picture are proofed, where a wedge told. */
const toned = (picture: OnDocket): { tone?: string } => {
  const key = picture.tones?.key
  return key ? { tone: key } : {}
}

export const proofUrl = (
  view: DocketView,
  picture: OnDocket,
  longest: number,
  shown: ProofView = 'PAPER_WHITE',
  intent: Intent = intentOf(view),
  change?: ColourChange,
) =>
  address('/api/masters/{hash}/proof', {
    path: { hash: picture.master.hash },
    query: {
      ...on(view, longest),
      intent,
      black: blackPointOf(view),
      view: shown,
      ...asked(marked(picture, change)),
      ...toned(picture),
      ...forScreen(),
    },
  })

/** The print in a light, with eyes adapted to the screen or settled in it. */
export const lightUrl = (
  view: DocketView,
  picture: OnDocket,
  light: { lux: number; kelvin: number; seen: 'BESIDE' | 'SETTLED'; longest: number },
  change?: ColourChange,
) =>
  `${address('/api/dockets/{id}/renditions/{rendition}/light-views', {
    path: { id: view.id, rendition: picture.renditionId },
    query: { ...light, ...asked(change), ...forScreen() },
  })}&version=${view.version}`

export const gamutUrl = (view: DocketView, picture: OnDocket, longest: number, change?: ColourChange) =>
  address('/api/masters/{hash}/gamut', {
    path: { hash: picture.master.hash },
    query: { ...on(view, longest), ...asked(change), ...toned(picture) },
  })

/** Places in a picture are told to a ten-thousandth. */
export const rounded = ({ x, y }: { x: number; y: number }) => ({ x: Number(x.toFixed(4)), y: Number(y.toFixed(4)) })

/** A part of the final raster, pixel for pixel. */
export const loupeUrl = (
  view: DocketView,
  rendition: string,
  at: { x: number; y: number; part?: number },
  sharpening: Sharpening,
  mask = false,
) =>
  address('/api/dockets/{id}/renditions/{rendition}/loupe', {
    path: { id: view.id, rendition },
    query: { part: at.part ?? 0, ...rounded(at), sharpening, mask, v: view.version },
  })

/** A piece of a wrap as it is printed, counted from 1, with the docket's sides or others. */
export const wrapUrl = (view: DocketView, piece: number, longest: number, sides: Sides = 'CHOSEN') =>
  address('/api/dockets/{id}/wrap/pieces/{piece}/picture', {
    path: { id: view.id, piece },
    query: { longest, sides, v: view.version, ...forScreen() },
  })

/** The same, small, for lists. */
export const wrapThumbnail = (docket: string, piece: number, longest: number) =>
  address('/api/dockets/{id}/wrap/pieces/{piece}/picture', {
    path: { id: docket, piece },
    query: { longest, display: THUMBNAIL },
  })

const SCAN = '/api/attempts/{id}/pages/{page}/placed/{placed}/scan'

export const scanThumbnail = (attempt: string, page: number, placed: string) =>
  address(SCAN, { path: { id: attempt, page, placed }, query: { longest: 180, display: THUMBNAIL } })

/** All sheets of a print that were scanned, joined. */
export const joinedUrl = (attempt: string, sheets: number, longest: number) =>
  address('/api/attempts/{id}/joined', { path: { id: attempt }, query: { longest, ...forScreen(), v: sheets } })

/** The scan of one picture of a page. */
export const scanUrl = (attempt: string, page: number, placed: string, longest: number) =>
  address(SCAN, { path: { id: attempt, page, placed }, query: { longest, ...forScreen() } })
