import { Button } from 'antd'
import { address } from '../api/client'
import { itemOf } from '../api/pictures'
import type { TiledProps } from '../docket/useDocket'
import { StationFindings } from '../parts/Findings'
import { mm } from '../parts/numbers'
import { Typed } from '../parts/Typed'
import { OwnMarkOf } from '../size/AroundCard'
import { PlanChoice } from '../size/PlanChoice'
import { JoinCard } from './JoinCard'
import { SheetsStrip } from './SheetsStrip'
import { StocksTable } from './StocksTable'
import { TiledDrawing } from './TiledDrawing'
import { wholeOf } from './words'
import './tiles.css'

/** One picture over several sheets: where it is parted, on which sheets, and how they are joined. */
export function TiledStation(props: TiledProps) {
  const { view, picture, tools, go } = props
  const parted = view.planned.kind === 'parted' ? view.planned : undefined
  const { width, height } = wholeOf(view).atMm
  const itemId = view.spec.plan.itemId
  const resize = (side: 'width' | 'height', text: string) =>
    tools.change({
      kind: 'piece-size',
      itemId,
      asked: side === 'width' ? { width: text } : { height: text },
    })
  const ppi = picture.printed[0]?.ppi
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          <TiledDrawing
            view={view}
            onMoved={(seam, toMm) =>
              tools.decide({ kind: 'seam-moved', betweenColumns: seam.betweenColumns, seam: seam.index, toMm })
            }
            onLength={resize}
          />
        </div>
        {parted && <SheetsStrip view={view} columns={parted.columns} rows={parted.rows} />}
        <div className="foot">
          <span>Pale bands: printed on both neighbours. Dashed: where the joint is seen.</span>
          {parted && parted.movedMm > 0.5 && (
            <span>
              moved by up to {mm(parted.movedMm)} mm ·{' '}
              <button type="button" className="textual" onClick={() => tools.decide({ kind: 'sheets-parted', choice: 'EVEN' })}>
                back to even
              </button>
            </span>
          )}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <StationFindings view={view} tools={tools} stage="SIZE" />
        <PlanChoice {...props} />
        <section>
          <h2 className="head">Finished</h2>
          <p>
            <Typed label="Width" value={width} onEnter={(text) => resize('width', text)} /> ×{' '}
            <Typed label="Height" value={height} onEnter={(text) => resize('height', text)} /> mm
            {ppi ? `, ${Math.round(ppi)} ppi` : ''}
            {ppi ? `: fine from ${distance(ppi)} away` : ''}
          </p>
        </section>
        <StocksTable view={view} tools={tools} />
        <JoinCard view={view} tools={tools} />
        <OwnMarkOf item={itemOf(view)} tools={tools} />
        <div className="next">
          <Button href={address('/api/dockets/{id}/joining', { path: { id: view.id } })} target="_blank">
            Page for the workbench
          </Button>
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}

/** From where an eye can't tell its pixels apart: 3438 over the pixels an inch, in inches. */
function distance(ppi: number): string {
  const cm = (3438 / ppi) * 2.54
  return cm < 100 ? `${Math.round(cm / 5) * 5 || 5} cm` : `${(cm / 100).toFixed(1)} m`
}
