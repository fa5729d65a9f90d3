import { Button } from 'antd'
import { masterUrl } from '../api/pictures'
import type { StationProps } from '../docket/useDocket'
import { Booth } from '../parts/BoothPicture'
import { BOOTH } from '../parts/booth'
import { Findings } from '../parts/Findings'
import { megabytes, mm, percent } from '../parts/numbers'
import { HistogramPlot } from './HistogramPlot'

export function PictureStation({ view, picture, tools, go }: StationProps) {
  const m = picture.master
  return (
    <div className="station">
      <Booth foot={<span>The master, as it came. It is never altered.</span>}>
        <img src={masterUrl(m.hash, BOOTH)} alt={`Master: ${view.spec.title}`} />
      </Booth>
      <aside className="card" aria-label="Picture">
        <section>
          <h2 className="head">What came in</h2>
          <dl className="rows">
            <dt>file</dt>
            <dd>
              {m.format}, {m.width} × {m.height} pixels, {m.bits} bit, {megabytes(m.bytes)}
            </dd>
            <dt>profile</dt>
            <dd>{m.profileName || `none: read as ${picture.sourceName}`}</dd>
          </dl>
        </section>
        <Findings findings={view.findings.filter((f) => f.stage === 'PICTURE')} tools={tools} />
        <section>
          <h2 className="head">Levels</h2>
          <HistogramPlot histogram={m.histogram} />
          <dl className="rows">
            <dt>bare paper</dt>
            <dd>{percent(m.histogram.bareShare)} of the picture gets no ink at all</dd>
            <dt>solid black</dt>
            <dd>{percent(m.histogram.solidShare)} of it</dd>
          </dl>
        </section>
        <section>
          <h2 className="head">How large it can go</h2>
          <dl className="rows">
            <dt>fine</dt>
            <dd>up to {mm(Math.round(picture.reach.fineMm))} mm on its long side (300 ppi)</dd>
            <dt>good</dt>
            <dd>up to {mm(Math.round(picture.reach.goodMm))} mm (200 ppi)</dd>
            <dt>just enough</dt>
            <dd>up to {mm(Math.round(picture.reach.fairMm))} mm (150 ppi)</dd>
          </dl>
        </section>
        <div className="next">
          <span />
          <Button type="primary" onClick={() => go('paper')}>
            On to the paper
          </Button>
        </div>
      </aside>
    </div>
  )
}
