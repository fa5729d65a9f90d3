import { Checkbox, InputNumber } from 'antd'
import type { ReactNode } from 'react'
import { itemOf } from '../api/pictures'
import type { DocketView, Item } from '../api/types'
import type { DocketTools, SheetProps } from '../docket/useDocket'
import { OwnMarkFields } from './OwnMarkFields'

type Annotation = Item['annotation']

/** What is written and drawn round the picture. */
export function AroundCard({ view, tools }: SheetProps) {
  const item = itemOf(view)
  const change = (annotation: Annotation) => tools.decide({ kind: 'annotated', itemId: item.id, annotation })
  if (view.spec.plan.edge.borderless) {
    return (
      <>
        <section>
          <p>There is no border to write or draw in: this is printed to the edge.</p>
        </section>
        <OwnMarkOf item={item} tools={tools} />
      </>
    )
  }
  return (
    <>
      <AnnotationFields now={item.annotation} onChange={change} />
      <ControlStripChoice view={view} tools={tools} />
    </>
  )
}

/** A control strip beside what is printed, so that each print tells whether its paper is still true. */
function ControlStripChoice({ view, tools }: { view: DocketView; tools: DocketTools }) {
  return (
    <section>
      <h2 className="head">Kept true</h2>
      <ControlStripBox view={view} tools={tools}>
        a control strip along an edge
      </ControlStripBox>
      {view.spec.paper.checked && (
        <p className="soft">24 patches in the bare paper of the first sheet. Once it is printed, the paper’s page reads them.</p>
      )}
    </section>
  )
}

export function ControlStripBox({ view, tools, children }: { view: DocketView; tools: DocketTools; children: ReactNode }) {
  return (
    <Checkbox checked={view.spec.paper.checked} onChange={(e) => tools.decide({ kind: 'checked', checked: e.target.checked })}>
      {children}
    </Checkbox>
  )
}

/** Over a picture that has no border. */
export function OwnMarkOf({ item, tools }: { item: Item; tools: DocketTools }) {
  return (
    <OwnMarkFields
      border={false}
      now={item.annotation.own ?? undefined}
      onChange={(own) => tools.decide({ kind: 'annotated', itemId: item.id, annotation: { ...item.annotation, own } })}
    />
  )
}

/** Caption, rule and marks of a picture, or of several that have them alike. */
export function AnnotationFields({
  now,
  several = false,
  onChange,
}: {
  now: Annotation
  several?: boolean
  onChange: (next: Annotation) => void
}) {
  const caption = now.caption
  const set = (next: Partial<Annotation>) => onChange({ ...now, ...next })
  const write = (next: Partial<Annotation['caption']>) => set({ caption: { ...caption, ...next } })
  return (
    <>
      <section>
        <h2 className="head">{several ? 'Below each picture' : 'Below the picture'}</h2>
        <div className="choices">
          <Checkbox checked={caption.title} onChange={(e) => write({ title: e.target.checked })}>
            its title
          </Checkbox>
          {several && (
            <Checkbox checked={caption.number} onChange={(e) => write({ number: e.target.checked })}>
              its number on the sheet
            </Checkbox>
          )}
          <Checkbox checked={caption.fileName} onChange={(e) => write({ fileName: e.target.checked })}>
            the name of its file
          </Checkbox>
          <Checkbox checked={caption.taken} onChange={(e) => write({ taken: e.target.checked })}>
            the day it was taken
          </Checkbox>
          <Checkbox checked={caption.date} onChange={(e) => write({ date: e.target.checked })}>
            the date of the print
          </Checkbox>
          <div className="row">
            <Checkbox checked={caption.edition > 0} onChange={(e) => write({ edition: e.target.checked ? 25 : 0 })}>
              its number, of an edition of
            </Checkbox>
            <NumberField
              label="Prints in the edition"
              from={1}
              to={9999}
              off={caption.edition === 0}
              value={caption.edition || 25}
              onTyped={(edition) => write({ edition })}
            />
          </div>
          <Checkbox checked={caption.signature} onChange={(e) => write({ signature: e.target.checked })}>
            a line to sign on
          </Checkbox>
          <div className="row">
            <span className="soft">type of</span>
            <NumberField
              label="Size of the type"
              from={4}
              to={72}
              step={0.5}
              value={caption.sizePt}
              onTyped={(sizePt) => write({ sizePt })}
            />
            <span className="soft">points</span>
          </div>
          {caption.edition > 0 && (
            <p className="soft">
              The docket counts: sheets that failed give their number back, and “exactly this again” prints the same number.
            </p>
          )}
        </div>
      </section>
      <section>
        <h2 className="head">{several ? 'Round each picture' : 'Round the picture'}</h2>
        <div className="choices">
          <div className="row">
            <Checkbox checked={now.ruleMm > 0} onChange={(e) => set({ ruleMm: e.target.checked ? 0.25 : 0 })}>
              a thin rule of
            </Checkbox>
            <NumberField
              label="Width of the rule"
              from={0.1}
              to={5}
              step={0.1}
              off={now.ruleMm === 0}
              value={now.ruleMm || 0.25}
              onTyped={(ruleMm) => set({ ruleMm })}
            />
            <span className="soft">mm</span>
          </div>
          <div className="row indent">
            <NumberField
              label="Distance of the rule"
              from={0}
              to={100}
              step={0.5}
              off={now.ruleMm === 0}
              value={now.ruleGapMm}
              onTyped={(ruleGapMm) => set({ ruleGapMm })}
            />
            <span className="soft">mm away</span>
          </div>
          <Checkbox checked={now.cutMarks} onChange={(e) => set({ cutMarks: e.target.checked })}>
            cut marks at its corners
          </Checkbox>
        </div>
      </section>
      <OwnMarkFields border now={now.own ?? undefined} onChange={(own) => set({ own })} />
    </>
  )
}

function NumberField({
  label,
  from,
  to,
  step = 1,
  off = false,
  value,
  onTyped,
}: {
  label: string
  from: number
  to: number
  step?: number
  off?: boolean
  value: number
  onTyped: (value: number) => void
}) {
  return (
    <InputNumber
      aria-label={label}
      className="number"
      min={from}
      max={to}
      step={step}
      disabled={off}
      value={value}
      onChange={(v) => v !== null && onTyped(v)}
    />
  )
}
