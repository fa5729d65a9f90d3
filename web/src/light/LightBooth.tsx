import { type ColourChange, lightUrl, proofUrl } from '../api/pictures'
import type { DocketView, LightFigures, OnDocket } from '../api/types'
import { BOOTH } from '../parts/booth'
import type { Shining } from './useLights'
import { LIGHT } from './words'

export type Looked = 'BESIDE' | 'SETTLED'

/** The print under the judging light, and where it will hang. */
export function LightBooth({
  view,
  picture,
  change,
  light,
  name,
  figures,
  looked,
}: {
  view: DocketView
  picture: OnDocket
  change: ColourChange
  light: Shining
  name: string
  figures: LightFigures | undefined
  looked: Looked
}) {
  const white = looked === 'BESIDE' ? figures?.beside : figures?.settled
  return (
    <div className="in-light">
      <div className="lit-pair">
        <figure>
          <img
            className="lit judged"
            alt="The print under the light for judging"
            src={proofUrl(view, picture, BOOTH, 'PAPER_WHITE', undefined, change)}
          />
          <figcaption>{LIGHT.judging}</figcaption>
        </figure>
        <figure>
          <img
            className="lit"
            alt={`The print in ${name}`}
            style={white && { borderColor: `rgb(${white.join(' ')})` }}
            src={lightUrl(view, picture, { ...light, seen: looked, longest: BOOTH }, change)}
          />
          <figcaption>{LIGHT.hangs(name, light.lux, light.kelvin, looked === 'BESIDE')}</figcaption>
        </figure>
      </div>
      {figures && <Plot figures={figures} name={name} />}
    </div>
  )
}

const WIDE = 640
const HIGH = 150
const LEFT = 44
const FOOT = 20

/** Just noticeable differences against the master's lightness, for both lights. */
function Plot({ figures, name }: { figures: LightFigures; name: string }) {
  const tones = figures.tones
  const base = Math.min(...tones.map((t) => Math.min(t.judging, t.here)))
  const top = Math.max(...tones.map((t) => Math.max(t.judging - base, t.here - base)))
  const x = (l: number) => LEFT + (l / 100) * (WIDE - LEFT - 10)
  const y = (v: number) => HIGH - FOOT - (v / top) * (HIGH - FOOT - 10)
  const line = (of: 'judging' | 'here') =>
    tones.map((t, i) => `${i ? 'L' : 'M'}${x(t.l).toFixed(1)} ${y(t[of] - base).toFixed(1)}`).join('')
  const at = (of: 'judging' | 'here', l: number) => y((tones[l]?.[of] ?? base) - base)
  return (
    <svg className="differences" viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={LIGHT.plot}>
      <path d={`M${LEFT} 10V${HIGH - FOOT}H${WIDE - 10}`} className="axis" />
      {[0, 25, 50, 75, 100].map((l) => (
        <text key={l} x={x(l)} y={HIGH - 6} textAnchor="middle">
          {l}
        </text>
      ))}
      {[0, Math.round(top / 100) * 50, Math.round(top / 100) * 100]
        .filter((v, i, all) => v <= top && all.indexOf(v) === i)
        .map((v) => (
          <text key={v} x={LEFT - 6} y={y(v) + 4} textAnchor="end">
            {v}
          </text>
        ))}
      <text x={LEFT + 8} y={16}>
        {LIGHT.plotY}
      </text>
      <text x={WIDE - 12} y={HIGH - FOOT - 6} textAnchor="end">
        {LIGHT.plotX}
      </text>
      <path d={line('judging')} />
      <path d={line('here')} strokeDasharray="6 4" />
      <text x={x(70) - 8} y={at('judging', 70) - 6} textAnchor="end">
        {LIGHT.plotJudging}
      </text>
      <text x={x(78)} y={at('here', 78) + 16}>
        {name}
      </text>
    </svg>
  )
}
