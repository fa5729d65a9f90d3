import { useRef, useState } from 'react'
import type { LocalMove, PrintFrame } from '../api/types'
import { byArrow, follow } from '../parts/handles'
import { type Drawn, drawn, handlesOf, NAMES, type Spot } from './shapes'
import './local.css'

type Props = {
  /** Width over height of the picture. */
  aspect: number
  framed: PrintFrame
  local: LocalMove[]
  picked: number | undefined
  onPicked: (index: number | undefined) => void
  drawing: Drawn | undefined
  onDrawn: () => void
  onMoved: (next: LocalMove[], done: boolean) => void
}

/** Edges, places and slopes over the proof; the one that was picked has handles. */
export function LocalHandles({ aspect, framed, local, picked, onPicked, drawing, onDrawn, onMoved }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const now = useRef<LocalMove[]>(local)
  const [sketched, sketch] = useState<LocalMove>()
  const size = () => box.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1)
  const move = picked === undefined ? undefined : local[picked]
  const replaced = (next: LocalMove) => local.map((m, i) => (i === picked ? next : m))
  const begin = (e: React.PointerEvent<HTMLElement>) => {
    if (!drawing) return
    const r = size()
    const from = { x: (e.clientX - r.left) / r.width, y: (e.clientY - r.top) / r.height }
    let to: Spot = from
    const add = () => {
      sketch(undefined)
      onMoved([...local, drawn(drawing, from, to, aspect)], true)
      onPicked(local.length)
      onDrawn()
    }
    follow(e, {
      moved: (dx, dy) => {
        to = { x: from.x + dx / r.width, y: from.y + dy / r.height }
        sketch(drawn(drawing, from, to, aspect))
      },
      done: add,
      // a press without a drag
      left: add,
    })
  }
  return (
    <div ref={box} className={drawing ? 'local drawn-on' : 'local'} onPointerDown={begin}>
      <svg viewBox={`0 0 ${1000 * aspect} 1000`} preserveAspectRatio="none" aria-hidden="true">
        {[...local, ...(sketched ? [sketched] : [])].map((m, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: moves have no other name than their place
          <Outline key={i} move={m} aspect={aspect} framed={framed} faint={i !== picked && m !== sketched} />
        ))}
      </svg>
      {!drawing &&
        local.map((m, i) => {
          const middle = handlesOf(m, aspect, framed)[0]
          return (
            i !== picked &&
            middle && (
              <button
                // biome-ignore lint/suspicious/noArrayIndexKey: moves have no other name than their place
                key={i}
                type="button"
                className="hold other"
                aria-label={`Take ${NAMES[m.kind]} ${i + 1}`}
                style={{ left: `${100 * middle.at.x}%`, top: `${100 * middle.at.y}%` }}
                onClick={() => onPicked(i)}
              />
            )
          )
        })}
      {!drawing &&
        move &&
        handlesOf(move, aspect, framed).map((handle) => (
          <button
            type="button"
            key={handle.name}
            className="hold"
            aria-label={`${NAMES[move.kind]}, ${handle.name}: drag it, or use the arrow keys`}
            style={{ left: `${100 * handle.at.x}%`, top: `${100 * handle.at.y}%` }}
            onPointerDown={(e) => {
              const r = size()
              follow(e, {
                moved: (dx, dy) => {
                  now.current = replaced(handle.moved({ x: handle.at.x + dx / r.width, y: handle.at.y + dy / r.height }))
                  onMoved(now.current, false)
                },
                done: () => onMoved(now.current, true),
                left: () => onMoved(local, false),
              })
            }}
            onKeyDown={(e) =>
              byArrow(e, 0.005, (dx, dy) =>
                onMoved(replaced(handle.moved({ x: handle.at.x + dx, y: handle.at.y + dy * aspect })), true),
              )
            }
          />
        ))}
    </div>
  )
}

/** Where a move begins, as thin lines that can be seen on dark and light. */
function Outline({ move, aspect, framed, faint }: { move: LocalMove; aspect: number; framed: PrintFrame; faint: boolean }) {
  const w = 1000 * aspect
  const shape = () => {
    if (move.kind === 'place')
      return (
        <ellipse
          cx={move.x * w}
          cy={move.y * 1000}
          rx={move.across * w}
          ry={move.down * 1000}
          transform={`rotate(${move.degrees} ${move.x * w} ${move.y * 1000})`}
        />
      )
    if (move.kind === 'slope') {
      const dx = (move.toX - move.fromX) * w
      const dy = (move.toY - move.fromY) * 1000
      const far = (2 * w) / Math.max(1, Math.hypot(dx, dy))
      const line = (x: number, y: number) =>
        `M${x * w - dy * far} ${y * 1000 + dx * far}L${x * w + dy * far} ${y * 1000 - dx * far}`
      return (
        <path
          d={`${line(move.fromX, move.fromY)}${line(move.toX, move.toY)}M${move.fromX * w} ${move.fromY * 1000}l${dx} ${dy}`}
        />
      )
    }
    const inner = 1 - move.reach
    const width = framed.width * w * inner
    const height = framed.height * 1000 * inner
    return (
      <rect
        x={(framed.x + framed.width / 2) * w - width / 2}
        y={(framed.y + framed.height / 2) * 1000 - height / 2}
        width={width}
        height={height}
        rx={(move.round * width) / 2}
        ry={(move.round * height) / 2}
        transform={`rotate(${-framed.degrees} ${w / 2} 500)`}
      />
    )
  }
  return (
    <g className={faint || !move.on ? 'outline faint' : 'outline'}>
      <g className="under">{shape()}</g>
      {shape()}
    </g>
  )
}
