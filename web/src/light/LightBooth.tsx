import { type ColourChange, lightUrl, pairingOf, proofUrl } from '../api/pictures'
import type { DocketView, LightFigures, OnDocket } from '../api/types'
import { labCss } from '../parts/numbers'
import type { Shining } from './useLights'
import { LIGHT } from './words'

/** Pixels of a picture that stands beside another one. */
const LIT = 700

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
            className="lit"
            style={{ borderColor: labCss(pairingOf(view).whiteLab) }}
            alt="The print under the light for judging"
            src={proofUrl(view, picture, LIT, 'PAPER_WHITE', undefined, change)}
          />
          <figcaption>{LIGHT.judging}</figcaption>
        </figure>
        <figure>
          <img
            className="lit"
            alt={`The print in ${name}`}
            style={white && { borderColor: `rgb(${white.join(' ')})` }}
            src={lightUrl(view, picture, { ...light, seen: looked, longest: LIT }, change)}
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
  // both count from the print's own black
  const from = { judging: tones[0]?.judging ?? 0, here: tones[0]?.here ?? 0 }
  const top = Math.max(...tones.map((t) => Math.max(t.judging - from.judging, t.here - from.here)))
  const x = (l: number) => LEFT + (l / 100) * (WIDE - LEFT - 10)
  const y = (v: number) => HIGH - FOOT - (v / top) * (HIGH - FOOT - 10)
  const line = (of: 'judging' | 'here') =>
    tones.map((t, i) => `${i ? 'L' : 'M'}${x(t.l).toFixed(1)} ${y(t[of] - from[of]).toFixed(1)}`).join('')
  const at = (of: 'judging' | 'here', l: number) => y((tones[l]?.[of] ?? from[of]) - from[of])
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
      <text x={x(55)} y={at('here', 55) - 8} textAnchor="end">
        {name}
      </text>
    </svg>
  )
}
