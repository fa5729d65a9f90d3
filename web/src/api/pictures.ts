import { forScreen } from './screen'
import type { DocketView, Intent, Item, Move, OnDocket, Placed, Rendition, SheetDocket, Treatment, WrapDocket } from './types'

/** What of a proof is shown: a way of looking at it, no decision. */
export type ProofView = 'PAPER_WHITE' | 'INK_BLACK' | 'SCREEN_WHITE_AND_BLACK'

/** What happens to a picture's colours before they are converted: saved with the docket, or as sliders just now stand. */
export type ColourChange = { treatment: Treatment; moves: Move[] }

export const renditionOf = (view: DocketView, picture: OnDocket) =>
  view.spec.renditions.find((r) => r.id === picture.renditionId) as Rendition

/** The mirrored parts round a picture, each as a picture of its own. */
export const bleedOf = (placed: Placed): Placed[] => (placed.bleed?.parts ?? []).map((part) => ({ ...placed, ...part }))

/** The piece that the plan of this docket lays. */
export const itemOf = (view: SheetDocket | WrapDocket) => view.spec.items.find((i) => i.id === view.spec.plan.itemId) as Item

export const changeOf = (r: Rendition): ColourChange => ({
  treatment: r.treatment,
  moves: r.compensation.on ? r.compensation.moves : [],
})

/** As it is treated, without any moves: what a print is judged against. */
export const treated = (treatment: Treatment): ColourChange => ({ treatment, moves: [] })

/** As part of an address; nothing where nothing is changed. */
export const asked = (change?: ColourChange) =>
  change && (change.treatment.kind !== 'colour' || change.moves.length > 0)
    ? `&change=${encodeURIComponent(JSON.stringify(change))}`
    : ''

/** Addresses of pictures. Each names everything that the picture depends on, so it can be kept for ever. */
export const masterUrl = (hash: string, longest: number, change?: ColourChange) =>
  `/api/masters/${hash}/picture?longest=${longest}${asked(change)}${forScreen()}`

/** The same where nobody judges colour: small. */
export const masterThumbnail = (hash: string, longest: number, change?: ColourChange) =>
  `/api/masters/${hash}/picture?longest=${longest}${asked(change)}&display=thumbnail`

const on = (view: DocketView, longest: number) =>
  `longest=${longest}&pairing=${view.pairing.pairingId}&version=${view.pairing.number}`

/** The intent in force; with the driver converting, the one that the pairing usually has. */
export const intentOf = (view: DocketView): Intent =>
  view.spec.colour.route.kind === 'by-wistel' ? view.spec.colour.route.intent : view.pairing.intent

export const blackPointOf = (view: DocketView) =>
  view.spec.colour.route.kind === 'by-wistel' ? view.spec.colour.route.blackPoint : true

/** By what the tones of a monochrome picture are proofed, where a wedge told. */
const toned = (picture: OnDocket) => {
  const key = picture.tones?.key
  return key ? `&tone=${key}` : ''
}

export const proofUrl = (
  view: DocketView,
  picture: OnDocket,
  longest: number,
  shown: ProofView = 'PAPER_WHITE',
  intent: Intent = intentOf(view),
  change?: ColourChange,
) =>
  `/api/masters/${picture.master.hash}/proof?${on(view, longest)}&intent=${intent}&black=${blackPointOf(view)}&view=${shown}${asked(change)}${toned(picture)}${forScreen()}`

export const gamutUrl = (view: DocketView, picture: OnDocket, longest: number, change?: ColourChange) =>
  `/api/masters/${picture.master.hash}/gamut?${on(view, longest)}${asked(change)}${toned(picture)}`

/** A part of the final raster, pixel for pixel; `state` changes whenever the docket does. */
export const loupeUrl = (
  view: DocketView,
  rendition: string,
  at: { x: number; y: number; part?: number },
  sharpening: string,
  mask = false,
) =>
  `/api/dockets/${view.id}/renditions/${rendition}/loupe?part=${at.part ?? 0}&x=${at.x.toFixed(4)}&y=${at.y.toFixed(4)}&sharpening=${sharpening}&mask=${mask}&state=${view.version}`

/** A piece of a wrap as it is printed, counted from 1, with the docket's sides or others; `state` changes whenever the docket does. */
export const wrapUrl = (view: DocketView, piece: number, longest: number, sides = 'CHOSEN') =>
  `/api/dockets/${view.id}/wrap/pieces/${piece}/picture?longest=${longest}&sides=${sides}&state=${view.version}${forScreen()}`

/** The same, small, for lists. */
export const wrapThumbnail = (docket: string, piece: number, longest: number) =>
  `/api/dockets/${docket}/wrap/pieces/${piece}/picture?longest=${longest}&display=thumbnail`

export const scanThumbnail = (attempt: string, page: number, placed: string) =>
  `/api/attempts/${attempt}/pages/${page}/placed/${placed}/scan?longest=180&display=thumbnail`

/** The scan of one picture of a page. */
export const scanUrl = (attempt: string, page: number, placed: string, longest: number) =>
  `/api/attempts/${attempt}/pages/${page}/placed/${placed}/scan?longest=${longest}${forScreen()}`
