import { Button, Segmented, Select } from 'antd'
import { type ReactNode, useState } from 'react'
import { itemOf } from '../api/pictures'
import type { GangDocket, SheetDocket, StripDocket, TiledDocket, WrapDocket } from '../api/types'
import type { SheetProps, StationProps } from '../docket/useDocket'
import { StationFindings } from '../parts/Findings'
import { percent } from '../parts/numbers'
import { useLifeScale } from '../parts/useLifeScale'
import { AroundCard } from './AroundCard'
import { CropCard } from './CropCard'
import { CropView } from './CropView'
import { DetailCard } from './DetailCard'
import { LayCard } from './LayCard'
import { SheetDrawing } from './SheetDrawing'
import './size.css'
import { StripStation } from '../strip/StripStation'
import { TiledStation } from '../tiles/TiledStation'
import { TogetherStation } from '../together/TogetherStation'
import { WrapStation } from '../wrap/WrapStation'
import { PlanChoice } from './PlanChoice'
import type { PlanKind } from './plans'
import { FACES, type Face, footWords } from './words'

/** A new plan doesn't compile until it has one. */
const STATIONS: Record<PlanKind, (props: StationProps) => ReactNode> = {
  single: (props) => <SheetStation {...props} view={props.view as SheetDocket} />,
  gang: (props) => <TogetherStation {...props} view={props.view as GangDocket} />,
  tiled: (props) => <TiledStation {...props} view={props.view as TiledDocket} />,
  strip: (props) => <StripStation {...props} view={props.view as StripDocket} />,
  wrap: (props) => <WrapStation {...props} view={props.view as WrapDocket} />,
}

export function SizeStation(props: StationProps) {
  return STATIONS[props.view.spec.plan.kind](props)
}

function SheetStation(props: SheetProps) {
  const { view, picture, tools, go } = props
  const [face, setFace] = useState<Face>('lay')
  const [shape, setShape] = useState<number>()
  const [level, setLevel] = useState(false)
  const [degrees, setDegrees] = useState<number>()
  const [life, setLife] = useState(false)
  const [sheet, setSheet] = useState(0)
  const [at, setAt] = useState({ x: 0.5, y: 0.5 })
  const [lifeScale] = useLifeScale()
  const item = itemOf(view)
  const sheets = view.layout.pages.length
  const lost = view.layout.losses.reduce((sum, l) => sum + l.share, 0)
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          {face === 'crop' ? (
            <CropView
              view={view}
              item={item}
              fills={item.frame.fit === 'FILL'}
              picture={picture}
              shape={shape}
              level={level}
              degrees={degrees ?? item.cut.degrees}
              onCut={(cut) => tools.decide({ kind: 'trimmed', itemId: item.id, cut })}
              onPan={(cropX, cropY) => tools.decide({ kind: 'cropped', itemId: item.id, cropX, cropY })}
              onLevel={(next) => {
                setLevel(false)
                tools.decide({ kind: 'trimmed', itemId: item.id, cut: { ...item.cut, degrees: next } })
              }}
            />
          ) : (
            <SheetDrawing
              view={view}
              onLength={(side, text) => tools.change({ kind: 'resize', asked: { [side]: text } })}
              onLaid={(at) => tools.decide({ kind: 'laid', at })}
              sheet={Math.min(sheet, sheets - 1)}
              handles={face === 'lay'}
              {...(life ? { lifeScale } : {})}
              {...(face === 'detail' ? { picked: at, onPick: setAt } : {})}
            />
          )}
        </div>
        <div className="foot">
          <span>{footWords(face, life, view)}</span>
          {face !== 'crop' && sheets > 1 && (
            <Select
              size="small"
              aria-label="Sheet shown"
              value={Math.min(sheet, sheets - 1)}
              onChange={setSheet}
              options={view.layout.pages.map((_, i) => ({ value: i, label: `sheet ${i + 1} of ${sheets}` }))}
            />
          )}
          {face !== 'crop' && (
            <button type="button" className="textual" aria-pressed={life} onClick={() => setLife(!life)}>
              {life ? 'all of the sheet' : 'life size'}
            </button>
          )}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <StationFindings view={view} tools={tools} stage="SIZE" without={['CROPPED']} />
        <PlanChoice {...props} />
        <Segmented block aria-label="What to decide" value={face} onChange={setFace} options={FACES} />
        {face === 'lay' && <LayCard {...props} />}
        {face === 'crop' && (
          <CropCard
            {...props}
            item={item}
            fills={item.frame.fit === 'FILL'}
            shape={shape}
            onShape={setShape}
            level={level}
            onLevel={setLevel}
            degrees={degrees}
            onDegrees={setDegrees}
          />
        )}
        {face === 'around' && <AroundCard {...props} />}
        {face === 'detail' && <DetailCard {...props} at={at} />}
        <p className="soft">
          {percent(view.bareShare)} of the paper stays bare.
          {lost > 0 && ` ${percent(lost)} of the picture is not printed.`}
        </p>
        <div className="next">
          <span />
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}
