import { Input } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { bleedOf, itemOf } from '../api/pictures'
import type { Placed, SheetDocket } from '../api/types'
import { byArrow, CORNERS, follow } from '../parts/handles'
import { mm } from '../parts/numbers'
import type { Place } from '../parts/place'
import { useRoom } from '../parts/useRoom'
import { Overview, SharpPart, useSeen } from './LifeSize'
import { Marks } from './Marks'
import { PaperName, PaperShape } from './PaperShape'
import { Pieces } from './Pieces'

export type Side = 'width' | 'height' | 'left' | 'top' | 'right' | 'bottom'
type At = Placed['atMm']

type Props = {
  view: SheetDocket
  onLength: (side: Side, text: string) => void
  onLaid: (at: At) => void
  /** Pixels of the screen for a millimetre of paper, to show it in life size; fitted to the room when not given. */
  lifeScale?: number
  /** The picture can be laid by hand. */
  handles?: boolean
  /** Which sheet is shown, from 0. */
  sheet?: number
  /** A place in the picture is chosen, in shares of its sides, instead of moving it. */
  picked?: Place
  onPick?: (at: Place) => void
}

const LEAST_MM = 5
const ROOM_LEFT = 70
const ROOM_TOP = 46

/** Where the drawing lies on the screen: all of the page, and of what reaches over its edges. */
export function fitting(
  room: { w: number; h: number },
  page: { widthMm: number; heightMm: number },
  pieces: At[],
  lifeScale?: number,
) {
  const left = Math.min(0, ...pieces.map((p) => p.x))
  const top = Math.min(0, ...pieces.map((p) => p.y))
  const right = Math.max(page.widthMm, ...pieces.map((p) => p.x + p.width))
  const bottom = Math.max(page.heightMm, ...pieces.map((p) => p.y + p.height))
  const free = { w: room.w - ROOM_LEFT - 46, h: room.h - ROOM_TOP - 44 }
  const scale = lifeScale ?? Math.max(0.02, Math.min(free.w / (right - left), free.h / (bottom - top)))
  return {
    scale,
    x0: ROOM_LEFT + Math.max(0, (free.w - (right - left) * scale) / 2) - left * scale,
    y0: ROOM_TOP + Math.max(0, (free.h - (bottom - top) * scale) / 2) - top * scale,
    width: Math.max(room.w, (right - left) * scale + ROOM_LEFT + 46),
    height: Math.max(room.h, (bottom - top) * scale + ROOM_TOP + 44),
  }
}

/** A rectangle dragged at a corner: the corner across from it stays; a picture that is shown whole keeps its shape. */
export function resized(at: At, corner: { right: boolean; bottom: boolean }, dx: number, dy: number, keepsShape: boolean): At {
  const aspect = at.width / at.height
  let width = Math.max(LEAST_MM, at.width + (corner.right ? dx : -dx))
  let height = Math.max(LEAST_MM, at.height + (corner.bottom ? dy : -dy))
  if (keepsShape) {
    width = Math.max(width, height * aspect)
    height = width / aspect
  }
  return {
    x: corner.right ? at.x : at.x + at.width - width,
    y: corner.bottom ? at.y : at.y + at.height - height,
    width,
    height,
  }
}

/** The sheet as a drawing: picture, unprintable edge hatched, cut line, marks, and dimension lines whose numbers can be written over. */
export function SheetDrawing({ view, onLength, onLaid, lifeScale, handles = true, sheet = 0, picked, onPick }: Props) {
  const [box, room] = useRoom()
  const [dragged, setDragged] = useState<At>()
  const life = lifeScale !== undefined
  const seen = useSeen(box, life)
  const page = view.layout.pages[sheet] ?? view.layout.pages[0]
  const saved = page?.placed[0]
  const savedAt = saved?.atMm
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new layout ends what was dragged
  useEffect(() => setDragged(undefined), [savedAt])
  if (!page || !saved) return <div ref={box} className="drawing" />
  const placed = { ...saved, atMm: dragged ?? saved.atMm }
  const p = placed.atMm
  const bleed = page.placed.flatMap(bleedOf)
  const pieces = [...(dragged ? [] : bleed), ...page.placed.slice(1), placed]
  const { scale, x0, y0, width, height } = fitting(
    room,
    page,
    [...page.placed, ...bleed].map((b) => b.atMm),
    lifeScale,
  )
  const sw = page.widthMm * scale
  const sh = page.heightMm * scale
  const [px, py, pw, ph] = [x0 + p.x * scale, y0 + p.y * scale, p.width * scale, p.height * scale]
  const borderless = view.spec.plan.edge.borderless
  const whole = itemOf(view).frame.fit === 'WHOLE'
  const right = page.widthMm - p.x - p.width
  const below = page.heightMm - p.y - p.height
  return (
    <div ref={box} className={life ? 'drawing life' : 'drawing'} tabIndex={life ? 0 : undefined}>
      <div className="canvas" style={{ width, height }}>
        <svg width={width} height={height} role="img" aria-label="The sheet with the picture on it, to scale">
          <PaperShape view={view} page={page} x0={x0} y0={y0} scale={scale} />
          <g className="lines">
            <path d={`M${px} ${y0 - 20}v12M${px + pw} ${y0 - 20}v12M${px} ${y0 - 14}H${px + pw}`} />
            <path d={`M${x0 - 24} ${py}h12M${x0 - 24} ${py + ph}h12M${x0 - 18} ${py}V${py + ph}`} />
            <path d={`M${x0} ${y0 + sh + 14}v12M${x0 + sw} ${y0 + sh + 14}v12M${x0} ${y0 + sh + 20}H${x0 + sw}`} />
            {!borderless && (
              <path
                d={`M${x0} ${py + ph / 2}H${px}M${px + pw} ${py + ph / 2}H${x0 + sw}M${px + pw / 2} ${y0}V${py}M${px + pw / 2} ${py + ph}V${y0 + sh}`}
                strokeDasharray="3 3"
              />
            )}
          </g>
          <PaperName view={view} page={page} x0={x0} y0={y0} scale={scale} />
        </svg>
        {/* what lies beyond the paper is there, but pale: it isn't printed */}
        <div className="beyond" style={{ left: x0, top: y0 }}>
          <Pieces view={view} pieces={pieces} scale={scale} />
        </div>
        <div className="paper" style={{ left: x0, top: y0, width: sw, height: sh }}>
          <Pieces view={view} pieces={pieces} scale={scale} />
          {seen && <SharpPart view={view} placed={placed} seen={seen} x0={x0} y0={y0} scale={scale} />}
          {!dragged && <Marks marks={page.marks} scale={scale} width={sw} height={sh} />}
          {borderless && <div className="cut-line" title="Here the paper ends; what lies outside is cut off." />}
        </div>
        {picked && onPick && <Picker box={{ left: px, top: py, width: pw, height: ph }} at={picked} onPick={onPick} />}
        {seen && <Overview page={page} placed={placed} seen={seen} at={{ x0, y0, scale }} box={box} />}
        {!borderless && handles && !life && !onPick && (
          <Handles
            at={p}
            box={{ left: px, top: py, width: pw, height: ph }}
            scale={scale}
            keepsShape={whole}
            onDrag={setDragged}
            onLaid={onLaid}
          />
        )}
        <Dimension
          label="Picture width"
          value={p.width}
          style={{ left: px + pw / 2 - 42, top: y0 - 24 }}
          onEnter={(t) => onLength('width', t)}
        />
        <Dimension
          label="Picture height"
          value={p.height}
          style={{ left: x0 - 60, top: py + ph / 2 - 10, transform: 'rotate(-90deg)' }}
          onEnter={(t) => onLength('height', t)}
        />
        {!borderless && (
          <>
            <Border
              label="Border left"
              value={p.x}
              room={p.x * scale}
              style={{ left: (x0 + px) / 2 - 23, top: py + ph / 2 - 21 }}
              onEnter={(t) => onLength('left', t)}
            />
            <Border
              label="Border right"
              value={right}
              room={right * scale}
              style={{ left: (px + pw + x0 + sw) / 2 - 23, top: py + ph / 2 - 21 }}
              onEnter={(t) => onLength('right', t)}
            />
            <Border
              label="Border above"
              value={p.y}
              room={2 * p.y * scale}
              style={{ left: px + pw / 2 + 4, top: (y0 + py) / 2 - 10 }}
              onEnter={(t) => onLength('top', t)}
            />
            <Border
              label="Border below"
              value={below}
              room={2 * below * scale}
              style={{ left: px + pw / 2 + 4, top: (py + ph + y0 + sh) / 2 - 10 }}
              onEnter={(t) => onLength('bottom', t)}
            />
          </>
        )}
      </div>
    </div>
  )
}

type HandlesProps = {
  at: At
  box: { left: number; top: number; width: number; height: number }
  scale: number
  keepsShape: boolean
  onDrag: (at: At | undefined) => void
  onLaid: (at: At) => void
}

/** The picture is moved by its middle and sized by its corners, with the pointer or with the arrow keys. */
function Handles({ at, box, scale, keepsShape, onDrag, onLaid }: HandlesProps) {
  const now = useRef(at)
  const drag = (e: React.PointerEvent<HTMLElement>, change: (dx: number, dy: number) => At) =>
    follow(e, {
      moved: (dx, dy) => {
        now.current = change(dx / scale, dy / scale)
        onDrag(now.current)
      },
      done: () => onLaid(now.current),
      left: () => onDrag(undefined),
    })
  const keys = (e: React.KeyboardEvent, change: (dx: number, dy: number) => At) =>
    byArrow(e, 1, (dx, dy) => onLaid(change(dx, dy)))
  const moved = (dx: number, dy: number) => ({ ...at, x: at.x + dx, y: at.y + dy })
  return (
    <>
      <button
        type="button"
        className="mover"
        aria-label="Picture: drag it, or move it with the arrow keys"
        style={box}
        onPointerDown={(e) => drag(e, moved)}
        onKeyDown={(e) => keys(e, moved)}
      />
      {CORNERS.map((corner) => (
        <button
          type="button"
          key={corner.name}
          className="corner"
          aria-label={`${corner.name} corner: drag it, or size the picture with the arrow keys`}
          style={{
            left: box.left + (corner.right ? box.width : 0),
            top: box.top + (corner.bottom ? box.height : 0),
            cursor: corner.right === corner.bottom ? 'nwse-resize' : 'nesw-resize',
          }}
          onPointerDown={(e) => drag(e, (dx, dy) => resized(at, corner, dx, dy, keepsShape))}
          onKeyDown={(e) => keys(e, (dx, dy) => resized(at, corner, dx, dy, keepsShape))}
        />
      ))}
    </>
  )
}

/** A place in the picture, pointed at or moved with the arrow keys. */
function Picker({ box, at, onPick }: { box: HandlesProps['box']; at: Place; onPick: (at: Place) => void }) {
  const inside = (v: number) => Math.max(0, Math.min(1, v))
  return (
    <button
      type="button"
      className="picker"
      aria-label="Place that is looked at: point at another one, or move it with the arrow keys"
      style={box}
      onClick={(e) => {
        const r = e.currentTarget.getBoundingClientRect()
        if (e.detail > 0) onPick({ x: inside((e.clientX - r.left) / r.width), y: inside((e.clientY - r.top) / r.height) })
      }}
      onKeyDown={(e) => byArrow(e, 0.01, (dx, dy) => onPick({ x: inside(at.x + dx), y: inside(at.y + dy) }))}
    >
      <span style={{ left: `${100 * at.x}%`, top: `${100 * at.y}%` }} />
    </button>
  )
}

type DimensionProps = { label: string; value: number; style: React.CSSProperties; onEnter: (text: string) => void }

/** A border too narrow for its number has none on the drawing; the card has them all. */
function Border({ room, ...rest }: DimensionProps & { room: number }) {
  return room > 34 ? <Dimension {...rest} narrow /> : null
}

export function Dimension({ label, value, style, onEnter, narrow }: DimensionProps & { narrow?: boolean }) {
  const shown = narrow ? mm(value) : `${mm(value)} mm`
  return (
    <Input
      key={shown}
      className={narrow ? 'dimension narrow' : 'dimension'}
      variant="borderless"
      aria-label={label}
      defaultValue={shown}
      style={style}
      onFocus={(e) => e.target.select()}
      onPressEnter={(e) => e.currentTarget.blur()}
      onKeyDown={(e) => {
        if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
          e.preventDefault()
          onEnter(`${Math.round((value + (e.key === 'ArrowUp' ? 1 : -1) * (e.shiftKey ? 10 : 1)) * 100) / 100}`)
        }
        if (e.key === 'Escape') {
          e.currentTarget.value = shown
          e.currentTarget.blur()
        }
      }}
      onBlur={(e) => {
        if (e.target.value.trim() !== shown) onEnter(e.target.value)
      }}
    />
  )
}
