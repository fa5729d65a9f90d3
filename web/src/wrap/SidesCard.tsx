import { Button, Slider } from 'antd'
import { useEffect, useState } from 'react'
import type { SideMoves, WrapDocket } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Choices } from '../parts/Choices'
import { mm } from '../parts/numbers'
import { fillSides } from './fills'
import { FILLS } from './words'

const SLIDERS = [
  { key: 'darker', name: 'Darker', from: -50, to: 50 },
  { key: 'softer', name: 'Softer', from: 0, to: 100 },
  { key: 'lessColour', name: 'Less colour', from: 0, to: 100 },
] as const

type Props = StationProps & { view: WrapDocket; picking: boolean; onPicking: (picking: boolean) => void }

/** What the sides show, and what is done to them alone. */
export function SidesCard({ view, tools, picking, onPicking }: Props) {
  const { fill, moves } = view.spec.plan
  const [now, setNow] = useState<SideMoves>(moves)
  useEffect(() => setNow(moves), [moves])
  const choose = (kind: (typeof FILLS)[number]['kind']) => {
    if (kind === fill.kind) return
    onPicking(kind === 'one-colour')
    fillSides(tools, kind)
  }
  const side = mm(view.planned.sideMm)
  return (
    <>
      <section>
        <h2 className="head">What fills the sides</h2>
        <div className="fills">
          <Choices
            className="all"
            aria-label="What fills the sides"
            value={fill.kind}
            choices={FILLS.map((f) => ({
              value: f.kind,
              shown: (
                <>
                  <b>{f.name}</b>
                  <span className="soft">{f.says(side)}</span>
                </>
              ),
            }))}
            onChoose={choose}
          />
          {fill.kind === 'one-colour' && (
            <Button aria-pressed={picking} onClick={() => onPicking(!picking)}>
              {picking ? 'Drag over a patch' : 'Pick another patch'}
            </Button>
          )}
          {fill.kind === 'extended' && (
            <Button onClick={() => tools.decide({ kind: 'sides-filled', fill: { kind: 'extended', seed: fill.seed + 1 } })}>
              Grow it otherwise
            </Button>
          )}
        </div>
      </section>
      <section>
        <h2 className="head">The sides alone</h2>
        {SLIDERS.map((s) => (
          <div className="slide" key={s.key}>
            <span>{s.name}</span>
            <Slider
              min={s.from}
              max={s.to}
              value={now[s.key]}
              tooltip={{ open: false }}
              ariaLabelForHandle={s.name}
              {...(s.from < 0 ? { included: false, marks: { 0: ' ' } } : {})}
              onChange={(v) => setNow({ ...now, [s.key]: v })}
              onChangeComplete={(v) => tools.decide({ kind: 'sides-moved', moves: { ...now, [s.key]: v } })}
            />
            <b>{s.key === 'softer' ? now[s.key] : `${now[s.key]} %`}</b>
          </div>
        ))}
        <p className="soft">They come in over the first 2 mm behind the fold; the face stays as it is.</p>
      </section>
    </>
  )
}
