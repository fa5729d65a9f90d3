import { useRef } from 'react'
import './curve-plot.css'

type Point = { x: number; y: number }

type Props = {
  label: string
  width: number
  height: number
  /** What the plot spans, in the units of its points. */
  x: [number, number]
  y: [number, number]
  line: Point[]
  /** Drawn thin behind it: what it would be without any change. */
  rest: Point[]
  /** How much of the picture is at which x, 0 to 1, as a low ground. */
  ground?: Point[]
  /** A place on the x axis that is pointed at elsewhere. */
  at?: number
  points: (Point & { label: string })[]
  /** Steps of the arrow keys. */
  step: Point
  /** Points that only move up and down keep their x. */
  upright?: boolean
  ticks: { x: number; words: string }[]
  onMove: (index: number, to: Point) => void
  onDone: () => void
  onAdd?: (at: Point) => void
  onRemove?: (index: number) => void
}

/** A curve over a plain ground with points to drag, by pointer or arrow keys. */
export function CurvePlot(p: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const px = (x: number) => ((x - p.x[0]) / (p.x[1] - p.x[0])) * p.width
  const py = (y: number) => p.height - ((y - p.y[0]) / (p.y[1] - p.y[0])) * p.height
  const path = (points: Point[]) => points.map((q, i) => `${i ? 'L' : 'M'}${px(q.x).toFixed(1)} ${py(q.y).toFixed(1)}`).join('')
  const within = (v: number, [from, to]: [number, number]) => Math.max(from, Math.min(to, v))
  const place = (e: React.PointerEvent | React.MouseEvent): Point => {
    const r = svg.current?.getBoundingClientRect()
    if (!r) return { x: 0, y: 0 }
    const scale = p.width / r.width
    const x = p.x[0] + (((e.clientX - r.left) * scale) / p.width) * (p.x[1] - p.x[0])
    const y = p.y[1] - (((e.clientY - r.top) * scale) / p.height) * (p.y[1] - p.y[0])
    return { x: within(x, p.x), y: within(y, p.y) }
  }
  const moved = (i: number, to: Point) => {
    const from = p.points[i]
    if (from) p.onMove(i, { x: p.upright ? from.x : within(to.x, p.x), y: within(to.y, p.y) })
  }
  return (
    <figure className="curve-plot">
      <svg
        ref={svg}
        viewBox={`0 0 ${p.width} ${p.height + 15}`}
        width="100%"
        role="group"
        aria-label={p.label}
        onDoubleClick={p.onAdd && ((e) => p.onAdd?.(place(e)))}
      >
        <rect x="0" y="0" width={p.width} height={p.height} className="ground" />
        {p.ground && (
          <path
            className="shares"
            d={`M0 ${p.height}${p.ground.map((g) => `L${px(g.x).toFixed(1)} ${(p.height - 0.45 * p.height * g.y).toFixed(1)}`).join('')}L${p.width} ${p.height}Z`}
          />
        )}
        <path className="rest" d={path(p.rest)} />
        {p.at !== undefined && <path className="at" d={`M${px(p.at)} 0V${p.height}`} />}
        <path className="line" d={path(p.line)} />
        {p.points.map((q, i) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: points have no other name than their place in the row
            key={i}
            className="point"
            x={px(q.x) - 5}
            y={py(q.y) - 5}
            width="10"
            height="10"
            tabIndex={0}
            role="slider"
            aria-label={q.label}
            aria-valuenow={Math.round(q.y * 100) / 100}
            aria-valuemin={p.y[0]}
            aria-valuemax={p.y[1]}
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={(e) => e.buttons && moved(i, place(e))}
            onPointerUp={p.onDone}
            onKeyDown={(e) => {
              const times = e.shiftKey ? 10 : 1
              const across = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
              const up = e.key === 'ArrowUp' ? 1 : e.key === 'ArrowDown' ? -1 : 0
              if (across || up) {
                e.preventDefault()
                moved(i, { x: q.x + across * times * p.step.x, y: q.y + up * times * p.step.y })
              } else if (e.key === 'Delete' || e.key === 'Backspace') {
                p.onRemove?.(i)
              }
            }}
            onKeyUp={(e) => e.key.startsWith('Arrow') && p.onDone()}
          />
        ))}
        {p.ticks.map((t, i) => (
          <text
            key={t.words}
            x={px(t.x)}
            y={p.height + 12}
            textAnchor={i === 0 && t.x === p.x[0] ? 'start' : t.x === p.x[1] ? 'end' : 'middle'}
          >
            {t.words}
          </text>
        ))}
      </svg>
    </figure>
  )
}
