import { Button, Checkbox } from 'antd'
import type { Item } from '../api/types'
import type { GangProps } from '../docket/useDocket'
import { CountField } from '../parts/CountField'
import { placedOn, titleOf, uprightSize } from '../parts/pieces'
import { Typed } from '../parts/Typed'
import { MOST_COPIES } from './PieceList'

type Props = GangProps & { picked: string[]; cropping: boolean; onCrop: (on: boolean) => void }

/** What all picked pieces have alike, or nothing. */
const alike = <T,>(of: T[]): T | undefined => (of.every((v) => v === of[0]) ? of[0] : undefined)

/** Changes one piece, or several at once. */
export function PickedCard({ view, tools, picked, cropping, onCrop }: Props) {
  const items = picked.flatMap((id) => view.spec.items.find((i) => i.id === id) ?? [])
  const first = items[0]
  if (!first) return null
  const itemIds = items.map((i) => i.id)
  const longer = (item: Item) => {
    const placed = placedOn(view).find((p) => p.itemId === item.id)
    const size = placed ? uprightSize(placed) : { width: item.frame.widthMm, height: item.frame.heightMm }
    return Math.round(Math.max(size.width, size.height) * 10) / 10
  }
  const copies = alike(items.map((i) => i.copies))
  const filling = items.filter((i) => i.frame.fit === 'FILL').length
  const turning = items.filter((i) => i.frame.mayTurn).length
  return (
    <section aria-label="Picked">
      <h2 className="head">{items.length === 1 ? titleOf(view, first) : `${items.length} pieces picked`}</h2>
      <div className="choices">
        <div className="row">
          <span>
            longer side{' '}
            <Typed
              label="Longer side"
              value={alike(items.map(longer))}
              onEnter={(text) => tools.change({ kind: 'pieces-size', itemIds, longer: text })}
            />{' '}
            mm
          </span>
          <span>
            <CountField
              label="Copies of each"
              value={copies}
              most={MOST_COPIES}
              onEnter={(next) => tools.decide({ kind: 'all-repeated', itemIds, copies: next })}
            />{' '}
            {items.length === 1 ? 'copies' : 'copies each'}
          </span>
        </div>
        <div className="row">
          <Checkbox
            checked={filling === items.length}
            indeterminate={filling > 0 && filling < items.length}
            onChange={(e) => tools.decide({ kind: 'all-fitted', itemIds, fit: e.target.checked ? 'FILL' : 'WHOLE' })}
          >
            fills its frame
          </Checkbox>
          <Checkbox
            checked={turning === items.length}
            indeterminate={turning > 0 && turning < items.length}
            onChange={(e) => tools.decide({ kind: 'may-turn', itemIds, mayTurn: e.target.checked })}
          >
            may be turned
          </Checkbox>
        </div>
        <div className="row">
          {items.length === 1 && (
            <Button size="small" aria-pressed={cropping} onClick={() => onCrop(!cropping)}>
              {cropping ? 'Done' : 'Crop …'}
            </Button>
          )}
          <Button size="small" onClick={() => tools.change({ kind: 'copy-pieces', itemIds })}>
            Once more
          </Button>
          <Button
            size="small"
            disabled={items.length === view.spec.plan.pieces.length}
            onClick={() => tools.decide({ kind: 'taken-off', itemIds })}
          >
            Take off
          </Button>
        </div>
      </div>
    </section>
  )
}
