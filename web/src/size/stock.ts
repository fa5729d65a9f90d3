import type { DocketView } from '../api/types'

export type Choice = DocketView['options']['stocks'][number]

const HARDLY_MM = 0.01

/** The docket's own stock: widths in inches come a hair apart from different sides. */
export const isStock =
  (view: DocketView) =>
  (c: Choice): boolean =>
    c.stock.kind === view.spec.paper.stock.kind &&
    Math.abs(c.stock.widthMm - view.spec.paper.stock.widthMm) < HARDLY_MM &&
    (c.stock.kind === 'roll' || (view.spec.paper.stock.kind === 'sheet' && c.stock.name === view.spec.paper.stock.name))
