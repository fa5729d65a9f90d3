import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { ProfileJudgement } from '../api/types'
import { day, fixed } from '../parts/numbers'
import { JUDGED } from './words'

const INTENTS = ['PERCEPTUAL', 'RELATIVE', 'SATURATION', 'ABSOLUTE'] as const

export function useJudgement(hash: string | null | undefined) {
  return useQuery({
    queryKey: ['profiles', hash, 'judgement'],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/profiles/{hash}/judgement', { params: { path: { hash: hash ?? '' } }, signal })),
    enabled: Boolean(hash),
    staleTime: Number.POSITIVE_INFINITY,
  })
}

/** A profile in words and figures: what to think of it before a sheet is spent. */
export function ProfileJudged({ judged }: { judged: ProfileJudgement }) {
  const { inspection: i, chart, smoothness, oddities } = judged
  const gray = judged.grays.reduce((a, b) => (Math.hypot(b.came.a, b.came.b) > Math.hypot(a.came.a, a.came.b) ? b : a))
  const blacks = INTENTS.map((n) => i.blackL[n] ?? 0)
  const same = Math.max(...blacks) - Math.min(...blacks) < 0.1
  const kink = smoothness.kinks[0]
  const remarks = [...i.remarks, ...oddities]
  return (
    <section className="judged card-like">
      <h2 className="head">{JUDGED.head}</h2>
      <dl className="rows">
        <dt>{JUDGED.back}</dt>
        <dd>
          ΔE {fixed(i.roundTrip.mean, 2)}, 95 % within {fixed(i.roundTrip.percentile95, 2)}, at most {fixed(i.roundTrip.max, 1)}
        </dd>
        {chart && (
          <>
            <dt>{chart.heldBack ? JUDGED.heldBack : JUDGED.chart}</dt>
            <dd>
              ΔE {fixed(chart.quality.mean, 2)}, 95 % within {fixed(chart.quality.percentile95, 2)}, {chart.quality.patches} of
              them
            </dd>
          </>
        )}
        <dt>{JUDGED.grays}</dt>
        <dd>
          within C* {fixed(Math.hypot(gray.came.a, gray.came.b), 1)} of gray, most at L* {fixed(gray.lightness, 0)}
        </dd>
        <dt>{JUDGED.smooth}</dt>
        <dd>
          {kink
            ? `${smoothness.kinks.length === 1 ? 'one bend:' : `${smoothness.kinks.length} bends, the worst`} ${kink.where} (ΔE ${fixed(kink.size, 1)})`
            : JUDGED.even}
        </dd>
        <dt>{JUDGED.black}</dt>
        <dd>
          {same
            ? `L* ${fixed(blacks[0] ?? 0, 1)} in all intents`
            : INTENTS.map((n) => `${n.toLowerCase()} ${fixed(i.blackL[n] ?? 0, 1)}`).join(', ')}
        </dd>
        {i.volume > 0 && (
          <>
            <dt>{JUDGED.holds}</dt>
            <dd>{Math.round(i.volume / 1000)} thousand cubic L*a*b* units</dd>
          </>
        )}
        <dt>{JUDGED.file}</dt>
        <dd>
          ICC {i.version}
          {judged.made && `, made ${day(judged.made)}`}
        </dd>
      </dl>
      {remarks.length === 0 ? (
        <p className="soft">{JUDGED.fine}</p>
      ) : (
        <ul className="remarks">
          {remarks.map((r) => (
            <li key={r} className={i.remarks.includes(r) ? 'doubt' : 'soft'}>
              {r}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

/** Three plots that show where. */
export function ProfilePlots({ judged }: { judged: ProfileJudgement }) {
  return (
    <div className="judged-plots">
      <GraysPlot judged={judged} />
      <ReturnsMap judged={judged} />
      {judged.smoothness.circles.length > 0 && <CirclesPlot judged={judged} />}
    </div>
  )
}

const WIDE = 340
const HIGH = 150
const LEFT = 30

function GraysPlot({ judged }: { judged: ProfileJudgement }) {
  const reach = Math.max(2, ...judged.grays.flatMap((g) => [Math.abs(g.came.a), Math.abs(g.came.b)]))
  const x = (l: number) => LEFT + (l / 100) * WIDE
  const y = (v: number) => 6 + HIGH / 2 - (v / reach) * (HIGH / 2)
  const path = (of: 'a' | 'b') =>
    judged.grays.map((g, i) => `${i ? 'L' : 'M'}${x(g.lightness).toFixed(1)} ${y(g.came[of]).toFixed(1)}`).join('')
  return (
    <figure className="plot">
      <figcaption className="head">{JUDGED.graysPlot}</figcaption>
      <svg viewBox={`0 0 ${LEFT + WIDE + 10} ${HIGH + 28}`} width="100%" role="img" aria-label={JUDGED.graysPlot}>
        {[-reach, 0, reach].map((v) => (
          <g key={v}>
            <path d={`M${LEFT} ${y(v)}h${WIDE}`} className="grid" />
            <text x={LEFT - 5} y={y(v) + 4} textAnchor="end">
              {fixed(v, 1)}
            </text>
          </g>
        ))}
        {[0, 25, 50, 75, 100].map((l) => (
          <text key={l} x={x(l)} y={HIGH + 22} textAnchor="middle">
            {l === 0 ? 'L* 0' : l}
          </text>
        ))}
        <path d={path('a')} className="measured" />
        <path d={path('b')} className="measured" strokeDasharray="6 3" />
      </svg>
      <p className="soft">{JUDGED.graysHelp}</p>
    </figure>
  )
}

const HUES = 24
const BANDS = 10

/** Darker cells come back farther off. */
function ReturnsMap({ judged }: { judged: ProfileJudgement }) {
  const w = WIDE / HUES
  const h = HIGH / BANDS
  const worst = judged.returns.reduce((a, b) => (b.mean > a.mean ? b : a), { hue: 0, band: 0, mean: 0, most: 0, colours: 0 })
  return (
    <figure className="plot">
      <figcaption className="head">{JUDGED.returnsPlot}</figcaption>
      <svg viewBox={`0 0 ${LEFT + WIDE + 10} ${HIGH + 28}`} width="100%" role="img" aria-label={JUDGED.returnsPlot}>
        {judged.returns.map((c) => (
          <rect
            key={`${c.hue} ${c.band}`}
            x={LEFT + c.hue * w}
            y={6 + HIGH - (c.band + 1) * h}
            width={w - 0.7}
            height={h - 0.7}
            fill={`lab(${Math.max(8, 94 - 34 * c.mean)}% 0 0)`}
          >
            <title>{`hue ${Math.round((360 * (c.hue + 0.5)) / HUES)}°, L* ${(100 * c.band) / BANDS} to ${(100 * (c.band + 1)) / BANDS}: ΔE ${c.mean.toFixed(2)}, at most ${c.most.toFixed(1)}`}</title>
          </rect>
        ))}
        {[0, 50, 100].map((l) => (
          <text key={l} x={LEFT - 5} y={6 + HIGH - (l / 100) * HIGH + 4} textAnchor="end">
            {l}
          </text>
        ))}
        {[0, 90, 180, 270].map((d) => (
          <text key={d} x={LEFT + (d / 360) * WIDE} y={HIGH + 22} textAnchor={d === 0 ? 'start' : 'middle'}>
            {d === 0 ? 'hue 0°' : `${d}°`}
          </text>
        ))}
      </svg>
      <p className="soft">
        {JUDGED.returnsHelp} The darkest: ΔE {fixed(worst.mean, 2)} at hue {Math.round((360 * (worst.hue + 0.5)) / HUES)}°, L*{' '}
        {((worst.band + 0.5) * 100) / BANDS}.
      </p>
    </figure>
  )
}

const DASHES = ['', '6 3', '2 3']

/** What the printer is told round the hues, red, green and blue: where a line has a corner a gradient may show one. */
function CirclesPlot({ judged }: { judged: ProfileJudgement }) {
  const circle = judged.smoothness.circles[Math.min(1, judged.smoothness.circles.length - 1)]
  if (!circle) return null
  const n = circle.device.length
  const x = (i: number) => LEFT + (i / n) * WIDE
  const y = (v: number) => 6 + HIGH - v * HIGH
  return (
    <figure className="plot">
      <figcaption className="head">{JUDGED.circlePlot(circle.lightness, circle.chroma)}</figcaption>
      <svg
        viewBox={`0 0 ${LEFT + WIDE + 10} ${HIGH + 28}`}
        width="100%"
        role="img"
        aria-label={JUDGED.circlePlot(circle.lightness, circle.chroma)}
      >
        {[0, 0.5, 1].map((v) => (
          <g key={v}>
            <path d={`M${LEFT} ${y(v)}h${WIDE}`} className="grid" />
            <text x={LEFT - 5} y={y(v) + 4} textAnchor="end">
              {100 * v}
            </text>
          </g>
        ))}
        {[0, 90, 180, 270].map((d) => (
          <text key={d} x={LEFT + (d / 360) * WIDE} y={HIGH + 22} textAnchor={d === 0 ? 'start' : 'middle'}>
            {d === 0 ? 'hue 0°' : `${d}°`}
          </text>
        ))}
        {[0, 1, 2].map((c) => (
          <path
            key={c}
            d={circle.device.map((rgb, i) => `${i ? 'L' : 'M'}${x(i).toFixed(1)} ${y(rgb[c] ?? 0).toFixed(1)}`).join('')}
            className="measured"
            strokeDasharray={DASHES[c]}
          />
        ))}
      </svg>
      <p className="soft">{JUDGED.circleHelp}</p>
    </figure>
  )
}
