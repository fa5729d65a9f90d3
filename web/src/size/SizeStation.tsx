import { Button, Input, Radio, Select } from 'antd'
import type { SizeDecisions } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Findings } from '../parts/Findings'
import { mm, percent } from '../parts/numbers'
import { ResolutionScale } from './ResolutionScale'
import { SheetDrawing } from './SheetDrawing'
import { FINENESS } from './words'

export function SizeStation({ view, tools, go }: StationProps) {
  const z = view.decisions.size
  const p = view.placement
  const set = (next: Partial<SizeDecisions>) => tools.decide((d) => ({ ...d, size: { ...d.size, ...next } }))
  const m = p.margins
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          <SheetDrawing
            view={view}
            onLength={(side, text) =>
              tools.change(side === 'width' ? { kind: 'resize', width: text } : { kind: 'resize', height: text })
            }
            onCrop={set}
          />
        </div>
        <div className="foot">
          {m.top + m.bottom + m.left + m.right > 0
            ? `Hatched: this feed can't print there (left ${mm(m.left)}, right ${mm(m.right)}, above ${mm(m.top)}, below ${mm(m.bottom)} mm).`
            : 'Choose a paper to see where its feed cannot print.'}
          {z.fit === 'FILL' && p.lostShare > 0.0005 && ' Drag the picture to move the crop.'}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <section>
          <h2 className="head">Resolution at this size</h2>
          <ResolutionScale ppi={p.ppi} />
          <p className="soft">
            {FINENESS[view.ppiLabel]}{' '}
            {z.pixels === 'KEEP'
              ? "Pixels are kept as they are; the printer's own resolution is made once, at the very end."
              : ''}
          </p>
          <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginTop: 6 }}>
            <Input
              key={p.ppi}
              aria-label="Pixels per inch"
              style={{ width: 90 }}
              defaultValue={`${Math.round(p.ppi)} ppi`}
              onFocus={(e) => e.target.select()}
              onPressEnter={(e) => e.currentTarget.blur()}
              onBlur={(e) =>
                e.target.value !== `${Math.round(p.ppi)} ppi` && tools.change({ kind: 'resize', ppi: e.target.value })
              }
            />
            <span className="soft">looked at from</span>
            <Select
              aria-label="Viewing distance"
              value={z.viewingMm}
              style={{ width: 110 }}
              onChange={(viewingMm) => set({ viewingMm })}
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
              value={z.sheet}
              style={{ width: 220 }}
              onChange={(sheet) => set({ sheet })}
              options={view.options.sheets.map((s) => ({ value: s.value, label: s.label }))}
            />
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              value={z.fit}
              onChange={(e) => set({ fit: e.target.value })}
              aria-label="Fit"
            >
              <Radio.Button value="WHOLE">all of it</Radio.Button>
              <Radio.Button value="FILL">fill the frame</Radio.Button>
            </Radio.Group>
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              value={z.borders}
              onChange={(e) => set({ borders: e.target.value })}
              aria-label="Borders"
            >
              <Radio.Button value="EVEN">even borders</Radio.Button>
              <Radio.Button value="HEAVIER_FOOT">heavier foot</Radio.Button>
            </Radio.Group>
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              value={z.pixels}
              onChange={(e) => set({ pixels: e.target.value })}
              aria-label="Pixels"
            >
              <Radio.Button value="KEEP">keep the pixels</Radio.Button>
              <Radio.Button value="RESAMPLE">resample to…</Radio.Button>
            </Radio.Group>
            {z.pixels === 'RESAMPLE' && (
              <Select
                aria-label="Resample to"
                value={z.resamplePpi}
                style={{ width: 120 }}
                onChange={(resamplePpi) => set({ resamplePpi })}
                options={[150, 200, 240, 300, 360, 720].map((v) => ({ value: v, label: `${v} ppi` }))}
              />
            )}
          </div>
        </section>
        <section>
          <h2 className="head">How it lies on the paper</h2>
          <p className="soft">
            {percent(Math.max(0, 1 - (p.width * p.height) / (p.sheetWidthMm * p.sheetHeightMm)))} of the sheet stays bare.
            {p.lostShare > 0.0005 && ` ${percent(p.lostShare)} of the picture is cropped away.`}
          </p>
        </section>
        <Findings findings={view.findings.filter((f) => f.station === 'SIZE' && f.code !== 'cropped')} tools={tools} />
        <div className="next">
          <Button onClick={() => set({ across: !z.across })}>Turn the sheet</Button>
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}
