import { useRef } from 'react'
import type { Toning } from '../api/types'

const SIDE = 132
const MOST = 20

type Name = 'shadows' | 'lights'

/** A small a*b* plane: a dot for the shadows' tone, one for the lights', a cross for the paper's own tint. */
export function TonePlane({
  toning,
  paper,
  onMove,
  onDone,
}: {
  toning: Toning
  paper: number[] | undefined
  onMove: (name: Name, hue: number, strength: number) => void
  onDone: () => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  const at = (v: number) => SIDE / 2 + (v / MOST) * (SIDE / 2)
  const dot = (name: Name) => {
    const turn = (toning[name].hue * Math.PI) / 180
    return { a: toning[name].strength * Math.cos(turn), b: toning[name].strength * Math.sin(turn) }
  }
  const move = (name: Name, a: number, b: number) => {
    const strength = Math.min(MOST, Math.hypot(a, b))
    const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360
    onMove(name, strength < 0.25 ? toning[name].hue : Math.round(hue), strength < 0.25 ? 0 : Math.round(10 * strength) / 10)
  }
  const drag = (name: Name, e: React.PointerEvent) => {
    const r = svg.current?.getBoundingClientRect()
    if (!r || !e.buttons) return
    move(name, ((e.clientX - r.left) / r.width - 0.5) * 2 * MOST, (0.5 - (e.clientY - r.top) / r.height) * 2 * MOST)
  }
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${SIDE} ${SIDE}`}
      width={SIDE}
      height={SIDE}
      role="group"
      aria-label="Toning, a* across and b* up"
    >
      <rect width={SIDE} height={SIDE} fill="#ededed" />
      <path d={`M0 ${SIDE / 2}H${SIDE}M${SIDE / 2} 0V${SIDE}`} stroke="#b5b5b5" fill="none" />
      <circle cx={SIDE / 2} cy={SIDE / 2} r={SIDE / 4} stroke="#d1d1d1" fill="none" />
      {paper && (
        <path
          d={`M${at(paper[1] ?? 0) - 5} ${SIDE - at(paper[2] ?? 0)}h10m-5 -5v10`}
          stroke="#1e1e1e"
          strokeWidth="1.2"
          aria-label="The paper’s own tint"
        />
      )}
      <text x={SIDE - 3} y={SIDE / 2 - 4} textAnchor="end" fontSize="10" fill="#5e5e5e">
        a*
      </text>
      <text x={SIDE / 2 + 4} y={10} fontSize="10" fill="#5e5e5e">
        b*
      </text>
      {(['lights', 'shadows'] as const).map((name) => {
        const { a, b } = dot(name)
        return (
          <circle
            key={name}
            className="dot"
            cx={at(a)}
            cy={SIDE - at(b)}
            r="6"
            fill={name === 'shadows' ? '#1e1e1e' : '#fafafa'}
            tabIndex={0}
            role="slider"
            aria-label={`Tone of the ${name}`}
            aria-valuenow={toning[name].strength}
            aria-valuetext={`a* ${a.toFixed(1)}, b* ${b.toFixed(1)}`}
            aria-valuemin={0}
            aria-valuemax={MOST}
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={(e) => drag(name, e)}
            onPointerUp={onDone}
            onKeyDown={(e) => {
              const far = e.shiftKey ? 5 : 0.5
              const across = e.key === 'ArrowRight' ? far : e.key === 'ArrowLeft' ? -far : 0
              const up = e.key === 'ArrowUp' ? far : e.key === 'ArrowDown' ? -far : 0
              if (!across && !up) return
              e.preventDefault()
              move(name, a + across, b + up)
            }}
            onKeyUp={(e) => e.key.startsWith('Arrow') && onDone()}
          />
        )
      })}
    </svg>
  )
}
