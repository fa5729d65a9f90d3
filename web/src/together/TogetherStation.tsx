import { Button, Select } from 'antd'
import { useState } from 'react'
import { address } from '../api/client'
import type { GangDocket } from '../api/types'
import type { GangProps } from '../docket/useDocket'
import { StationFindings } from '../parts/Findings'
import { mm } from '../parts/numbers'
import { useLifeScale } from '../parts/useLifeScale'
import { CropView } from '../size/CropView'
import { PlanChoice } from '../size/PlanChoice'
import { ArrangeCard } from './ArrangeCard'
import { CaptionCard } from './CaptionCard'
import { PickedCard } from './PickedCard'
import { PieceList } from './PieceList'
import { pieceAt } from './spots'
import { TogetherDrawing } from './TogetherDrawing'
import { useTriedLayout } from './useTriedLayout'
import './together.css'

/** What of the roll or of how many sheets it takes. */
const taken = (view: GangDocket, tried: GangDocket['layout'] | undefined) => {
  const { pages, usedLengthMm } = tried ?? view.layout
  return view.spec.paper.stock.kind === 'roll'
    ? `${view.stockName} · ${mm(usedLengthMm)} mm of it`
    : `${pages.length === 1 ? 'one sheet' : `${pages.length} sheets`} of ${view.stockName}`
}

/** Several pictures on sheets or along a roll: where each lies, and how they are cut apart. */
export function TogetherStation(props: GangProps) {
  const { view, tools, go } = props
  const [sheet, setSheet] = useState(0)
  const [picked, pick] = useState<string[]>([])
  const [told, tell] = useState<string>()
  const [cropping, crop] = useState<string>()
  const [life, setLife] = useState(false)
  const [lifeScale] = useLifeScale()
  const [tried, attempt] = useTriedLayout(view)
  const pages = view.layout.pages.length
  const shown = Math.min(sheet, pages - 1)
  const byHand = view.spec.plan.arrangement.way === 'BY_HAND'
  const there = picked.filter((id) => view.spec.plan.pieces.includes(id))
  /** One more, or one less where it was picked already; alone where it isn't to be beside the others. */
  const choose = (itemId: string, more: boolean) =>
    pick(!more ? [itemId] : there.includes(itemId) ? there.filter((i) => i !== itemId) : [...there, itemId])
  const pickItem = (itemId: string, more: boolean) => {
    const page = view.layout.pages.findIndex((p) => p.placed.some((q) => q.itemId === itemId))
    if (page >= 0 && !more) setSheet(page)
    tell(view.layout.pages[page]?.placed.find((q) => q.itemId === itemId)?.id)
    choose(itemId, more)
  }
  const cropped = view.spec.items.find((i) => i.id === cropping)
  const croppedPicture = view.pictures.find((p) => p.renditionId === cropped?.renditionId)
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          {cropped && croppedPicture ? (
            <CropView
              view={view}
              item={cropped}
              fills={cropped.frame.fit === 'FILL'}
              picture={croppedPicture}
              shape={undefined}
              level={false}
              degrees={cropped.cut.degrees}
              onCut={(cut) => tools.decide({ kind: 'trimmed', itemId: cropped.id, cut })}
              onPan={(cropX, cropY) => tools.decide({ kind: 'cropped', itemId: cropped.id, cropX, cropY })}
              onLevel={() => {}}
            />
          ) : (
            <TogetherDrawing
              view={view}
              tried={tried}
              page={shown}
              taken={taken(view, tried)}
              picked={there}
              told={told}
              onPick={(placed, more) => {
                tell(placed.id)
                choose(placed.itemId, more)
              }}
              onSized={(itemId, longer) => tools.change({ kind: 'pieces-size', itemIds: [itemId], longer: `${longer}` })}
              onSizing={attempt}
              onMoved={(placedId, to) => {
                const print = pieceAt(view, shown, placedId)
                if (print >= 0) tools.decide({ kind: 'moved', print, to })
              }}
              onTakenOff={(itemId) => tools.decide({ kind: 'taken-off', itemIds: [itemId] })}
              {...(life ? { lifeScale } : {})}
            />
          )}
        </div>
        <div className="foot">
          <span>
            {cropped
              ? 'Drag the corners, or the picture behind them. What is pale is not printed.'
              : byHand
                ? 'Drag a picture, or move it with the arrow keys; T turns it. New ones come on a page behind.'
                : view.layout.cuts.length > 0
                  ? 'Circles: cuts, in this order, each right across. Drag a picture to place it by hand.'
                  : 'Drag a picture to place it by hand.'}
          </span>
          {cropped && (
            <button type="button" className="textual" onClick={() => crop(undefined)}>
              back to the sheet
            </button>
          )}
          {!cropped && pages > 1 && (
            <Select
              size="small"
              aria-label="Sheet shown"
              value={shown}
              onChange={setSheet}
              options={view.layout.pages.map((_, i) => ({ value: i, label: `${i + 1} of ${pages}` }))}
            />
          )}
          {!cropped && (
            <button type="button" className="textual" aria-pressed={life} onClick={() => setLife(!life)}>
              {life ? 'all of it' : 'life size'}
            </button>
          )}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <StationFindings view={view} tools={tools} stage="SIZE" />
        <PlanChoice {...props} />
        <PieceList {...props} picked={there} onPick={pickItem} onAll={() => pick([...view.spec.plan.pieces])} />
        {there.length > 0 && (
          <PickedCard
            {...props}
            picked={there}
            cropping={cropping !== undefined}
            onCrop={(on) => crop(on ? there[0] : undefined)}
          />
        )}
        <ArrangeCard {...props} onGutter={(gutterMm) => attempt({ gutterMm })} />
        <CaptionCard {...props} picked={there} />
        <div className="next">
          {view.layout.cuts.length > 0 && (
            <Button href={address('/api/dockets/{id}/cuts', { path: { id: view.id } })} target="_blank">
              Workbench page
            </Button>
          )}
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}
