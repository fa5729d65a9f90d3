import { useEffect, useRef, useState } from 'react'
import { masterUrl, renditionOf, treated } from '../api/pictures'
import type { DocketView, Item, OnDocket, Placed } from '../api/types'
import { BOOTH } from '../parts/booth'
import { byArrow, CORNERS, follow } from '../parts/handles'
import { placedOn } from '../parts/pieces'
import { useRoom } from '../parts/useRoom'

export type Cut = Item['cut']

type Props = {
  view: DocketView
  item: Item
  /** A frame takes its own shape out of what is wanted. */
  fills: boolean
  picture: OnDocket
  /** Width over height that the crop keeps; free when not given. */
  shape: number | undefined
  /** A line is being drawn along a horizon. */
  level: boolean
  /** What the slider shows before it is let go. */
  degrees: number
  onCut: (cut: Cut) => void
  onPan: (cropX: number, cropY: number) => void
  onLevel: (degrees: number) => void
  /** What is seen from the front, where that is less than what is printed; in pixels of the picture. */
  faces?: Box[]
}

type Box = { x: number; y: number; width: number; height: number }

const LEAST = 0.02
const limit = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))

/** A cut with one corner dragged; the shape is kept where there is one, and nothing leaves the picture. */
export function dragged(
  cut: Cut,
  corner: { right: boolean; bottom: boolean },
  dx: number,
  dy: number,
  shape: number | undefined,
  aspect: number,
): Cut {
  const mostW = corner.right ? 1 - cut.x : cut.x + cut.width
  const mostH = corner.bottom ? 1 - cut.y : cut.y + cut.height
  let width = limit(cut.width + (corner.right ? dx : -dx), LEAST, mostW)
  let height = limit(cut.height + (corner.bottom ? dy : -dy), LEAST, mostH)
  if (shape) {
    // in shares of the picture's sides
    const ratio = shape / aspect
    width = Math.min(Math.max(width, height * ratio), mostW, mostH * ratio)
    height = width / ratio
  }
  return {
    ...cut,
    x: corner.right ? cut.x : cut.x + cut.width - width,
    y: corner.bottom ? cut.y : cut.y + cut.height - height,
    width,
    height,
  }
}

/** All that is printed of a picture, which may be cut up over several pages. */
export function around(placed: Placed[]) {
  if (placed.length === 0) return undefined
  const x = Math.min(...placed.map((p) => p.crop.x))
  const y = Math.min(...placed.map((p) => p.crop.y))
  const right = Math.max(...placed.map((p) => p.crop.x + p.crop.width))
  const bottom = Math.max(...placed.map((p) => p.crop.y + p.crop.height))
  return { x, y, width: right - x, height: bottom - y }
}

/** The largest cut of a shape about the middle of another one. */
export function shaped(cut: Cut, shape: number, aspect: number): Cut {
  const ratio = shape / aspect
  const width = Math.min(1, ratio)
  const height = width / ratio
  const x = limit(cut.x + cut.width / 2 - width / 2, 0, 1 - width)
  const y = limit(cut.y + cut.height / 2 - height / 2, 0, 1 - height)
  return { ...cut, x, y, width, height }
}

/** By how much a picture is turned so that a line drawn along a horizon, or along a wall, lies level or upright. */
export function levelling(dx: number, dy: number): number {
  const angle = (Math.atan2(dy, dx) * 180) / Math.PI
  const off = angle - 90 * Math.round(angle / 90)
  return limit(Math.round(-off * 10) / 10, -10, 10)
}

/** All of the picture, straightened, with what is printed of it; the rest is paler. */
export function CropView({ view, item, fills, picture, shape, level, degrees, onCut, onPan, onLevel, faces = [] }: Props) {
  const [box, room] = useRoom()
  const [moving, setMoving] = useState<Cut>()
  const [line, setLine] = useState<{ x1: number; y1: number; x2: number; y2: number }>()
  const now = useRef<Cut>(item.cut)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new layout ends what was dragged
  useEffect(() => setMoving(undefined), [view.version])
  const m = picture.master
  const aspect = m.width / m.height
  const scale = Math.min((room.w - 80) / m.width, (room.h - 60) / m.height)
  const w = m.width * scale
  const h = m.height * scale
  const crop = around(placedOn(view).filter((p) => p.itemId === item.id)) ?? {
    x: 0,
    y: 0,
    width: m.width,
    height: m.height,
  }
  const printed = moving ?? {
    x: crop.x / m.width,
    y: crop.y / m.height,
    width: crop.width / m.width,
    height: crop.height / m.height,
    degrees,
  }
  const cut = moving ?? (fills ? item.cut : printed)
  const pans = fills && (printed.width < item.cut.width - 0.001 || printed.height < item.cut.height - 0.001)

  const drag = (e: React.PointerEvent<HTMLElement>, change: (dx: number, dy: number) => Cut, done: (cut: Cut) => void) =>
    follow(e, {
      moved: (dx, dy) => {
        now.current = change(dx / w, dy / h)
        setMoving(now.current)
      },
      done: () => done(now.current),
      left: () => setMoving(undefined),
    })
  const moved = (from: Cut, dx: number, dy: number): Cut => ({
    ...from,
    x: limit(from.x + dx, 0, 1 - from.width),
    y: limit(from.y + dy, 0, 1 - from.height),
  })
  /** With a filled frame the picture is moved behind it; else the crop itself is moved. */
  const laid = (next: Cut) => {
    if (!pans) return onCut(next)
    const spareX = item.cut.width - next.width
    const spareY = item.cut.height - next.height
    onPan(
      spareX > 0.001 ? limit((next.x - item.cut.x) / spareX, 0, 1) : item.frame.cropX,
      spareY > 0.001 ? limit((next.y - item.cut.y) / spareY, 0, 1) : item.frame.cropY,
    )
  }
  const draw = (e: React.PointerEvent<HTMLElement>) => {
    const r = e.currentTarget.getBoundingClientRect()
    const start = { x1: e.clientX - r.left, y1: e.clientY - r.top }
    const drawn = { dx: 0, dy: 0 }
    follow(e, {
      moved: (dx, dy) => {
        Object.assign(drawn, { dx, dy })
        setLine({ ...start, x2: start.x1 + dx, y2: start.y1 + dy })
      },
      done: () => {
        setLine(undefined)
        if (Math.hypot(drawn.dx, drawn.dy) > 20) onLevel(limit(item.cut.degrees + levelling(drawn.dx, drawn.dy), -10, 10))
      },
      left: () => setLine(undefined),
    })
  }
  const shown = { left: printed.x * w, top: printed.y * h, width: printed.width * w, height: printed.height * h }
  return (
    <div ref={box} className="drawing">
      <div className="crop" style={{ left: (room.w - w) / 2, top: (room.h - h) / 2, width: w, height: h }}>
        <div className="pane">
          <img
            src={masterUrl(m.hash, BOOTH, treated(renditionOf(view, picture).treatment))}
            alt="The whole master"
            draggable={false}
            style={{ transform: degrees ? `rotate(${degrees}deg)` : undefined }}
          />
          <div className="veil" style={shown} />
          {!moving &&
            faces.map((f) => (
              <div
                key={`${f.x} ${f.y}`}
                className="face"
                style={{ left: f.x * scale, top: f.y * scale, width: f.width * scale, height: f.height * scale }}
              />
            ))}
        </div>
        {level ? (
          <button type="button" className="levelling" aria-label="Draw a line along a horizon or a wall" onPointerDown={draw}>
            {line && (
              <svg width={w} height={h} aria-hidden="true">
                <line {...line} />
              </svg>
            )}
          </button>
        ) : (
          <>
            <button
              type="button"
              className="mover"
              aria-label="What is printed: drag it, or move it with the arrow keys"
              style={shown}
              onPointerDown={(e) => drag(e, (dx, dy) => moved(printed, dx, dy), laid)}
              onKeyDown={(e) => byArrow(e, 0.005, (dx, dy) => laid(moved(printed, dx, dy)))}
            />
            {!pans &&
              CORNERS.map((corner) => (
                <button
                  type="button"
                  key={corner.name}
                  className="corner"
                  aria-label={`${corner.name} corner of the crop: drag it, or use the arrow keys`}
                  style={{
                    left: (cut.x + (corner.right ? cut.width : 0)) * w,
                    top: (cut.y + (corner.bottom ? cut.height : 0)) * h,
                  }}
                  onPointerDown={(e) => drag(e, (dx, dy) => dragged(cut, corner, dx, dy, shape, aspect), onCut)}
                  onKeyDown={(e) => byArrow(e, 0.005, (dx, dy) => onCut(dragged(cut, corner, dx, dy, shape, aspect)))}
                />
              ))}
          </>
        )}
      </div>
    </div>
  )
}
