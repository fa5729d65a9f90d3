import type { DocketView, Intent } from './types'

/** What of a proof is shown: a way of looking at it, no decision. */
export type ProofView = 'PAPER_WHITE' | 'INK_BLACK' | 'SCREEN_WHITE_AND_BLACK'

/** Addresses of pictures. Each names everything that the picture depends on, so it can be kept for ever. */
export const masterUrl = (hash: string, longest: number) => `/api/masters/${hash}/picture?longest=${longest}`

const on = (view: DocketView, longest: number) =>
  `longest=${longest}&pairing=${view.pairing.pairingId}&version=${view.pairing.number}`

/** The intent in force; with the driver converting, the one that the pairing usually has. */
export const intentOf = (view: DocketView): Intent =>
  view.spec.route.kind === 'by-wistel' ? view.spec.route.intent : view.pairing.intent

export const blackPointOf = (view: DocketView) => (view.spec.route.kind === 'by-wistel' ? view.spec.route.blackPoint : true)

export const proofUrl = (
  view: DocketView,
  master: string,
  longest: number,
  shown: ProofView = 'PAPER_WHITE',
  intent: Intent = intentOf(view),
) => `/api/masters/${master}/proof?${on(view, longest)}&intent=${intent}&black=${blackPointOf(view)}&view=${shown}`

export const gamutUrl = (view: DocketView, master: string, longest: number) => `/api/masters/${master}/gamut?${on(view, longest)}`

/** A part of the final raster, pixel for pixel; `state` changes whenever the docket does. */
export const loupeUrl = (view: DocketView, rendition: string, at: { x: number; y: number }, sharpening: string, mask = false) =>
  `/api/dockets/${view.id}/renditions/${rendition}/loupe?x=${at.x.toFixed(4)}&y=${at.y.toFixed(4)}&sharpening=${sharpening}&mask=${mask}&state=${view.version}`

/** The scan of one picture of a page, both counted from 1. */
export const scanUrl = (attempt: string, page: number, picture: number, longest: number) =>
  `/api/attempts/${attempt}/pages/${page}/pictures/${picture}/scan?longest=${longest}`
