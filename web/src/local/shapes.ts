import type { LocalChange, LocalMove, PrintFrame } from '../api/types'

export type Drawn = 'place' | 'slope'
export type Spot = { x: number; y: number }

export const NOTHING: LocalChange = { lightness: 0, contrast: 0, chroma: 0, warmth: 0 }
const SMALLEST = 0.01
const USUAL = 0.18
const limit = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))
const thousandth = (v: number) => Math.round(v * 1000) / 1000

/** Darker towards the edges: what they are mostly wanted for. */
export const EDGES: LocalMove = {
  kind: 'edges',
  reach: 0.5,
  round: 0.5,
  soft: 0.9,
  change: { ...NOTHING, lightness: -10 },
  on: true,
}

/** What a drag over the picture draws; where it hardly moved, one of the usual size. */
export function drawn(kind: Drawn, from: Spot, to: Spot, aspect: number): LocalMove {
  const change = { ...NOTHING, lightness: 10 }
  const far = Math.hypot((to.x - from.x) * aspect, to.y - from.y)
  if (kind === 'place') {
    const radius = far < SMALLEST ? USUAL : far
    const at = { x: thousandth(from.x), y: thousandth(from.y) }
    return { kind, ...at, across: thousandth(radius / aspect), down: thousandth(radius), degrees: 0, soft: 0.7, change, on: true }
  }
  const end = far < SMALLEST ? { x: from.x, y: from.y + 0.3 } : to
  return {
    kind,
    fromX: thousandth(from.x),
    fromY: thousandth(from.y),
    toX: thousandth(end.x),
    toY: thousandth(end.y),
    change,
    on: true,
  }
}

export type Handle = { name: string; at: Spot; moved: (to: Spot) => LocalMove }

const turnedBy = (degrees: number, x: number, y: number) => {
  const a = (degrees * Math.PI) / 180
  return { x: x * Math.cos(a) - y * Math.sin(a), y: x * Math.sin(a) + y * Math.cos(a) }
}

const spot = ({ x, y }: Spot): Spot => ({ x: thousandth(limit(x, -0.5, 1.5)), y: thousandth(limit(y, -0.5, 1.5)) })

/** What a move is taken hold of by; places are shares of the picture. */
export function handlesOf(move: LocalMove, aspect: number, framed: PrintFrame): Handle[] {
  if (move.kind === 'place') {
    const rim = turnedBy(move.degrees, move.across * aspect, 0)
    const foot = turnedBy(move.degrees, 0, move.down)
    const from = (to: Spot) => ({ x: (to.x - move.x) * aspect, y: to.y - move.y })
    return [
      { name: 'middle', at: { x: move.x, y: move.y }, moved: (to) => ({ ...move, ...spot(to) }) },
      {
        name: 'width and angle',
        at: { x: move.x + rim.x / aspect, y: move.y + rim.y },
        moved: (to) => {
          const v = from(to)
          return {
            ...move,
            across: thousandth(limit(Math.hypot(v.x, v.y) / aspect, SMALLEST, 3)),
            degrees: Math.round((Math.atan2(v.y, v.x) * 180) / Math.PI),
          }
        },
      },
      {
        name: 'height',
        at: { x: move.x + foot.x / aspect, y: move.y + foot.y },
        moved: (to) => {
          const v = from(to)
          return { ...move, down: thousandth(limit(Math.hypot(v.x, v.y), SMALLEST, 3)) }
        },
      },
    ]
  }
  if (move.kind === 'slope') {
    const apart = (next: LocalMove & { kind: 'slope' }) =>
      Math.hypot(next.toX - next.fromX, next.toY - next.fromY) < SMALLEST ? move : next
    return [
      {
        name: 'where it is full',
        at: { x: move.fromX, y: move.fromY },
        moved: (to) => apart({ ...move, fromX: spot(to).x, fromY: spot(to).y }),
      },
      {
        name: 'where it is gone',
        at: { x: move.toX, y: move.toY },
        moved: (to) => apart({ ...move, toX: spot(to).x, toY: spot(to).y }),
      },
    ]
  }
  const middle = { x: framed.x + framed.width / 2, y: framed.y + framed.height / 2 }
  return [
    {
      name: 'how far in',
      at: { x: middle.x + ((1 - move.reach) * framed.width) / 2, y: middle.y },
      moved: (to) => ({ ...move, reach: thousandth(limit(1 - (2 * Math.abs(to.x - middle.x)) / framed.width, 0.02, 1)) }),
    },
  ]
}

const signed = (v: number) => (v > 0 ? `+${v}` : `−${Math.abs(v)}`)

/** What a move does, short: "lightness +10, warmth −2". */
export function wordsOf({ change }: LocalMove): string {
  const words = (['lightness', 'contrast', 'chroma', 'warmth'] as const)
    .filter((name) => change[name] !== 0)
    .map((name) => `${name} ${signed(change[name])}`)
  return words.length > 0 ? words.join(', ') : 'nothing yet'
}

export const NAMES: Record<LocalMove['kind'], string> = { edges: 'edges', place: 'a place', slope: 'a slope' }
