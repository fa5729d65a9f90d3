import { Button, InputNumber, Select, Slider } from 'antd'
import type { StationProps } from '../docket/useDocket'
import { fixed } from '../parts/numbers'
import { around, type Cropping, shaped } from './CropView'
import { SHAPES } from './words'

type Props = StationProps & {
  plan: Cropping
  shape: number | undefined
  onShape: (shape: number | undefined) => void
  level: boolean
  onLevel: (level: boolean) => void
  degrees: number | undefined
  onDegrees: (degrees: number | undefined) => void
}

const WHOLE = { x: 0, y: 0, width: 1, height: 1, degrees: 0 }

/** Which part of the picture, and how it is straightened; the master stays as it is. */
export function CropCard({ view, plan, picture, tools, shape, onShape, level, onLevel, degrees, onDegrees }: Props) {
  const m = picture.master
  const aspect = m.width / m.height
  const page = view.layout.pages[0]
  const crop = around(view.layout.pages.flatMap((p) => p.placed))
  const cut = (next: Partial<typeof plan.cut>) => tools.decide({ kind: 'trimmed', cut: { ...plan.cut, ...next } })
  const shapes = [
    { value: 0, label: 'free' },
    { value: aspect, label: 'as the picture is' },
    ...(page ? [{ value: page.widthMm / page.heightMm, label: 'as the sheet is' }] : []),
    ...SHAPES.map(([a, b]) => ({ value: aspect >= 1 ? a / b : b / a, label: `${a} : ${b}` })),
  ]
  return (
    <>
      <section>
        <h2 className="head">Shape of the crop</h2>
        <div className="choices">
          <Select
            aria-label="Shape"
            className="wide"
            value={shape ?? 0}
            options={shapes}
            onChange={(next) => {
              onShape(next || undefined)
              if (next) cut(shaped(plan.cut, next, aspect))
            }}
          />
          <p className="soft">
            {crop && `${Math.round(crop.width)} × ${Math.round(crop.height)} of ${m.width} × ${m.height} pixels are printed.`}
            {plan.fit === 'FILL' && ' The frame takes its own shape out of the crop.'}
          </p>
        </div>
      </section>
      <section>
        <h2 className="head">Straighten</h2>
        <div className="choices">
          <div className="row stretch">
            <Slider
              className="grow"
              min={-10}
              max={10}
              step={0.1}
              value={degrees ?? plan.cut.degrees}
              tooltip={{ formatter: (v) => `${fixed(v ?? 0, 1)}°` }}
              onChange={onDegrees}
              onChangeComplete={(v) => {
                onDegrees(undefined)
                cut({ degrees: v })
              }}
              ariaLabelForHandle="Degrees, clockwise"
            />
            <InputNumber
              aria-label="Degrees"
              min={-10}
              max={10}
              step={0.1}
              value={degrees ?? plan.cut.degrees}
              onChange={(v) => v !== null && cut({ degrees: v })}
              className="number"
            />
          </div>
          <Button aria-pressed={level} onClick={() => onLevel(!level)}>
            {level ? 'Draw the line on the picture' : 'By a line along a horizon'}
          </Button>
        </div>
      </section>
      <section>
        <Button
          disabled={JSON.stringify(plan.cut) === JSON.stringify(WHOLE)}
          onClick={() => tools.decide({ kind: 'trimmed', cut: WHOLE })}
        >
          All of the picture, as it came
        </Button>
      </section>
    </>
  )
}
