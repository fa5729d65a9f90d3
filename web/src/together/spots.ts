import type { GangDocket, Placed } from '../api/types'

/** What lies on a page, counted from 0. */
export const spotsOn = (view: GangDocket, page: number): Placed[] => view.layout.pages[page]?.placed ?? []

/** Which of the plan's places a print on a page has; -1 where it has none. Pages past the last one repeat them. */
export function pieceAt(view: GangDocket, page: number, placedId: string): number {
  const { spots } = view.spec.plan
  const last = Math.max(1, ...spots.map((s) => s.page))
  const nth = (page % last) + 1
  const on = spotsOn(view, page).findIndex((p) => p.id === placedId)
  const indices = spots.flatMap((s, i) => (s.page === nth ? [i] : []))
  return on < 0 ? -1 : (indices[on] ?? -1)
}

const SNAP_MM = 2

/** Lengths that a print may snap to along one axis: the printable edges, the middle, and a gutter from each neighbour. */
export function snapped(
  from: number,
  size: number,
  edges: { low: number; high: number },
  others: [number, number][],
  gutter: number,
) {
  const places = [
    edges.low,
    edges.high - size,
    (edges.low + edges.high - size) / 2,
    ...others.flatMap(([a, b]) => [a, b - size, b + gutter, a - gutter - size]),
  ]
  const nearest = places.reduce((best, p) => (Math.abs(p - from) < Math.abs(best - from) ? p : best), Number.POSITIVE_INFINITY)
  return Math.abs(nearest - from) <= SNAP_MM ? nearest : from
}
