import type { WedgeTold } from '../api/types'

const even = (values: number[]) => values.map((v, i) => [i / (values.length - 1), v] as [number, number])

/** Black on the left, paper on the right, as a ramp is looked at. */
const across = (width: number, left: number) => (depth: number) => left + (1 - depth) * width

const up = (from: number, to: number, height: number, top: number) => (v: number) =>
  top + height - ((v - from) / (to - from)) * height

const joined = (x: (v: number) => number, y: (v: number) => number) => (points: [number, number][]) =>
  points.map(([a, b], i) => `${i ? 'L' : 'M'}${x(a).toFixed(1)} ${y(b).toFixed(1)}`).join('')

type Scale = { name: string; told: WedgeTold }

const DASHES = ['', '7 4', '2 3', '9 3 2 3', '1 4', '12 5']

/** L* of steps against their depth, of one wedge with its curve, or of several side by side. */
export function LightnessPlot({ scales, label, onStep }: { scales: Scale[]; label: string; onStep?: (index: number) => void }) {
  const width = 720
  const height = 262
  const left = 34
  const x = across(width, left)
  const y = up(0, 100, height, 6)
  const path = joined(x, y)
  const only = scales.length === 1 ? scales[0]?.told : undefined
  return (
    <figure className="plot tone-plot">
      <figcaption className="head">{label}</figcaption>
      <svg viewBox={`0 0 ${width + left + 12} ${height + 28}`} width="100%" role={only ? 'group' : 'img'} aria-label={label}>
        {[0, 20, 40, 60, 80, 100].map((l) => (
          <g key={l}>
            <path d={`M${left} ${y(l)}h${width}`} className="grid" />
            <text x={left - 6} y={y(l) + 4} textAnchor="end">
              {l}
            </text>
          </g>
        ))}
        {[1, 0.75, 0.5, 0.25, 0].map((d) => (
          <text key={d} x={x(d)} y={height + 22} textAnchor="middle">
            {Math.round(100 * d)} %
          </text>
        ))}
        <rect x={left} y={6} width={width} height={height} className="frame-line" />
        {only && <path d={path(even(only.target))} className="target" />}
        {only && only.points.length > 0 && <path d={path(even(only.through))} className="through" />}
        {scales.map((s, nth) => (
          <g key={s.name}>
            <path
              d={path(s.told.steps.filter((p) => !p.leftOut && !p.suspect).map((p) => [p.depth, p.lab.l]))}
              className="as-printed"
              strokeDasharray={scales.length > 1 ? DASHES[nth % DASHES.length] : ''}
              style={scales.length > 1 ? { strokeWidth: 1.6, stroke: 'var(--ink)' } : undefined}
            />
            {only &&
              s.told.steps.map((p, i) => (
                <circle
                  key={p.depth}
                  cx={x(p.depth)}
                  cy={y(p.lab.l)}
                  r={s.told.steps.length > 60 ? 2.4 : 3.6}
                  className={p.leftOut ? 'step out' : p.suspect ? 'step suspect' : 'step'}
                  tabIndex={0}
                  role="button"
                  aria-label={`${Math.round(100 * p.depth)} %, L* ${p.lab.l.toFixed(1)}${p.suspect ? ', suspect' : ''}${p.leftOut ? ', left out' : ''}`}
                  onClick={() => onStep?.(i)}
                  onKeyDown={(e) => e.key === 'Enter' && onStep?.(i)}
                >
                  <title>
                    {`${Math.round(100 * p.depth)} %: L* ${p.lab.l.toFixed(1)}${p.suspect ? ', suspect: off its neighbours’ line' : ''}${onStep ? (p.leftOut ? '. Press to take it in again' : '. Press to leave it out') : ''}`}
                  </title>
                </circle>
              ))}
          </g>
        ))}
        {only && typeof only.blockedFrom === 'number' && (
          <text x={x(Math.max(0.6, only.blockedFrom)) + 6} y={y(only.black.l) + 16} textAnchor="start">
            from {Math.round(100 * only.blockedFrom)} % on no step can be told from black
          </text>
        )}
      </svg>
    </figure>
  )
}

/** How far a* and b* of the steps lie from the paper's own. */
export function DriftPlot({ told, label }: { told: WedgeTold; label: string }) {
  const width = 350
  const height = 104
  const left = 34
  const most = Math.max(3, ...told.steps.map((s) => Math.max(Math.abs(s.lab.a - told.paper.a), Math.abs(s.lab.b - told.paper.b))))
  const x = across(width, left)
  const y = up(-most, most, height, 4)
  const path = joined(x, y)
  const sound = told.steps.filter((s) => !s.leftOut && !s.suspect)
  return (
    <figure className="plot tone-plot">
      <figcaption className="head">{label}</figcaption>
      <svg viewBox={`0 0 ${width + left + 8} ${height + 24}`} width="100%" role="img" aria-label={label}>
        <rect x={left} y={4} width={width} height={height} className="frame-line" />
        <path d={`M${left} ${y(0)}h${width}`} className="grid" />
        {[-most, 0, most].map((v) => (
          <text key={v} x={left - 6} y={y(v) + 4} textAnchor="end">
            {v > 0 ? '+' : v < 0 ? '−' : ''}
            {Math.abs(v).toFixed(most < 10 && v !== 0 ? 1 : 0)}
          </text>
        ))}
        <path d={path(sound.map((s) => [s.depth, s.lab.a - told.paper.a]))} className="through" />
        <path d={path(sound.map((s) => [s.depth, s.lab.b - told.paper.b]))} className="dotted" />
        <text x={left} y={height + 20} textAnchor="start">
          black
        </text>
        <text x={left + width} y={height + 20} textAnchor="end">
          paper
        </text>
      </svg>
    </figure>
  )
}

/** Several wedges in one plot, with what each is. */
export function ComparedPlot({ scales, label }: { scales: Scale[]; label: string }) {
  return (
    <div className="compared">
      <LightnessPlot scales={scales} label={label} />
      <ul>
        {scales.map((s, nth) => (
          <li key={s.name}>
            <svg width="36" height="10" aria-hidden="true">
              <path d="M0 5h36" stroke="var(--ink)" strokeWidth="1.8" strokeDasharray={DASHES[nth % DASHES.length]} />
            </svg>
            <span>
              {s.name}
              <span className="soft">
                : black L* {s.told.black.l.toFixed(1)}, off {s.told.before.toFixed(1)}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}
