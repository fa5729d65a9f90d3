import { Button, Checkbox, Radio, Select, Slider } from 'antd'
import { useState } from 'react'
import type { Arrangement } from '../api/types'
import type { GangProps } from '../docket/useDocket'
import { CountField } from '../parts/CountField'
import { percent } from '../parts/numbers'
import { Typed } from '../parts/Typed'
import { ControlStripBox } from '../size/AroundCard'
import { StockSelect } from '../size/StockSelect'

type Rows = Arrangement['rows']
const USUAL_A_PAGE = 20
const MOST_A_PAGE = 500

const WAYS: { value: Arrangement['way']; name: string }[] = [
  { value: 'TIGHTEST', name: 'tightest' },
  { value: 'CUT_ACROSS', name: 'cut right across' },
  { value: 'ROWS', name: 'in rows' },
  { value: 'BY_HAND', name: 'by hand' },
]

type Props = GangProps & {
  /** While it is dragged, in mm. */
  onGutter: (mm: number) => void
}

const WIDEST_GUTTER = 50

/** On what they lie, and how they find their places. */
export function ArrangeCard({ view, tools, onGutter }: Props) {
  const [dragged, drag] = useState<number>()
  const { arrangement, pieces } = view.spec.plan
  const { stocks } = view.options
  const items = view.spec.items.filter((i) => pieces.includes(i.id))
  const turning = items.filter((i) => i.frame.mayTurn).length
  const joined = view.planned.joined.flat().length
  const roll = view.spec.paper.stock.kind === 'roll'
  return (
    <>
      <section>
        <h2 className="head">How they are laid</h2>
        <div className="choices">
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            aria-label="How they are laid"
            value={arrangement.way}
            onChange={(e) => tools.change({ kind: 'arrange', asked: { way: e.target.value } })}
          >
            {WAYS.map((w) => (
              <Radio.Button key={w.value} value={w.value}>
                {w.name}
              </Radio.Button>
            ))}
          </Radio.Group>
          <div className="row">
            <Checkbox
              checked={turning === items.length}
              indeterminate={turning > 0 && turning < items.length}
              onChange={(e) => tools.decide({ kind: 'may-turn', itemIds: pieces, mayTurn: e.target.checked })}
            >
              may be turned
            </Checkbox>
            <span>
              gutter{' '}
              <Typed
                label="Gutter"
                value={dragged ?? arrangement.gutterMm}
                onEnter={(gutter) => tools.change({ kind: 'arrange', asked: { gutter } })}
              />{' '}
              mm
            </span>
            <Slider
              className="gutter"
              min={0}
              max={WIDEST_GUTTER}
              value={dragged ?? arrangement.gutterMm}
              tooltip={{ open: false }}
              ariaLabelForHandle="Gutter, dragged"
              onChange={(mm) => {
                drag(mm)
                onGutter(mm)
              }}
              onChangeComplete={(mm) => {
                drag(undefined)
                tools.change({ kind: 'arrange', asked: { gutter: `${mm}` } })
              }}
            />
            <Checkbox
              checked={arrangement.cutMarks}
              onChange={(e) => tools.change({ kind: 'arrange', asked: { cutMarks: e.target.checked } })}
            >
              cut marks
            </Checkbox>
            <ControlStripBox view={view} tools={tools}>
              control strip
            </ControlStripBox>
          </div>
          {arrangement.way === 'ROWS' && <RowsRow {...{ view, tools }} />}
          <p className="soft" data-testid="bare">
            {percent(view.planned.bareShare)} stays bare
            {(arrangement.way === 'TIGHTEST' || arrangement.way === 'CUT_ACROSS') &&
              `; ${percent(view.planned.leastBareShare)} is the least that a bound allows`}
            .{joined > 0 && ` ${joined} of them are not parted by straight cuts: choose “cut right across”, or use a knife.`}
          </p>
        </div>
      </section>
      <section>
        <h2 className="head">On what</h2>
        <div className="choices">
          <StockSelect
            view={view}
            tools={tools}
            aria-label="Sheet"
            className="wide"
            options={stocks.map((c, i) => ({ value: i, label: c.label }))}
          />
          {roll && (
            <span>
              cut into lengths of at most{' '}
              <Typed
                label="Longest length"
                value={arrangement.longestMm || undefined}
                onEnter={(longest) => tools.change({ kind: 'arrange', asked: { longest: longest || '0' } })}
              />{' '}
              mm (empty: one length)
            </span>
          )}
        </div>
      </section>
    </>
  )
}

const ALIKE: { value: Rows['alike']; label: string }[] = [
  { value: 'FRAMES', label: 'in frames of one size' },
  { value: 'HEIGHTS', label: 'in rows of one height' },
]

/** How large pieces in rows are, and in which order they come. */
function RowsRow({ view, tools }: Pick<GangProps, 'view' | 'tools'>) {
  const { rows } = view.spec.plan.arrangement
  const set = (next: Partial<Rows>) => tools.change({ kind: 'arrange', asked: { rows: { ...rows, ...next } } })
  return (
    <>
      <div className="row">
        <Select
          aria-label="Sizes in rows"
          value={rows.aPage === 0 ? 'OWN' : rows.alike}
          options={[{ value: 'OWN', label: 'in their own sizes' }, ...ALIKE]}
          onChange={(next) =>
            next === 'OWN' ? set({ aPage: 0 }) : set({ alike: next as Rows['alike'], aPage: rows.aPage || USUAL_A_PAGE })
          }
        />
        {rows.aPage > 0 && (
          <span>
            about <CountField label="Pictures a page" value={rows.aPage} most={MOST_A_PAGE} onEnter={(aPage) => set({ aPage })} />{' '}
            a page
          </span>
        )}
      </div>
      <div className="row">
        <span>in order of</span>
        <Button size="small" onClick={() => tools.change({ kind: 'order', by: 'NAME' })}>
          file names
        </Button>
        <Button size="small" onClick={() => tools.change({ kind: 'order', by: 'TAKEN' })}>
          days taken
        </Button>
        <span className="soft">by hand: drag them in the list</span>
      </div>
    </>
  )
}
