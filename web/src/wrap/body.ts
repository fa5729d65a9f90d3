import type { Placed, WrapBody, Wrapped } from '../api/types'

/** A place in space, mm: x to the right, y upwards, z towards the person; the face's middle is 0. */
export type Point = [number, number, number]
/** A corner of a surface: where it stands, and where on the printed picture it is taken from, 0 to 1 from its lower left; none on bare paper. */
export type Corner = { at: Point; on?: [number, number] }
/** A flat surface with its corners counter-clockwise as seen from its printed side, and how much light falls on it. */
export type Surface = { corners: Corner[]; light: number }

export type Shown = {
  body: WrapBody
  lines: Wrapped['lines'][number]
  /** All that is printed of a piece. */
  printed: NonNullable<Placed['sides']>['grownMm']
  corners: 'FOLDED' | 'MITRED'
}

/** Light comes from above and a little from the left. */
const LIGHT = { face: 1, top: 0.97, left: 0.9, right: 0.78, bottom: 0.66, behind: 0.7 }
const RIGHT_ANGLE = Math.PI / 2
/** Sides are folded in this share of the way, flaps at the corners in the rest. */
const SIDES_FOLDED = 0.75
const FLAP_LIFT_MM = 0.6

const SIDES = [
  { out: [1, 0], along: [0, 1], light: LIGHT.right },
  { out: [0, 1], along: [-1, 0], light: LIGHT.top },
  { out: [-1, 0], along: [0, -1], light: LIGHT.left },
  { out: [0, -1], along: [1, 0], light: LIGHT.bottom },
] as const

/**
 * A print on its way round a body: 0 lies flat, 1 is folded.
 * Nothing is stretched on the way: what lies on the print keeps its size.
 */
export function folded(s: Shown, fold: number): Surface[] {
  const angle = Math.min(1, fold / SIDES_FOLDED) * RIGHT_ANGLE
  const flap = Math.max(0, (fold - SIDES_FOLDED) / (1 - SIDES_FOLDED))
  const w = s.body.faceWidthMm
  const h = s.body.faceHeightMm
  const deep = s.body.support.depthMm + s.body.support.airGapMm
  const behind = s.body.turnOver.widthMm + s.body.turnOver.playMm
  const on = placing(s, deep)
  const surfaces: Surface[] = [
    {
      light: LIGHT.face,
      corners: [
        [-w / 2, -h / 2],
        [w / 2, -h / 2],
        [w / 2, h / 2],
        [-w / 2, h / 2],
      ].map(([x = 0, y = 0]) => ({ at: [x, y, 0] as Point, on: on(x, y) })),
    },
  ]
  for (const side of SIDES) {
    const [ox, oy] = side.out
    const [ax, ay] = side.along
    const reach = ox !== 0 ? w / 2 : h / 2
    const half = ox !== 0 ? h / 2 : w / 2
    /** So far along the edge, and so far out on the flat print. */
    const place = (a: number, out: number, turned: number): Corner => {
      const first = Math.min(out, deep)
      const rest = out - first
      const away = reach + first * Math.cos(angle) + rest * Math.cos(angle + turned)
      const back = -first * Math.sin(angle) - rest * Math.sin(angle + turned)
      const flat: [number, number] = [ox * (reach + out) + ax * a, oy * (reach + out) + ay * a]
      const printed = out <= deep || s.body.turnOver.printed
      return { at: [ox * away + ax * a, oy * away + ay * a, back], ...(printed ? { on: on(...flat) } : {}) }
    }
    surfaces.push({
      light: 1 + (side.light - 1) * (angle / RIGHT_ANGLE),
      corners: [place(-half, 0, angle), place(-half, deep, angle), place(half, deep, angle), place(half, 0, angle)],
    })
    if (behind > 0) {
      const taper = s.corners === 'MITRED' ? Math.min(behind, half - 1) : 0
      const edge = [
        place(-half, deep, angle),
        place(-half + taper, deep + behind, angle),
        place(half - taper, deep + behind, angle),
        place(half, deep, angle),
      ]
      const bare = edge.map(({ at }) => ({ at }))
      surfaces.push({ light: LIGHT.behind, corners: s.body.turnOver.printed ? edge : bare })
    }
  }
  if (s.corners === 'FOLDED') surfaces.push(...corners(w, h, deep, angle, flap, on))
  return surfaces
}

/** Where on the picture a place of the flat print is taken from. */
function placing({ body, lines, printed }: Shown, deep: number) {
  const across = along(body.faceWidthMm / 2, deep, lines.faceMm.x, lines.faceMm.width, lines.shownMm.x, lines.shownMm.width)
  const down = along(body.faceHeightMm / 2, deep, lines.faceMm.y, lines.faceMm.height, lines.shownMm.y, lines.shownMm.height)
  return (x: number, y: number): [number, number] => [
    (across(x) - printed.x) / printed.width,
    1 - (down(-y) - printed.y) / printed.height,
  ]
}

/** Along one axis: from the finished body's middle to the flat print's mm; the fold's own way belongs to the side. */
function along(half: number, deep: number, face: number, faceLength: number, shown: number, shownLength: number) {
  return (at: number) => {
    if (Math.abs(at) <= half) return face + (faceLength * (at + half)) / (2 * half)
    const beyond = (Math.abs(at) - half) / deep
    return at < 0 ? face - beyond * (face - shown) : face + faceLength + beyond * (shown + shownLength - face - faceLength)
  }
}

/**
 * The corners as paper folds there: a flap stands up between two sides, and is then laid on the upper or lower one. Its tip keeps its distance
 * from the face's corner and from both sides' outer corners.
 */
function corners(
  w: number,
  h: number,
  deep: number,
  angle: number,
  flap: number,
  on: (x: number, y: number) => [number, number],
): Surface[] {
  const surfaces: Surface[] = []
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const { q, z } = tip(deep, c, s)
  for (const right of [1, -1]) {
    for (const up of [1, -1]) {
      const corner: Point = [(right * w) / 2, (up * h) / 2, 0]
      const onSide: Point = [corner[0] + right * deep * c, corner[1], -deep * s]
      const onEdge: Point = [corner[0], corner[1] + up * deep * c, -deep * s]
      // from standing out along the diagonal to lying on the upper or lower side
      const turned = (45 + 135 * flap) * (Math.PI / 180)
      const reach = Math.hypot(q, q)
      const lies: Point =
        flap > 0
          ? [corner[0] + right * reach * Math.cos(turned), corner[1] + up * (reach * Math.sin(turned) + FLAP_LIFT_MM), z]
          : [corner[0] + right * q, corner[1] + up * q, z]
      const flat = { corner: on(corner[0], corner[1]), side: on(corner[0] + right * deep, corner[1]) }
      const edge = on(corner[0], corner[1] + up * deep)
      const outer = on(corner[0] + right * deep, corner[1] + up * deep)
      const lifted = (p: Point): Point => (flap > 0 ? [p[0], p[1] + up * FLAP_LIFT_MM, p[2]] : p)
      const first = [
        { at: lifted(corner), on: flat.corner },
        { at: lifted(onSide), on: flat.side },
        { at: lies, on: outer },
      ]
      const second = [
        { at: corner, on: flat.corner },
        { at: lies, on: outer },
        { at: onEdge, on: edge },
      ]
      const light = 1 + ((up > 0 ? LIGHT.top : LIGHT.bottom) - 1) * (angle / RIGHT_ANGLE)
      for (const corners of [first, second]) surfaces.push({ light, corners: right * up > 0 ? corners : corners.reverse() })
    }
  }
  return surfaces
}

/** The tip of a corner flap: q out along both edges and z behind. Solves |tip - corner|^2 = 2 deep^2 and |tip - side's corner| = deep. */
export function tip(deep: number, c: number, s: number) {
  if (s < 1e-6) return { q: deep, z: 0 }
  const a = 2 * s * s + c * c
  const half = deep * c
  const q = (half + Math.sqrt(Math.max(0, half * half - a * deep * deep * (1 - 2 * s * s)))) / a
  return { q, z: (q * c - deep) / s }
}
