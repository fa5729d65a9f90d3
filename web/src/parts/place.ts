import type { DocketView, OnDocket } from '../api/types'

/** A place in a picture, as shares of its width and height. */
export type Place = { x: number; y: number }

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

export function inPrint(view: DocketView, picture: OnDocket, at: Place): Place {
  const placed = view.layout.pages[0]?.placed.find((p) => p.renditionId === picture.renditionId)
  return placed ? inCrop(placed, picture.master, at) : at
}
