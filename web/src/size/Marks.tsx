import type { Page } from '../api/types'

const POINT_MM = 25.4 / 72
const ANCHOR = { START: 'start', MIDDLE: 'middle', END: 'end' } as const

/** What is drawn and written on a page, to scale. */
export function Marks({ marks, scale, width, height }: { marks: Page['marks']; scale: number; width: number; height: number }) {
  return (
    <svg className="marks" width={width} height={height} viewBox={`0 0 ${width / scale} ${height / scale}`} aria-hidden="true">
      {marks.map((m) =>
        m.kind === 'line' ? (
          <line
            key={JSON.stringify(m)}
            x1={m.fromX}
            y1={m.fromY}
            x2={m.toX}
            y2={m.toY}
            stroke="#1e1e1e"
            strokeWidth={Math.max(m.widthMm, 0.7 / scale)}
          />
        ) : m.kind === 'bare' ? (
          <rect key={JSON.stringify(m)} x={m.atMm.x} y={m.atMm.y} width={m.atMm.width} height={m.atMm.height} fill="#fff" />
        ) : (
          <text
            key={JSON.stringify(m)}
            x={m.x}
            y={m.y}
            fontSize={m.sizePt * POINT_MM}
            textAnchor={ANCHOR[m.anchor]}
            transform={m.turnDegrees ? `rotate(${m.turnDegrees} ${m.x} ${m.y})` : undefined}
            fill="#1e1e1e"
          >
            {m.words}
          </text>
        ),
      )}
    </svg>
  )
}
