import type { Boundary, PictureColours } from '../api/types'
import { GAMUT } from './words'

const SPAN = 110
const SIZE = 210

type Outlines = Boundary['slices'][number]['outlines']

/** Seen from above at one lightness: the paper's outline, the wire's dashed, and the picture's colours near it. */
export function SlicePlot({
  lightness,
  solid,
  wire,
  colours,
}: {
  lightness: number
  solid: Boundary
  wire?: Boundary | undefined
  colours?: PictureColours | undefined
}) {
  const at = (b: Boundary | undefined): Outlines => b?.slices.find((s) => s.lightness === lightness)?.outlines ?? []
  const x = (a: number) => ((a + SPAN) / (2 * SPAN)) * SIZE
  const y = (b: number) => ((SPAN - b) / (2 * SPAN)) * SIZE
  const path = (lines: Outlines) =>
    lines
      .map((line) => `${line.map(([a = 0, b = 0], i) => `${i ? 'L' : 'M'}${x(a).toFixed(1)} ${y(b).toFixed(1)}`).join('')}Z`)
      .join('')
  const near = colours?.colours.filter((c) => Math.abs(c.lab.l - lightness) <= 4) ?? []
  return (
    <svg className="gamut-slice" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={GAMUT.slice(lightness)}>
      <path d={`M${x(-SPAN)} ${y(0)}H${x(SPAN)}M${x(0)} ${y(-SPAN)}V${y(SPAN)}`} className="grid" />
      {[-100, -50, 50, 100].map((v) => (
        <g key={v}>
          <path d={`M${x(v)} ${y(-2)}V${y(2)}M${x(-2)} ${y(v)}H${x(2)}`} className="grid" />
          <text x={x(v)} y={y(0) + 12} textAnchor="middle">
            {v < 0 ? `−${-v}` : v}
          </text>
        </g>
      ))}
      <text x={x(SPAN) - 2} y={y(0) - 4} textAnchor="end">
        a*
      </text>
      <text x={x(0) + 4} y={y(SPAN) + 10}>
        b*
      </text>
      <path d={path(at(solid))} className="held" />
      <path d={path(at(wire))} className="wire" />
      {near.map((c) =>
        c.outside > 0.5 ? (
          <path
            key={`${c.lab.l} ${c.lab.a} ${c.lab.b}`}
            d={`M${x(c.lab.a) - 3} ${y(c.lab.b) - 3}l6 6m0 -6l-6 6`}
            className="out"
          />
        ) : (
          <circle key={`${c.lab.l} ${c.lab.a} ${c.lab.b}`} cx={x(c.lab.a)} cy={y(c.lab.b)} r="1.5" />
        ),
      )}
      <text x="6" y={SIZE - 6}>
        L* {lightness}
      </text>
    </svg>
  )
}
