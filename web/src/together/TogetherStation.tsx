import { Button, Select } from 'antd'
import { useState } from 'react'
import { address } from '../api/client'
import type { GangDocket } from '../api/types'
import type { GangProps } from '../docket/useDocket'
import { StationFindings } from '../parts/Findings'
import { mm } from '../parts/numbers'
import { useLifeScale } from '../parts/useLifeScale'
import { PlanChoice } from '../size/PlanChoice'
import { ArrangeCard } from './ArrangeCard'
import { PieceList } from './PieceList'
import { pieceAt, spotsOn } from './spots'
import { TogetherDrawing } from './TogetherDrawing'
import './together.css'

/** What of the roll or of how many sheets it takes. */
const taken = (view: GangDocket) => {
  const { pages, usedLengthMm } = view.layout
  return view.spec.paper.stock.kind === 'roll'
    ? `${view.stockName} · ${mm(usedLengthMm)} mm of it`
    : `${pages.length === 1 ? 'one sheet' : `${pages.length} sheets`} of ${view.stockName}`
}

/** Several pictures on sheets or along a roll: where each lies, and how they are cut apart. */
export function TogetherStation(props: GangProps) {
  const { view, tools, go } = props
  const [sheet, setSheet] = useState(0)
  const [picked, pick] = useState<string>()
  const [life, setLife] = useState(false)
  const [lifeScale] = useLifeScale()
  const pages = view.layout.pages.length
  const shown = Math.min(sheet, pages - 1)
  const byHand = view.spec.plan.arrangement.way === 'BY_HAND'
  const pickItem = (itemId: string) => {
    const page = view.layout.pages.findIndex((p) => p.placed.some((q) => q.itemId === itemId))
    if (page >= 0) setSheet(page)
    pick(view.layout.pages[page]?.placed.find((q) => q.itemId === itemId)?.id)
  }
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          <TogetherDrawing
            view={view}
            page={shown}
            taken={taken(view)}
            picked={picked}
            onPick={pick}
            onMoved={(placedId, to) => {
              const print = pieceAt(view, shown, placedId)
              if (print >= 0) tools.decide({ kind: 'moved', print, to })
            }}
            onTakenOff={(itemId) => tools.decide({ kind: 'taken-off', itemIds: [itemId] })}
            {...(life ? { lifeScale } : {})}
          />
        </div>
        <div className="foot">
          <span>
            {byHand
              ? 'Drag a picture, or move it with the arrow keys; T turns it. New ones come on a page behind.'
              : 'Circles: cuts, in this order, each right across. Drag a picture to place it by hand.'}
          </span>
          {pages > 1 && (
            <Select
              size="small"
              aria-label="Sheet shown"
              value={shown}
              onChange={setSheet}
              options={view.layout.pages.map((_, i) => ({ value: i, label: `${i + 1} of ${pages}` }))}
            />
          )}
          <button type="button" className="textual" aria-pressed={life} onClick={() => setLife(!life)}>
            {life ? 'all of it' : 'life size'}
          </button>
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <StationFindings view={view} tools={tools} stage="SIZE" />
        <PlanChoice {...props} />
        <PieceList {...props} picked={spotsOn(view, shown).find((p) => p.id === picked)?.itemId} onPick={pickItem} />
        <ArrangeCard {...props} />
        <div className="next">
          <Button href={address('/api/dockets/{id}/cuts', { path: { id: view.id } })} target="_blank">
            Workbench page
          </Button>
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}
