import { useEffect, useRef, useState } from 'react'
import { masterUrl, treated } from '../api/pictures'
import type { Placed, Seam, TiledDocket } from '../api/types'
import { BOOTH } from '../parts/booth'
import { byArrow, enlargedBy, follow } from '../parts/handles'
import { mm } from '../parts/numbers'
import { PlacedPicture } from '../parts/PlacedPicture'
import { treatmentOf } from '../parts/pieces'
import { Typed } from '../parts/Typed'
import { useRoom } from '../parts/useRoom'
import { wholeOf } from './words'

type Props = {
  view: TiledDocket
  onMoved: (seam: Seam, toMm: number) => void
  onLength: (side: 'width' | 'height', text: string) => void
}

const ROOM = { left: 74, top: 52, right: 40, bottom: 26 }
/** A seam reaches past the picture, so that it can be seen and taken hold of. */
const PAST = 10

/** The finished picture with its joints: what both neighbours print is pale, and a joint is dragged or moved with the arrow keys. */
export function TiledDrawing({ view, onMoved, onLength }: Props) {
  const [box, room] = useRoom()
  const [dragged, drag] = useState<{ key: string; atMm: number }>()
  const [grown, grow] = useState<number>()
  const now = useRef(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new layout ends what was dragged
  useEffect(() => {
    drag(undefined)
    grow(undefined)
  }, [view.layout])
  const whole = wholeOf(view)
  const master = view.pictures.find((p) => p.renditionId === whole.renditionId)?.master
  const reach = view.spec.plan.joint.way === 'GLUED' ? view.spec.plan.joint.overMm / 2 : view.spec.plan.joint.overMm
  const { width: w, height: h } = whole.atMm
  const free = { w: room.w - ROOM.left - ROOM.right, h: room.h - ROOM.top - ROOM.bottom }
  const scale = Math.max(0.01, Math.min(free.w / w, free.h / h))
  const x0 = ROOM.left + Math.max(0, (free.w - w * scale) / 2)
  const y0 = ROOM.top + Math.max(0, (free.h - h * scale) / 2)
  const seams = view.planned.kind === 'parted' ? view.planned.seams : []
  const nameOf = (s: Seam) => `${s.betweenColumns ? 'c' : 'r'}${s.index}`
  const placeOf = (s: Seam) => (dragged?.key === nameOf(s) ? dragged.atMm : s.atMm)
  const held = (s: Seam, to: number) => Math.max(s.lowMm, Math.min(s.highMm, to))
  const size = grown ?? 1
  const placed: Placed = { ...whole, atMm: { x: 0, y: 0, width: w, height: h } }
  return (
    <div ref={box} className="drawing tiled">
      <div className="finished" style={{ left: x0, top: y0, width: w * scale, height: h * scale }}>
        {master && (
          <PlacedPicture
            placed={placed}
            master={master}
            src={masterUrl(master.hash, BOOTH, treated(treatmentOf(view, whole.renditionId)))}
            scale={scale}
          />
        )}
        {grown && <div className="grown" style={{ width: w * scale * size, height: h * scale * size }} />}
      </div>
      <svg className="seams" width={room.w} height={room.h} role="img" aria-label="The finished picture and its joints, to scale">
        <g className="lines">
          <path d={`M${x0} ${y0 - 34}v12M${x0 + w * scale} ${y0 - 34}v12M${x0} ${y0 - 28}H${x0 + w * scale}`} />
          <path d={`M${x0 - 40} ${y0}h12M${x0 - 40} ${y0 + h * scale}h12M${x0 - 34} ${y0}V${y0 + h * scale}`} />
        </g>
        {seams.map((s) => {
          const at = placeOf(s) * scale
          const band = reach * scale
          return s.betweenColumns ? (
            <g key={nameOf(s)}>
              <rect className="band" x={x0 + at - band} y={y0} width={2 * band} height={h * scale} />
              <path className="cut" d={`M${x0 + at} ${y0 - PAST}V${y0 + h * scale + PAST}`} />
            </g>
          ) : (
            <g key={nameOf(s)}>
              <rect className="band" x={x0} y={y0 + at - band} width={w * scale} height={2 * band} />
              <path className="cut" d={`M${x0 - PAST} ${y0 + at}H${x0 + w * scale + PAST}`} />
            </g>
          )
        })}
      </svg>
      <div className="dimension across" style={{ left: x0 + (w * scale) / 2, top: y0 - 38 }}>
        <Typed label="Finished width" value={w} onEnter={(text) => onLength('width', text)} /> mm
      </div>
      <div className="dimension down" style={{ left: x0 - 36, top: y0 + (h * scale) / 2 }}>
        <Typed label="Finished height" value={h} onEnter={(text) => onLength('height', text)} /> mm
      </div>
      {seams.map((s) => {
        const at = placeOf(s)
        const across = s.betweenColumns
        return (
          <button
            type="button"
            key={nameOf(s)}
            role="slider"
            className={across ? 'seam between-columns' : 'seam between-rows'}
            aria-label={`Joint ${s.index + 1} between ${across ? 'columns' : 'rows'}`}
            aria-orientation={across ? 'horizontal' : 'vertical'}
            aria-valuemin={Math.round(s.lowMm)}
            aria-valuemax={Math.round(s.highMm)}
            aria-valuenow={Math.round(at)}
            aria-valuetext={`${mm(at)} mm from ${across ? 'the left' : 'above'}, between ${mm(s.lowMm)} and ${mm(s.highMm)}`}
            style={
              across
                ? { left: x0 + at * scale - 5, top: y0 - PAST, height: h * scale + 2 * PAST }
                : { left: x0 - PAST, top: y0 + at * scale - 5, width: w * scale + 2 * PAST }
            }
            onPointerDown={(e) =>
              follow(e, {
                moved: (dx, dy) => {
                  now.current = held(s, s.atMm + (across ? dx : dy) / scale)
                  drag({ key: nameOf(s), atMm: now.current })
                },
                done: () => onMoved(s, now.current),
                left: () => drag(undefined),
              })
            }
            onKeyDown={(e) => byArrow(e, 1, (dx, dy) => onMoved(s, held(s, s.atMm + (across ? dx : dy))))}
          >
            {dragged?.key === nameOf(s) && (
              <span className="told">
                {mm(at)} mm; {mm(at - s.lowMm)} back, {mm(s.highMm - at)} on
              </span>
            )}
          </button>
        )
      })}
      <button
        type="button"
        className="sizer"
        aria-label="Finished size: drag it, or use the arrow keys"
        style={{ left: x0 + w * scale * size, top: y0 + h * scale * size }}
        onPointerDown={(e) =>
          follow(e, {
            moved: (dx, dy) => {
              now.current = Math.max(0.1, enlargedBy(whole.atMm, dx / scale, dy / scale))
              grow(now.current)
            },
            done: () => onLength('width', `${Math.round(w * now.current)}`),
            left: () => grow(undefined),
          })
        }
        onKeyDown={(e) => byArrow(e, 1, (dx, dy) => onLength('width', `${Math.max(5, Math.round(w + dx + dy))}`))}
      />
    </div>
  )
}
