import { useEffect, useRef, useState } from 'react'
import type { CutLine, GangDocket, Placed, Spot } from '../api/types'
import { byArrow, enlargedBy, follow } from '../parts/handles'
import { mm } from '../parts/numbers'
import { isTurned, uprightSize } from '../parts/pieces'
import { useRoom } from '../parts/useRoom'
import { Marks } from '../size/Marks'
import { PaperShape } from '../size/PaperShape'
import { Pieces } from '../size/Pieces'
import { fitting } from '../size/SheetDrawing'
import { snapped } from './spots'

type Props = {
  view: GangDocket
  /** As the pieces would lie with what is dragged just now. */
  tried: GangDocket['layout'] | undefined
  /** Counted from 0. */
  page: number
  /** What it takes, above the drawing. */
  taken: string
  /** Pieces that are picked. */
  picked: string[]
  /** The print of them that is told of, by its id on the page. */
  told: string | undefined
  /** @param more beside those that are picked already */
  onPick: (placed: Placed, more: boolean) => void
  /** How long its longer side is to be, in mm. */
  onSized: (itemId: string, longer: number) => void
  /** While it is dragged; nothing when it is left. */
  onSizing: (sizing: { itemId: string; longerMm: number } | undefined) => void
  onMoved: (placedId: string, to: Spot) => void
  onTakenOff: (itemId: string) => void
  lifeScale?: number
}

/** A page with all that lies on it, drawn to scale, with its cuts in their order. Each print can be picked, dragged and turned. */
export function TogetherDrawing({
  view,
  tried,
  page: shown,
  taken,
  picked,
  told: toldOf,
  onPick,
  onSized,
  onSizing,
  onMoved,
  onTakenOff,
  lifeScale,
}: Props) {
  const [box, room] = useRoom()
  const [dragged, setDragged] = useState<{ id: string; x: number; y: number }>()
  const layout = tried ?? view.layout
  const page = layout.pages[Math.min(shown, layout.pages.length - 1)]
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new layout ends what was dragged
  useEffect(() => setDragged(undefined), [view.layout])
  const now = useRef({ x: 0, y: 0 })
  const lastTold = useRef<Placed>(undefined)
  if (!page) return <div ref={box} className="drawing" />
  const { scale, x0, y0, width, height } = fitting(room, page, [], lifeScale)
  const sw = page.widthMm * scale
  const sh = page.heightMm * scale
  const gutter = view.spec.plan.arrangement.gutterMm
  const cuts = layout.cuts.filter((c) => c.page === shown + 1)
  const placed = page.placed.map((p) => (p.id === dragged?.id ? moved(p, dragged) : p))
  const pagesOfPlan = Math.max(1, ...view.spec.plan.spots.map((s) => s.page))
  const spot = (p: Placed, x: number, y: number, turn = false): Spot => ({
    itemId: p.itemId,
    page: (shown % pagesOfPlan) + 1,
    x,
    y,
    turned: isTurned(p) !== turn,
  })
  const snap = (p: Placed, x: number, y: number) => {
    const others = page.placed.filter((o) => o.id !== p.id).map((o) => o.atMm)
    const m = page.unprintable
    return {
      x: snapped(
        x,
        p.atMm.width,
        { low: m.left, high: page.widthMm - m.right },
        others.map((o) => [o.x, o.x + o.width]),
        gutter,
      ),
      y: snapped(
        y,
        p.atMm.height,
        { low: m.top, high: page.heightMm - m.bottom },
        others.map((o) => [o.y, o.y + o.height]),
        gutter,
      ),
    }
  }
  // while it is sized it may have no room for a moment: the corner stays under the hand
  const told = placed.find((p) => p.id === toldOf) ?? (tried ? lastTold.current : undefined)
  lastTold.current = told
  return (
    <div ref={box} className="drawing">
      <div className="canvas" style={{ width, height }}>
        <svg width={width} height={height} role="img" aria-label="The paper with all pictures on it, to scale">
          <PaperShape view={view} page={page} x0={x0} y0={y0} scale={scale} />
          <text className="taken" x={x0} y={y0 - 14}>
            {taken}
          </text>
        </svg>
        <div className="paper" style={{ left: x0, top: y0, width: sw, height: sh }}>
          <Pieces view={view} pieces={placed} scale={scale} />
          {!dragged && <Marks marks={page.marks} scale={scale} width={sw} height={sh} />}
        </div>
        {placed.map((p) => (
          <button
            type="button"
            key={p.id}
            className={picked.includes(p.itemId) ? 'print picked' : 'print'}
            aria-pressed={picked.includes(p.itemId)}
            aria-label={`${mm(p.atMm.width)} × ${mm(p.atMm.height)} mm: drag it, move it with the arrow keys, turn it with T, take it off with Delete`}
            style={{
              left: x0 + p.atMm.x * scale,
              top: y0 + p.atMm.y * scale,
              width: p.atMm.width * scale,
              height: p.atMm.height * scale,
            }}
            onFocus={(e) => e.currentTarget.matches(':focus-visible') && onPick(p, false)}
            onPointerDown={(e) => {
              onPick(p, e.shiftKey || e.ctrlKey || e.metaKey)
              follow(e, {
                moved: (dx, dy) => {
                  now.current = snap(p, p.atMm.x + dx / scale, p.atMm.y + dy / scale)
                  setDragged({ id: p.id, ...now.current })
                },
                done: () => onMoved(p.id, spot(p, now.current.x, now.current.y)),
                left: () => setDragged(undefined),
              })
            }}
            onKeyDown={(e) => {
              byArrow(e, 1, (dx, dy) => onMoved(p.id, spot(p, p.atMm.x + dx, p.atMm.y + dy)))
              if (e.key === 't' || e.key === 'T') onMoved(p.id, spot(p, p.atMm.x, p.atMm.y, true))
              if (e.key === 'Delete') onTakenOff(p.itemId)
            }}
          />
        ))}
        {told && (
          <button
            type="button"
            className="sizer"
            aria-label="Size of this piece: drag it, or use the arrow keys"
            style={{ left: x0 + (told.atMm.x + told.atMm.width) * scale, top: y0 + (told.atMm.y + told.atMm.height) * scale }}
            onPointerDown={(e) => {
              const { width, height } = told.atMm
              let longer = Math.max(width, height)
              follow(e, {
                moved: (dx, dy) => {
                  const by = Math.max(0.05, enlargedBy({ width, height }, dx / scale, dy / scale))
                  longer = Math.max(1, Math.round(Math.max(width, height) * by))
                  onSizing({ itemId: told.itemId, longerMm: longer })
                },
                done: () => onSized(told.itemId, longer),
                left: () => onSizing(undefined),
              })
            }}
            onKeyDown={(e) =>
              byArrow(e, 1, (dx, dy) => onSized(told.itemId, Math.max(told.atMm.width, told.atMm.height) + dx + dy))
            }
          />
        )}
        <svg className="cuts" width={width} height={height} aria-hidden="true">
          {!dragged && cuts.map((c) => <Cut key={c.number} cut={c} x0={x0} y0={y0} scale={scale} />)}
        </svg>
        {told && (
          <div className="told-piece" style={{ left: x0 + told.atMm.x * scale, top: Math.max(2, y0 + told.atMm.y * scale - 27) }}>
            <b>
              {mm(uprightSize(told).width)} × {mm(uprightSize(told).height)} mm
            </b>
            {ppi(view, told)}
            {isTurned(told) ? ', turned' : ''}
          </div>
        )}
      </div>
    </div>
  )
}

/** A print as it is dragged to another place. */
const moved = (p: Placed, to: { x: number; y: number }): Placed => ({ ...p, atMm: { ...p.atMm, ...to } })

const ppi = (view: GangDocket, p: Placed) => {
  const printed = view.pictures.find((q) => q.renditionId === p.renditionId)?.printed
  const same = printed?.length === 1 ? printed[0] : undefined
  return same ? `, ${Math.round(same.ppi)} ppi` : ''
}

/** A cut from edge to edge of its part, with its number where it begins. */
function Cut({ cut, x0, y0, scale }: { cut: CutLine; x0: number; y0: number; scale: number }) {
  const at = cut.atMm * scale
  const from = cut.fromMm * scale
  const to = cut.toMm * scale
  const [x1, y1, x2, y2] = cut.down ? [x0 + at, y0 + from, x0 + at, y0 + to] : [x0 + from, y0 + at, x0 + to, y0 + at]
  const [cx, cy] = cut.down ? [x2, y2] : [x1, y1]
  return (
    <g>
      <path d={`M${x1} ${y1}L${x2} ${y2}`} />
      <circle cx={cx} cy={cy} r="8" />
      <text x={cx} y={cy + 3.5}>
        {cut.number}
      </text>
    </g>
  )
}
