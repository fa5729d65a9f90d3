import { type RefObject, useEffect, useState } from 'react'
import { masterPartUrl, treated } from '../api/pictures'
import type { DocketView, Placed } from '../api/types'
import { BOOTH } from '../parts/booth'
import { isTurned, treatmentOf } from '../parts/pieces'
import { useSettled } from '../parts/useSettled'

const SETTLED_MS = 250
/** The server gives no wider part; a screen is rarely wider. */
const WIDEST = 4000
const OVERVIEW = 210

export type Seen = { left: number; top: number; width: number; height: number }

/** What of a scrolled element is seen. It starts with the middle in sight, and is moved by dragging. */
export function useSeen(box: RefObject<HTMLDivElement | null>, on: boolean): Seen | undefined {
  const [seen, setSeen] = useState<Seen>()
  useEffect(() => {
    const element = box.current
    if (!on || !element) {
      setSeen(undefined)
      return
    }
    element.scrollTo((element.scrollWidth - element.clientWidth) / 2, (element.scrollHeight - element.clientHeight) / 2)
    const tell = () =>
      setSeen({
        left: element.scrollLeft,
        top: element.scrollTop,
        width: element.clientWidth,
        height: element.clientHeight,
      })
    const down = (e: PointerEvent) => {
      if (e.button !== 0 || (e.target as Element).closest('input, button, .overview')) return
      const from = { x: e.clientX + element.scrollLeft, y: e.clientY + element.scrollTop }
      const move = (ev: PointerEvent) => element.scrollTo(from.x - ev.clientX, from.y - ev.clientY)
      const up = () => {
        window.removeEventListener('pointermove', move)
        window.removeEventListener('pointerup', up)
      }
      window.addEventListener('pointermove', move)
      window.addEventListener('pointerup', up)
    }
    tell()
    element.addEventListener('scroll', tell)
    element.addEventListener('pointerdown', down)
    const watch = new ResizeObserver(tell)
    watch.observe(element)
    return () => {
      watch.disconnect()
      element.removeEventListener('scroll', tell)
      element.removeEventListener('pointerdown', down)
    }
  }, [box, on])
  return seen
}

type SharpProps = { view: DocketView; placed: Placed; seen: Seen; x0: number; y0: number; scale: number }

/** The part that is in sight, from the master's own pixels, once it stays there. Turned and straightened pictures stay as they are. */
export function SharpPart({ view, placed, seen, x0, y0, scale }: SharpProps) {
  const master = view.pictures.find((p) => p.renditionId === placed.renditionId)?.master
  const at = placed.atMm
  const left = Math.max(at.x, (seen.left - x0) / scale)
  const top = Math.max(at.y, (seen.top - y0) / scale)
  const right = Math.min(at.x + at.width, (seen.left + seen.width - x0) / scale)
  const bottom = Math.min(at.y + at.height, (seen.top + seen.height - y0) / scale)
  const part = useSettled({ left, top, width: right - left, height: bottom - top }, SETTLED_MS)
  if (!master || placed.straighten !== 0 || isTurned(placed) || placed.orientation !== 'UPRIGHT') return null
  const coarse = (BOOTH * placed.crop.width) / Math.max(master.width, master.height) < at.width * scale
  if (!coarse || part.width <= 1 || part.height <= 1) return null
  const perX = placed.crop.width / at.width
  const perY = placed.crop.height / at.height
  const x = Math.floor(placed.crop.x + (part.left - at.x) * perX)
  const y = Math.floor(placed.crop.y + (part.top - at.y) * perY)
  const width = Math.min(master.width - x, Math.ceil(part.width * perX))
  const height = Math.min(master.height - y, Math.ceil(part.height * perY))
  if (width < 1 || height < 1) return null
  const wide = Math.min(WIDEST, Math.round(part.width * scale * window.devicePixelRatio))
  return (
    <img
      key={`${x} ${y} ${width}`}
      className="sharp-part"
      src={masterPartUrl(master.hash, { x, y, width, height, wide }, treated(treatmentOf(view, placed.renditionId)))}
      alt=""
      draggable={false}
      style={{
        left: (at.x + (x - placed.crop.x) / perX) * scale,
        top: (at.y + (y - placed.crop.y) / perY) * scale,
        width: (width / perX) * scale,
        height: (height / perY) * scale,
      }}
    />
  )
}

type OverviewProps = {
  page: { widthMm: number; heightMm: number }
  placed: Placed
  seen: Seen
  at: { x0: number; y0: number; scale: number }
  box: RefObject<HTMLDivElement | null>
}

/** All of the sheet, small, with what is in sight; pressing it goes there. */
export function Overview({ page, placed, seen, at, box }: OverviewProps) {
  const small = OVERVIEW / Math.max(page.widthMm, page.heightMm)
  const per = small / at.scale
  const p = placed.atMm
  const go = (e: React.MouseEvent<HTMLButtonElement>) => {
    const r = e.currentTarget.getBoundingClientRect()
    box.current?.scrollTo(
      (e.clientX - r.left) / per + at.x0 - seen.width / 2,
      (e.clientY - r.top) / per + at.y0 - seen.height / 2,
    )
  }
  return (
    <button
      type="button"
      className="overview"
      tabIndex={-1}
      aria-label="All of the sheet: press to go there"
      style={{ left: seen.left + 20, top: seen.top + 14, width: page.widthMm * small, height: page.heightMm * small }}
      onClick={go}
    >
      <i
        className="of-picture"
        style={{ left: p.x * small, top: p.y * small, width: p.width * small, height: p.height * small }}
      />
      <i
        className="of-sight"
        style={{
          left: Math.max(0, (seen.left - at.x0) * per),
          top: Math.max(0, (seen.top - at.y0) * per),
          width: Math.min(page.widthMm * small, seen.width * per),
          height: Math.min(page.heightMm * small, seen.height * per),
        }}
      />
    </button>
  )
}
