import { Checkbox, Radio } from 'antd'
import type { Arrangement } from '../api/types'
import type { GangProps } from '../docket/useDocket'
import { percent } from '../parts/numbers'
import { Typed } from '../parts/Typed'
import { StockSelect } from '../size/StockSelect'

const WAYS: { value: Arrangement['way']; name: string }[] = [
  { value: 'TIGHTEST', name: 'tightest' },
  { value: 'CUT_ACROSS', name: 'cut right across' },
  { value: 'ROWS', name: 'in rows' },
  { value: 'BY_HAND', name: 'by hand' },
]

/** On what they lie, and how they find their places. */
export function ArrangeCard({ view, tools }: GangProps) {
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
                value={arrangement.gutterMm}
                onEnter={(gutter) => tools.change({ kind: 'arrange', asked: { gutter } })}
              />{' '}
              mm
            </span>
            <Checkbox
              checked={arrangement.cutMarks}
              onChange={(e) => tools.change({ kind: 'arrange', asked: { cutMarks: e.target.checked } })}
            >
              cut marks
            </Checkbox>
          </div>
          <p className="soft" data-testid="bare">
            {percent(view.planned.bareShare)} stays bare
            {arrangement.way !== 'BY_HAND' && `; ${percent(view.planned.leastBareShare)} is the least that a bound allows`}.
            {joined > 0 && ` ${joined} of them are not parted by straight cuts: choose “cut right across”, or use a knife.`}
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
