import { Button, Input, Radio, Select } from 'antd'
import type { DocketSpec } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Findings } from '../parts/Findings'
import { mm, percent } from '../parts/numbers'
import { ResolutionScale } from './ResolutionScale'
import { SheetDrawing } from './SheetDrawing'
import { FINENESS } from './words'

export function SizeStation({ view, picture, tools, go }: StationProps) {
  const plan = view.spec.plan
  const r = view.spec.resolution
  const resolve = (next: Partial<DocketSpec['resolution']>) => tools.decide({ kind: 'resolved', resolution: { ...r, ...next } })
  const m = view.layout.pages[0]?.unprintable ?? { top: 0, right: 0, bottom: 0, left: 0 }
  const lost = view.layout.losses.reduce((sum, l) => sum + l.share, 0)
  const printed = picture.printed[0]
  const ppi = printed?.ppi ?? 0
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          <SheetDrawing
            view={view}
            onLength={(side, text) =>
              tools.change(side === 'width' ? { kind: 'resize', width: text } : { kind: 'resize', height: text })
            }
            onCrop={(cropX, cropY) => tools.decide({ kind: 'cropped', cropX, cropY })}
          />
        </div>
        <div className="foot">
          {m.top + m.bottom + m.left + m.right > 0
            ? `Hatched: this feed can't print there (left ${mm(m.left)}, right ${mm(m.right)}, above ${mm(m.top)}, below ${mm(m.bottom)} mm).`
            : 'Choose a paper to see where its feed cannot print.'}
          {lost > 0 && ' Drag the picture to move the crop.'}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <section>
          <h2 className="head">Resolution at this size</h2>
          <ResolutionScale ppi={ppi} />
          <p className="soft">
            {printed && FINENESS[printed.label]}{' '}
            {printed && printed.inputDpi > 0 && `The printer gets ${printed.inputDpi} dpi, made once from the master.`}
          </p>
          <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginTop: 6 }}>
            <Input
              key={ppi}
              aria-label="Pixels per inch"
              style={{ width: 90 }}
              defaultValue={`${Math.round(ppi)} ppi`}
              onFocus={(e) => e.target.select()}
              onPressEnter={(e) => e.currentTarget.blur()}
              onBlur={(e) => e.target.value !== `${Math.round(ppi)} ppi` && tools.change({ kind: 'resize', ppi: e.target.value })}
            />
            <span className="soft">looked at from</span>
            <Select
              aria-label="Viewing distance"
              value={r.viewingMm}
              style={{ width: 110 }}
              onChange={(viewingMm) => resolve({ viewingMm })}
              options={[
                { value: 0, label: 'the hand' },
                { value: 500, label: '50 cm' },
                { value: 1000, label: '1 m' },
                { value: 2000, label: '2 m' },
              ]}
            />
          </div>
        </section>
        <section>
          <h2 className="head">Picture and sheet</h2>
          <div style={{ display: 'grid', gap: 7, justifyItems: 'start' }}>
            <Select
              aria-label="Sheet"
              value={view.spec.stock.name}
              style={{ width: 220 }}
              onChange={(name) => {
                const choice = view.options.sheets.find((s) => s.sheet.name === name)
                if (choice) tools.decide({ kind: 'stocked', stock: choice.sheet })
              }}
              options={view.options.sheets.map((s) => ({ value: s.sheet.name, label: s.label }))}
            />
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              value={plan.fit}
              onChange={(e) => tools.decide({ kind: 'fitted', fit: e.target.value })}
              aria-label="Fit"
            >
              <Radio.Button value="WHOLE">all of it</Radio.Button>
              <Radio.Button value="FILL">fill the frame</Radio.Button>
            </Radio.Group>
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              value={plan.borders}
              onChange={(e) => tools.decide({ kind: 'bordered', borders: e.target.value })}
              aria-label="Borders"
            >
              <Radio.Button value="EVEN">even borders</Radio.Button>
              <Radio.Button value="HEAVIER_FOOT">heavier foot</Radio.Button>
            </Radio.Group>
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              value={r.pixels}
              onChange={(e) => resolve({ pixels: e.target.value })}
              aria-label="Pixels"
            >
              <Radio.Button value="KEEP">keep the pixels</Radio.Button>
              <Radio.Button value="RESAMPLE">resample to…</Radio.Button>
            </Radio.Group>
            {r.pixels === 'RESAMPLE' && (
              <Select
                aria-label="Resample to"
                value={r.resamplePpi}
                style={{ width: 120 }}
                onChange={(resamplePpi) => resolve({ resamplePpi })}
                options={[150, 200, 240, 300, 360, 720].map((v) => ({ value: v, label: `${v} ppi` }))}
              />
            )}
          </div>
        </section>
        <section>
          <h2 className="head">How it lies on the paper</h2>
          <p className="soft">
            {percent(view.bareShare)} of the sheet stays bare.
            {lost > 0 && ` ${percent(lost)} of the picture is cropped away.`}
          </p>
        </section>
        <Findings findings={view.findings.filter((f) => f.stage === 'SIZE' && f.code !== 'cropped')} tools={tools} />
        <div className="next">
          <Button onClick={() => tools.decide({ kind: 'turned' })}>Turn the sheet</Button>
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}
