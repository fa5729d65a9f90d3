import type { SideFill } from '../api/types'
import type { DocketTools } from '../docket/useDocket'

/** Whose colour is taken until a patch is picked, in shares of the picture. */
export const MIDDLE = { x: 0.4, y: 0.4, width: 0.2, height: 0.2 }

/** Fills the sides in a way that wasn't in force. */
export function fillSides(tools: DocketTools, kind: SideFill['kind']) {
  if (kind === 'one-colour') tools.change({ kind: 'side-colour', patch: MIDDLE })
  else tools.decide({ kind: 'sides-filled', fill: kind === 'extended' ? { kind, seed: 1 } : { kind } })
}
