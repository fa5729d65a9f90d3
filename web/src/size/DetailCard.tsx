import { Input, Radio, Select } from 'antd'
import type { DocketSpec } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Loupe } from '../parts/Loupe'
import type { Place } from '../parts/place'
import { ResolutionScale } from './ResolutionScale'
import { FINENESS } from './words'

/** How fine it is printed. */
export function DetailCard({ view, picture, tools, at }: StationProps & { at: Place }) {
  const sharpening = view.spec.output.sharpening
  const r = view.spec.output.resolution
  const resolve = (next: Partial<DocketSpec['output']['resolution']>) =>
    tools.decide({ kind: 'resolved', resolution: { ...r, ...next } })
  const printed = picture.printed[0]
  const ppi = printed?.ppi ?? 0
  return (
    <>
      <section>
        <h2 className="head">Resolution at this size</h2>
        <ResolutionScale ppi={ppi} />
        <p className="soft">
          {printed && FINENESS[printed.label]}{' '}
          {printed && printed.inputDpi > 0 && `The printer gets ${printed.inputDpi} dpi, made once from the master.`}
        </p>
        <div className="row">
          <Input
            key={ppi}
            aria-label="Pixels per inch"
            className="number"
            defaultValue={`${Math.round(ppi)} ppi`}
            onFocus={(e) => e.target.select()}
            onPressEnter={(e) => e.currentTarget.blur()}
            onBlur={(e) =>
              e.target.value !== `${Math.round(ppi)} ppi` && tools.change({ kind: 'resize', asked: { ppi: e.target.value } })
            }
          />
          <span className="soft">looked at from</span>
          <Select
            aria-label="Viewing distance"
            value={r.viewingMm}
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
        <h2 className="head">Pixels</h2>
        <div className="choices">
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
              onChange={(resamplePpi) => resolve({ resamplePpi })}
              options={[150, 200, 240, 300, 360, 720].map((v) => ({ value: v, label: `${v} ppi` }))}
            />
          )}
        </div>
      </section>
      <section>
        <h2 className="head">Sharpened for the paper</h2>
        <div className="choices">
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            value={sharpening}
            onChange={(e) => tools.decide({ kind: 'sharpened', sharpening: e.target.value })}
            aria-label="Sharpening"
          >
            <Radio.Button value="OFF">off</Radio.Button>
            <Radio.Button value="LIGHT">light</Radio.Button>
            <Radio.Button value="STANDARD">standard</Radio.Button>
            <Radio.Button value="STRONG">strong</Radio.Button>
          </Radio.Group>
          <p className="soft">
            Ink spreads; this gives back what the paper takes, on edges alone. Leave it off for a file that was sharpened for
            print already.
          </p>
          <Loupe view={view} picture={picture} at={at} />
          <p className="soft">Pixels as the printer gets them. Point at another place in the picture to look there.</p>
        </div>
      </section>
    </>
  )
}
