import type { DocketView, OnDocket } from '../api/types'
import { placedOn } from './pieces'

/** A place in a picture, as shares of its width and height; of one that is laid in several parts, which of them. */
export type Place = { x: number; y: number; part?: number }

type Sized = { width: number; height: number }
type Shown = Pick<DocketView['layout']['pages'][number]['placed'][number], 'crop' | 'straighten'>

/** A place of the whole upright picture, as a place in the part of it that is printed: turned as it is straightened, then cropped. */
export function inCrop({ crop, straighten }: Shown, { width, height }: Sized, at: Place): Place {
  const turn = (straighten * Math.PI) / 180
  const fromMiddle = { x: (at.x - 0.5) * width, y: (at.y - 0.5) * height }
  const x = width / 2 + fromMiddle.x * Math.cos(turn) - fromMiddle.y * Math.sin(turn)
  const y = height / 2 + fromMiddle.x * Math.sin(turn) + fromMiddle.y * Math.cos(turn)
  const inside = (v: number) => Math.max(0, Math.min(1, v))
  return { x: inside((x - crop.x) / crop.width), y: inside((y - crop.y) / crop.height) }
}

/** A place of the whole picture in the part of it that shows it: of the panels of one that is cut up, the first that does. */
export function inPrint(view: DocketView, picture: OnDocket, at: Place): Place {
  const all = placedOn(view).filter((p) => p.renditionId === picture.renditionId)
  const same = (a: Shown, b: Shown) => a.straighten === b.straighten && JSON.stringify(a.crop) === JSON.stringify(b.crop)
  const parts = all.filter((p, i) => all.findIndex((q) => same(p, q)) === i)
  const places = parts.map((p, part) => ({ ...inCrop(p, picture.master, at), part }))
  const inside = (p: Place) => p.x > 0 && p.x < 1 && p.y > 0 && p.y < 1
  return places.find(inside) ?? places[0] ?? at
}
