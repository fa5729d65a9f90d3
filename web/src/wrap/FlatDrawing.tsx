import { useRef, useState } from 'react'
import { wrapUrl } from '../api/pictures'
import type { WrapDocket } from '../api/types'
import { mm } from '../parts/numbers'
import { useLivePicture } from '../parts/useLivePicture'
import { useRoom } from '../parts/useRoom'
import { Marks } from '../size/Marks'
import { PaperName, PaperShape } from '../size/PaperShape'
import { Dimension, fitting } from '../size/SheetDrawing'
import { MIDDLE } from './fills'

const NEAR_FOLD_MM = 10
const SMALLEST_PATCH = 0.02

type Patch = { x: number; y: number; width: number; height: number }
type Props = {
  view: WrapDocket
  piece: number
  longest: number
  onLength: (side: 'width' | 'height', text: string) => void
  /** A patch of the face is being picked; in shares of the face. */
  onPatch?: (patch: Patch) => void
}

/** A piece's flat print on its paper: where it folds and where it is cut; the face's lengths can be written over. */
export function FlatDrawing({ view, piece, longest, onLength, onPatch }: Props) {
  const [box, room] = useRoom()
  const [patch, setPatch] = useState<Patch>()
  const last = useRef<Patch>(MIDDLE)
  const prints = view.layout.pages.flatMap((page, i) => page.placed.map((placed) => ({ page, number: i + 1, placed })))
  const { page, number } = prints[piece] ?? { page: view.layout.pages[0], number: 1 }
  const lines = view.planned.lines[piece] ?? view.planned.lines[0]
  if (!page || !lines) return <div ref={box} className="drawing" />
  const { scale, x0, y0, width, height } = fitting(room, page, [])
  const at = (r: Patch) => ({ x: x0 + r.x * scale, y: y0 + r.y * scale, width: r.width * scale, height: r.height * scale })
  const face = at(lines.faceMm)
  const flat = at(lines.flatMm)
  const near = NEAR_FOLD_MM * scale
  const sw = page.widthMm * scale
  const sh = page.heightMm * scale
  const body = view.spec.plan.body

  const pick = (e: React.PointerEvent<HTMLElement>) => {
    const r = e.currentTarget.getBoundingClientRect()
    const place = (ev: { clientX: number; clientY: number }) => ({
      x: Math.max(0, Math.min(1, (ev.clientX - r.left) / r.width)),
      y: Math.max(0, Math.min(1, (ev.clientY - r.top) / r.height)),
    })
    const from = place(e)
    const element = e.currentTarget
    element.setPointerCapture(e.pointerId)
    const between = (to: { x: number; y: number }): Patch => {
      const width = Math.max(SMALLEST_PATCH, Math.abs(to.x - from.x))
      const height = Math.max(SMALLEST_PATCH, Math.abs(to.y - from.y))
      return { x: Math.min(from.x, to.x, 1 - width), y: Math.min(from.y, to.y, 1 - height), width, height }
    }
    setPatch(between(from))
    element.onpointermove = (ev) => setPatch(between(place(ev)))
    element.onpointerup = (ev) => {
      element.onpointermove = null
      element.onpointerup = null
      last.current = between(place(ev))
      setPatch(undefined)
      onPatch?.(last.current)
    }
  }
  const keys = (e: React.KeyboardEvent) => {
    const ways: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
    const way = ways[e.key]
    if (way) {
      e.preventDefault()
      const p = last.current
      const step = e.shiftKey ? 0.1 : 0.02
      last.current = {
        ...p,
        x: Math.max(0, Math.min(1 - p.width, p.x + way[0] * step)),
        y: Math.max(0, Math.min(1 - p.height, p.y + way[1] * step)),
      }
      setPatch(last.current)
    } else if (e.key === 'Enter') {
      onPatch?.(last.current)
    }
  }
  const now = patch && { left: 100 * patch.x, top: 100 * patch.y, width: 100 * patch.width, height: 100 * patch.height }
  return (
    <div ref={box} className="drawing">
      <div className="canvas" style={{ width, height }}>
        <svg width={width} height={height} role="img" aria-label="The flat print on its paper, to scale">
          <PaperShape view={view} page={page} x0={x0} y0={y0} scale={scale} />
        </svg>
        {prints.map(
          (p, i) =>
            p.number === number &&
            p.placed.sides && (
              <FlatPicture
                key={p.placed.id}
                url={wrapUrl(view, i + 1, Math.round(longest / page.placed.length))}
                at={at(p.placed.sides.grownMm)}
                beside={i !== piece}
              />
            ),
        )}
        <div className="paper" style={{ left: x0, top: y0, width: sw, height: sh }}>
          <Marks marks={page.marks} scale={scale} width={sw} height={sh} />
        </div>
        <svg className="flat-lines" width={width} height={height} aria-hidden="true">
          {[lines.faceMm, lines.backMm].map((r) => (
            <g key={`${r.x} ${r.y}`}>
              <rect {...at(r)} className="under-fold" />
              <rect {...at(r)} className={r === lines.faceMm ? 'front-fold' : 'back-fold'} />
            </g>
          ))}
          {near > 3 && (
            <rect
              x={face.x + near}
              y={face.y + near}
              width={Math.max(1, face.width - 2 * near)}
              height={Math.max(1, face.height - 2 * near)}
              className="near-fold"
            />
          )}
          <g className="lines">
            <path
              d={`M${face.x} ${y0 - 20}v12M${face.x + face.width} ${y0 - 20}v12M${face.x} ${y0 - 14}H${face.x + face.width}`}
            />
            <path
              d={`M${x0 - 24} ${face.y}h12M${x0 - 24} ${face.y + face.height}h12M${x0 - 18} ${face.y}V${face.y + face.height}`}
            />
            <path d={`M${x0} ${y0 + sh + 14}v12M${x0 + sw} ${y0 + sh + 14}v12M${x0} ${y0 + sh + 20}H${x0 + sw}`} />
          </g>
          {view.layout.cuts
            .filter((c) => c.page === number)
            .map((c) => (
              <path
                key={c.number}
                className="between"
                d={
                  c.down
                    ? `M${x0 + c.atMm * scale} ${y0 + c.fromMm * scale}V${y0 + c.toMm * scale}`
                    : `M${x0 + c.fromMm * scale} ${y0 + c.atMm * scale}H${x0 + c.toMm * scale}`
                }
              />
            ))}
          <PaperName view={view} page={page} x0={x0} y0={y0} scale={scale} />
        </svg>
        {onPatch && (
          <button
            type="button"
            className="patching"
            aria-label="Patch whose colour is taken: drag over the picture, or move it with the arrow keys and take it with Enter"
            style={{ left: face.x, top: face.y, width: face.width, height: face.height }}
            onPointerDown={pick}
            onKeyDown={keys}
          >
            {now && (
              <span style={{ left: `${now.left}%`, top: `${now.top}%`, width: `${now.width}%`, height: `${now.height}%` }} />
            )}
          </button>
        )}
        <Dimension
          label="Face width"
          value={body.faceWidthMm}
          style={{ left: face.x + face.width / 2 - 42, top: y0 - 24 }}
          onEnter={(t) => onLength('width', t)}
        />
        <Dimension
          label="Face height"
          value={body.faceHeightMm}
          style={{ left: x0 - 60, top: face.y + face.height / 2 - 10, transform: 'rotate(-90deg)' }}
          onEnter={(t) => onLength('height', t)}
        />
        <span className="cut-size" style={{ left: flat.x + 4, top: flat.y + flat.height + 2 }}>
          cut to {mm(lines.flatMm.width)} × {mm(lines.flatMm.height)} mm
        </span>
      </div>
    </div>
  )
}

/** @param beside another print on the same length */
function FlatPicture({
  url,
  at,
  beside,
}: {
  url: string
  at: { x: number; y: number; width: number; height: number }
  beside: boolean
}) {
  const shown = useLivePicture(url)
  return shown ? (
    <img
      className="flat-picture"
      src={shown}
      alt={beside ? 'A print beside it' : 'What is printed: face and sides'}
      draggable={false}
      style={{ left: at.x, top: at.y, width: at.width, height: at.height }}
    />
  ) : null
}
