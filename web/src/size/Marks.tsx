import { markUrl } from '../api/pictures'
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
        ) : m.kind === 'control-patch' ? (
          <rect
            key={JSON.stringify(m)}
            className="patch"
            x={m.atMm.x}
            y={m.atMm.y}
            width={m.atMm.width}
            height={m.atMm.height}
            strokeWidth={0.7 / scale}
          />
        ) : m.kind === 'stamp' ? (
          <Stamp key={JSON.stringify(m)} mark={m} />
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

type StampMark = Extract<Page['marks'][number], { kind: 'stamp' }>

const WIDE = 400
const TURNED = { QUARTER_RIGHT: 90, QUARTER_LEFT: -90, HALF_TURN: 180 } as const

/** A mark of one's own, as far as its shape goes: what it darkens or lightens is seen in the proof and on the laid-down sheet. */
function Stamp({ mark }: { mark: StampMark }) {
  const { atMm: at, shownMm: shown, art } = mark
  const degrees = TURNED[mark.orientation as keyof typeof TURNED] ?? 0
  const across = Math.abs(degrees) === 90
  const width = across ? at.height : at.width
  const height = across ? at.width : at.height
  const middle = [at.x + at.width / 2, at.y + at.height / 2] as const
  const clip = `stamp-${Math.round(at.x * 10)}-${Math.round(at.y * 10)}-${Math.round(shown.width * 10)}`
  return (
    <g className={mark.ink === 'LIGHTENS' ? 'stamp lightens' : 'stamp'}>
      <clipPath id={clip}>
        <rect x={shown.x} y={shown.y} width={shown.width} height={shown.height} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <image
          href={markUrl(art, Math.min(WIDE, Math.floor(1200 * art.aspect)))}
          x={middle[0] - width / 2}
          y={middle[1] - height / 2}
          width={width}
          height={height}
          opacity={mark.opacity}
          preserveAspectRatio="none"
          transform={degrees ? `rotate(${degrees} ${middle[0]} ${middle[1]})` : undefined}
        />
      </g>
    </g>
  )
}
