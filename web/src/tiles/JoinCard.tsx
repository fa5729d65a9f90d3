import { Checkbox, Radio } from 'antd'
import type { Seams, TiledDocket } from '../api/types'
import type { TiledProps } from '../docket/useDocket'
import { Typed } from '../parts/Typed'

const USUAL_OVERLAP = 12.7
const USUAL_BLEED = 3

const CHOICES: { value: Seams['choice']; name: string }[] = [
  { value: 'EVEN', name: 'even' },
  { value: 'QUIET', name: 'off what the eye follows' },
]

/** How the sheets are joined, and where. */
export function JoinCard({ view, tools }: Pick<TiledProps, 'view' | 'tools'>) {
  const { joint, seams, marks, labels } = view.spec.plan
  const glued = joint.way === 'GLUED'
  const over = (text: string) => tools.change({ kind: 'join', asked: { way: joint.way, over: text } })
  return (
    <section>
      <h2 className="head">How they are joined</h2>
      <div className="choices">
        <Radio.Group
          optionType="button"
          buttonStyle="solid"
          aria-label="How they are joined"
          value={joint.way}
          onChange={(e) =>
            tools.decide({
              kind: 'sheets-joined',
              joint: { way: e.target.value, overMm: e.target.value === 'GLUED' ? USUAL_OVERLAP : USUAL_BLEED },
            })
          }
        >
          <Radio.Button value="GLUED">overlap and glue</Radio.Button>
          <Radio.Button value="BUTTED">trim and butt</Radio.Button>
        </Radio.Group>
        <div className="row">
          <span>
            {glued ? 'overlap' : 'bleed'} <Typed label={glued ? 'Overlap' : 'Bleed'} value={joint.overMm} onEnter={over} /> mm
          </span>
          <Checkbox checked={marks} onChange={(e) => tools.decide({ kind: 'sheets-marked', marks: e.target.checked, labels })}>
            marks
          </Checkbox>
          <Checkbox checked={labels} onChange={(e) => tools.decide({ kind: 'sheets-marked', marks, labels: e.target.checked })}>
            labels outside
          </Checkbox>
        </div>
        <div className="row">
          <span>joints</span>
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            aria-label="Where they are joined"
            value={seams.choice}
            onChange={(e) => tools.decide({ kind: 'sheets-parted', choice: e.target.value })}
          >
            {CHOICES.map((c) => (
              <Radio.Button key={c.value} value={c.value}>
                {c.name}
              </Radio.Button>
            ))}
            {seams.choice === 'BY_HAND' && <Radio.Button value="BY_HAND">by hand</Radio.Button>}
          </Radio.Group>
        </div>
        <p className="soft">{slack(view)}</p>
      </div>
    </section>
  )
}

/** How far the joints can still be moved. */
function slack(view: TiledDocket): string {
  if (view.planned.kind !== 'parted' || view.planned.seams.length === 0) return 'There is nothing to join.'
  const free = Math.max(...view.planned.seams.map((s) => s.highMm - s.lowMm))
  if (free < 1) return 'The sheets hold just as much as the picture needs: the joints can’t be moved.'
  return 'The joint lies in the middle of what both sheets print. Drag it, or move it with the arrow keys.'
}
