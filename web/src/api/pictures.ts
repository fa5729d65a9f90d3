import { forScreen } from './screen'
import type { DocketView, Intent, Move, OnDocket, Rendition, Treatment } from './types'

/** What of a proof is shown: a way of looking at it, no decision. */
export type ProofView = 'PAPER_WHITE' | 'INK_BLACK' | 'SCREEN_WHITE_AND_BLACK'

/** What happens to a picture's colours before they are converted: saved with the docket, or as sliders just now stand. */
export type ColourChange = { treatment: Treatment; moves: Move[] }

export const renditionOf = (view: DocketView, picture: OnDocket) =>
  view.spec.renditions.find((r) => r.id === picture.renditionId) as Rendition

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

const on = (view: DocketView, longest: number) =>
  `longest=${longest}&pairing=${view.pairing.pairingId}&version=${view.pairing.number}`

/** The intent in force; with the driver converting, the one that the pairing usually has. */
export const intentOf = (view: DocketView): Intent =>
  view.spec.route.kind === 'by-wistel' ? view.spec.route.intent : view.pairing.intent

export const blackPointOf = (view: DocketView) => (view.spec.route.kind === 'by-wistel' ? view.spec.route.blackPoint : true)

/** By what the tones of a monochrome picture are proofed, where a wedge told. */
const toned = (view: DocketView, master: string) => {
  const key = view.pictures.find((p) => p.master.hash === master)?.tones?.key
  return key ? `&tone=${key}` : ''
}

export const proofUrl = (
  view: DocketView,
  master: string,
  longest: number,
  shown: ProofView = 'PAPER_WHITE',
  intent: Intent = intentOf(view),
  change?: ColourChange,
) =>
  `/api/masters/${master}/proof?${on(view, longest)}&intent=${intent}&black=${blackPointOf(view)}&view=${shown}${asked(change)}${toned(view, master)}${forScreen()}`

export const gamutUrl = (view: DocketView, master: string, longest: number, change?: ColourChange) =>
  `/api/masters/${master}/gamut?${on(view, longest)}${asked(change)}${toned(view, master)}`

/** A part of the final raster, pixel for pixel; `state` changes whenever the docket does. */
export const loupeUrl = (view: DocketView, rendition: string, at: { x: number; y: number }, sharpening: string, mask = false) =>
  `/api/dockets/${view.id}/renditions/${rendition}/loupe?x=${at.x.toFixed(4)}&y=${at.y.toFixed(4)}&sharpening=${sharpening}&mask=${mask}&state=${view.version}`

/** A piece of a wrap as it is printed, counted from 1, with the docket's sides or others; `state` changes whenever the docket does. */
export const wrapUrl = (view: DocketView, piece: number, longest: number, sides = 'CHOSEN') =>
  `/api/dockets/${view.id}/wrap/pieces/${piece}/picture?longest=${longest}&sides=${sides}&state=${view.version}${forScreen()}`

/** The scan of one picture of a page, both counted from 1. */
export const scanUrl = (attempt: string, page: number, picture: number, longest: number) =>
  `/api/attempts/${attempt}/pages/${page}/pictures/${picture}/scan?longest=${longest}${forScreen()}`
