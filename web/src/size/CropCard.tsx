import { Button, InputNumber, Select, Slider } from 'antd'
import type { Item } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { fixed } from '../parts/numbers'
import { placedOn } from '../parts/pieces'
import { around, shaped } from './CropView'
import { SHAPES } from './words'

type Props = StationProps & {
  item: Item
  /** A frame takes its own shape out of what is wanted. */
  fills: boolean
  shape: number | undefined
  onShape: (shape: number | undefined) => void
  level: boolean
  onLevel: (level: boolean) => void
  degrees: number | undefined
  onDegrees: (degrees: number | undefined) => void
}

const WHOLE = { x: 0, y: 0, width: 1, height: 1, degrees: 0 }

/** Which part of the picture, and how it is straightened; the master stays as it is. */
export function CropCard({ view, item, fills, picture, tools, shape, onShape, level, onLevel, degrees, onDegrees }: Props) {
  const m = picture.master
  const aspect = m.width / m.height
  const page = view.layout.pages[0]
  const crop = around(placedOn(view))
  const cut = (next: Partial<typeof item.cut>) =>
    tools.decide({ kind: 'trimmed', itemId: item.id, cut: { ...item.cut, ...next } })
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
              if (next) cut(shaped(item.cut, next, aspect))
            }}
          />
          <p className="soft">
            {crop && `${Math.round(crop.width)} × ${Math.round(crop.height)} of ${m.width} × ${m.height} pixels are printed.`}
            {fills && ' The frame takes its own shape out of the crop.'}
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
              value={degrees ?? item.cut.degrees}
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
              value={degrees ?? item.cut.degrees}
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
          disabled={JSON.stringify(item.cut) === JSON.stringify(WHOLE)}
          onClick={() => tools.decide({ kind: 'trimmed', itemId: item.id, cut: WHOLE })}
        >
          All of the picture, as it came
        </Button>
      </section>
    </>
  )
}
