import type { DocketView, Intent } from './types'

/** What of a proof is shown: a way of looking at it, no decision. */
export type ProofView = 'PAPER_WHITE' | 'INK_BLACK' | 'SCREEN_WHITE_AND_BLACK'

/** Addresses of pictures. Each names everything that the picture depends on, so it can be kept for ever. */
export const masterUrl = (hash: string, longest: number) => `/api/masters/${hash}/picture?longest=${longest}`

const first = (view: DocketView) => view.spec.renditions[0]?.masterHash ?? ''

const on = (view: DocketView, longest: number) =>
  `longest=${longest}&pairing=${view.pairing.pairingId}&version=${view.pairing.number}`

export const docketMasterUrl = (view: DocketView, longest: number) => masterUrl(first(view), longest)

/** The intent in force; with the driver converting, the one that the pairing usually has. */
export const intentOf = (view: DocketView): Intent =>
  view.spec.route.kind === 'by-wistel' ? view.spec.route.intent : view.pairing.intent

export const blackPointOf = (view: DocketView) => (view.spec.route.kind === 'by-wistel' ? view.spec.route.blackPoint : true)

export const proofUrl = (view: DocketView, longest: number, shown: ProofView = 'PAPER_WHITE', intent: Intent = intentOf(view)) =>
  `/api/masters/${first(view)}/proof?${on(view, longest)}&intent=${intent}&black=${blackPointOf(view)}&view=${shown}`

export const gamutUrl = (view: DocketView, longest: number) => `/api/masters/${first(view)}/gamut?${on(view, longest)}`

export const scanUrl = (attempt: string, page: number, longest: number) =>
  `/api/attempts/${attempt}/pages/${page}/scan?longest=${longest}`
