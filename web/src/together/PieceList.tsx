import { Button, Dropdown, Modal, Select } from 'antd'
import { useRef, useState } from 'react'
import { masterThumbnail, treated } from '../api/pictures'
import type { GangDocket, Item } from '../api/types'
import type { GangProps } from '../docket/useDocket'
import { CountField } from '../parts/CountField'
import { mm } from '../parts/numbers'
import { placedOn, titleOf, treatmentOf, uprightSize } from '../parts/pieces'
import { Typed } from '../parts/Typed'
import { FromBench } from './FromBench'

type Props = GangProps & {
  picked: string[]
  /** @param more beside those that are picked already */
  onPick: (itemId: string, more: boolean) => void
  onAll: () => void
}

export const MOST_COPIES = 500
/** Of what is dragged in the list. */
const PIECE = 'application/x-wistel-piece'

/** Every piece with its size and copies, and the ways in which more come in. */
export function PieceList({ view, tools, picked, onPick, onAll }: Props) {
  const chooser = useRef<HTMLInputElement>(null)
  const [dialog, setDialog] = useState<'bench' | 'sizes'>()
  const pieces = view.spec.plan.pieces.flatMap((id) => view.spec.items.find((i) => i.id === id) ?? [])
  const chosen = pieces.find((i) => i.id === picked[0]) ?? pieces[0]
  return (
    <section>
      <h2 className="head">
        What lies on it
        {pieces.length > 1 && picked.length < pieces.length && (
          <button type="button" className="textual all" onClick={onAll}>
            pick all {pieces.length}
          </button>
        )}
      </h2>
      <ul className="pieces" aria-label="Pieces">
        {pieces.map((item) => (
          <Piece
            onOrder={(moved, before) => {
              const rest = view.spec.plan.pieces.filter((id) => id !== moved)
              const at = before === undefined ? rest.length : rest.indexOf(before)
              tools.decide({ kind: 'reordered', itemIds: [...rest.slice(0, at), moved, ...rest.slice(at)] })
            }}
            key={item.id}
            view={view}
            tools={tools}
            item={item}
            picked={picked.includes(item.id)}
            onPick={onPick}
          />
        ))}
      </ul>
      <div className="row">
        <Dropdown
          menu={{
            items: [
              { key: 'files', label: 'picture files …', onClick: () => chooser.current?.click() },
              { key: 'bench', label: 'dockets that wait for this paper …', onClick: () => setDialog('bench') },
              { key: 'sizes', label: 'the same picture in other sizes …', onClick: () => setDialog('sizes') },
            ],
          }}
          trigger={['click']}
        >
          <Button>Add …</Button>
        </Dropdown>
        <span className="soft">or drop pictures here</span>
        <input
          ref={chooser}
          type="file"
          multiple
          hidden
          aria-label="More picture files"
          data-testid="more-pictures"
          onChange={(e) => {
            tools.bring([...(e.target.files ?? [])])
            e.target.value = ''
          }}
        />
      </div>
      {dialog === 'bench' && <FromBench view={view} tools={tools} onClose={() => setDialog(undefined)} />}
      {dialog === 'sizes' && chosen && <MoreSizes view={view} tools={tools} item={chosen} onClose={() => setDialog(undefined)} />}
    </section>
  )
}

function Piece({
  view,
  tools,
  item,
  picked,
  onPick,
  onOrder,
}: Omit<Props, 'picked' | 'onAll' | 'picture' | 'go'> & {
  item: Item
  picked: boolean
  /** A piece comes before another one, or behind all. */
  onOrder: (moved: string, before: string | undefined) => void
}) {
  const { pieces } = view.spec.plan
  const nth = pieces.indexOf(item.id)
  const ordered = view.spec.plan.arrangement.way === 'ROWS'
  const picture = view.pictures.find((p) => p.renditionId === item.renditionId)
  const title = titleOf(view, item)
  const size = sizeOf(view, item)
  const left = view.layout.unplaced.some((u) => u.itemId === item.id)
  return (
    <li
      className={picked ? 'picked' : ''}
      draggable={ordered}
      onDragStart={(e) => e.dataTransfer.setData(PIECE, item.id)}
      onDragOver={(e) => e.dataTransfer.types.includes(PIECE) && e.preventDefault()}
      onDrop={(e) => {
        const moved = e.dataTransfer.getData(PIECE)
        if (!moved) return
        e.preventDefault()
        e.stopPropagation()
        if (moved !== item.id) onOrder(moved, pieces.indexOf(moved) < nth ? pieces[nth + 1] : item.id)
      }}
    >
      <button
        type="button"
        className="which"
        aria-pressed={picked}
        {...(ordered ? { title: 'Alt with the up or down arrow moves it in the order' } : {})}
        onKeyDown={(e) => {
          if (!ordered || !e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return
          e.preventDefault()
          if (e.key === 'ArrowUp' && nth > 0) onOrder(item.id, pieces[nth - 1])
          if (e.key === 'ArrowDown' && nth < pieces.length - 1) onOrder(item.id, pieces[nth + 2])
        }}
        onClick={(e) => onPick(item.id, e.shiftKey || e.ctrlKey || e.metaKey)}
      >
        {picture && (
          <img
            loading="lazy"
            src={masterThumbnail(picture.master.hash, 120, treated(treatmentOf(view, item.renditionId)))}
            alt=""
          />
        )}
        <span>
          {title}
          {left && <i>not all of it lies on the paper</i>}
        </span>
      </button>
      <span className="size">
        <Typed
          label={`Width of ${title}`}
          value={size.width}
          onEnter={(width) => tools.change({ kind: 'piece-size', itemId: item.id, asked: { width } })}
        />
        ×
        <Typed
          label={`Height of ${title}`}
          value={size.height}
          onEnter={(height) => tools.change({ kind: 'piece-size', itemId: item.id, asked: { height } })}
        />
      </span>
      <CountField
        label={`Copies of ${title}`}
        value={item.copies}
        most={MOST_COPIES}
        onEnter={(copies) => tools.decide({ kind: 'repeated', itemId: item.id, copies })}
      />
      <Button
        type="text"
        size="small"
        aria-label={`Take ${title} off`}
        title="Take it off"
        disabled={view.spec.plan.pieces.length === 1}
        onClick={() => tools.decide({ kind: 'taken-off', itemIds: [item.id] })}
      >
        ×
      </Button>
    </li>
  )
}

/** As large as it lies; a piece that lies nowhere is as large as its frame. */
function sizeOf(view: GangDocket, item: Item) {
  const placed = placedOn(view).find((p) => p.itemId === item.id)
  return placed ? uprightSize(placed) : { width: item.frame.widthMm, height: item.frame.heightMm }
}

/** Sizes that prints are commonly ordered in. */
const COMMON = [
  ['100', '150'],
  ['130', '180'],
  ['200', '300'],
  ['300', '400'],
  ['400', '600'],
]

function MoreSizes({ view, tools, item, onClose }: Pick<Props, 'view' | 'tools'> & { item: Item; onClose: () => void }) {
  const [sizes, setSizes] = useState<string[]>([])
  return (
    <Modal
      open
      title={`${titleOf(view, item)} in other sizes`}
      okText="Lay them"
      cancelText="Leave it"
      okButtonProps={{ disabled: sizes.length === 0 }}
      onCancel={onClose}
      onOk={() => {
        tools.change({
          kind: 'more-sizes',
          itemId: item.id,
          sizes: sizes.map((s) => {
            const [width = '', height = ''] = s.split('×').map((part) => part.trim())
            return { width, height, copies: 1 }
          }),
        })
        onClose()
      }}
    >
      <p>
        Each frame is filled with the picture; what another shape cuts off is told. Write your own as 30cm × 45cm or 8in × 10in.
      </p>
      <Select
        mode="tags"
        className="wide"
        aria-label="Sizes"
        value={sizes}
        onChange={setSizes}
        tokenSeparators={[';']}
        options={COMMON.map(([a, b]) => ({ value: `${a} × ${b}`, label: `${mm(Number(a))} × ${mm(Number(b))} mm` }))}
        style={{ width: '100%' }}
      />
    </Modal>
  )
}
