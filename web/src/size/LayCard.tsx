import { useQueryClient } from '@tanstack/react-query'
import { Button, Input, Popover, Radio, Select } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import { itemOf } from '../api/pictures'
import type { SheetDocket } from '../api/types'
import type { SheetProps, StationProps } from '../docket/useDocket'
import { mm } from '../parts/numbers'
import { StockSelect } from './StockSelect'
import type { Choice } from './stock'
import { FINENESS } from './words'

const groups = (stocks: Choice[]) => {
  const of = (label: string, keep: (c: Choice) => boolean) => ({
    label,
    options: stocks.flatMap((c, i) => (keep(c) ? [{ value: i, label: c.label }] : [])),
  })
  return [
    of('This picture’s shape: fills them uncropped', (c) => c.fills),
    of('Other sheets', (c) => !c.fills && !c.own && c.stock.kind === 'sheet'),
    of('Your own sheets', (c) => !c.fills && c.own),
    of('Rolls, cut to measure', (c) => c.stock.kind === 'roll'),
  ].filter((g) => g.options.length > 0)
}

/** Which paper, how the picture lies on it, and how large. */
export function LayCard({ view, picture, tools }: SheetProps) {
  const plan = view.spec.plan
  const item = itemOf(view)
  const { stocks, borderless } = view.options
  const printed = picture.printed[0]
  const edge = (next: Partial<SheetDocket['spec']['plan']['edge']>) =>
    tools.decide({ kind: 'edged', edge: { ...plan.edge, ...next } })
  const usual = borderless.overMm.includes(2) ? 2 : (borderless.overMm[borderless.overMm.length - 1] ?? 0)
  return (
    <>
      <section>
        <h2 className="head">On what</h2>
        <div className="choices">
          <StockSelect view={view} tools={tools} aria-label="Sheet" className="wide" options={groups(stocks)} />
          <div className="row">
            <CutToMeasure tools={tools} own={stocks.filter((c) => c.own)} />
            <Button onClick={() => tools.decide({ kind: 'turned' })}>Turn the sheet</Button>
          </div>
        </div>
      </section>
      <section>
        <h2 className="head">To the edge or with borders</h2>
        <div className="choices">
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            aria-label="Edge"
            value={plan.edge.borderless ? 'edge' : 'borders'}
            onChange={(e) =>
              e.target.value === 'edge' ? edge({ borderless: true, overMm: usual }) : edge({ borderless: false, overMm: 0 })
            }
          >
            <Radio.Button value="borders">borders</Radio.Button>
            <Radio.Button value="edge" disabled={!borderless.offered && !plan.edge.borderless}>
              to the edge
            </Radio.Button>
          </Radio.Group>
          {!borderless.offered && (
            <p className="soft">This printer prints to the edge only on some papers and sizes; not on this one.</p>
          )}
          {plan.edge.borderless ? (
            <>
              <Select
                aria-label="How far over the edge"
                value={plan.edge.overMm}
                onChange={(overMm) => edge({ overMm })}
                options={borderless.overMm.map((v) => ({
                  value: v,
                  label: v === 0 ? 'nothing over the edge' : `${mm(v)} mm over each edge`,
                }))}
              />
              <Button
                aria-pressed={plan.edge.bleedMm > 0}
                onClick={() => edge({ bleedMm: plan.edge.bleedMm > 0 ? 0 : Math.max(3, plan.edge.overMm) })}
              >
                {plan.edge.bleedMm > 0 ? 'let it be cut' : 'cut mirrored edge instead'}
              </Button>
            </>
          ) : (
            <Borders view={view} tools={tools} />
          )}
        </div>
      </section>
      <section>
        <h2 className="head">How large</h2>
        <div className="choices">
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            value={item.frame.fit}
            onChange={(e) => tools.decide({ kind: 'fitted', itemId: item.id, fit: e.target.value })}
            aria-label="Fit"
          >
            <Radio.Button value="WHOLE">all of it</Radio.Button>
            <Radio.Button value="FILL">fill the frame</Radio.Button>
          </Radio.Group>
          {!plan.edge.borderless && (
            <Button onClick={() => tools.change({ kind: 'largest' })}>As large as it can be printed</Button>
          )}
          <p className="soft">
            {printed && `${Math.round(printed.ppi)} ppi. ${FINENESS[printed.label]}`} Write over the numbers on the drawing: 305,
            30.5cm, 12in.
          </p>
        </div>
      </section>
    </>
  )
}

/** A size that is on no list; with a name it is kept. */
function CutToMeasure({ tools, own }: Pick<StationProps, 'tools'> & { own: Choice[] }) {
  const client = useQueryClient()
  const forget = (name: string) =>
    answer(api.DELETE('/api/own-sheets/{name}', { params: { path: { name } } })).then(
      () => client.invalidateQueries({ queryKey: ['docket'] }),
      tools.complain,
    )
  const [open, setOpen] = useState(false)
  const [width, setWidth] = useState('')
  const [length, setLength] = useState('')
  const [name, setName] = useState('')
  const take = () => {
    tools.change({ kind: 'sheet', width, length, name })
    setOpen(false)
  }
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      content={
        <div className="measure">
          <Input
            aria-label="Sheet width"
            placeholder="width: 200, 20cm, 8in"
            value={width}
            onChange={(e) => setWidth(e.target.value)}
          />
          <Input
            aria-label="Sheet length"
            placeholder="length"
            value={length}
            onChange={(e) => setLength(e.target.value)}
            onPressEnter={take}
          />
          <Input
            aria-label="Name to keep it by"
            placeholder="name, to keep it"
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
            onPressEnter={take}
          />
          <Button type="primary" onClick={take}>
            Take this sheet
          </Button>
          {own.map((c) => {
            const name = c.stock.kind === 'sheet' ? c.stock.name : ''
            return (
              <Button key={name} type="text" size="small" onClick={() => forget(name)}>
                forget {name}
              </Button>
            )
          })}
        </div>
      }
    >
      <Button>Cut to measure …</Button>
    </Popover>
  )
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const
const SIDE_WORDS = { top: 'above', right: 'right', bottom: 'below', left: 'left' }

function Borders({ view, tools }: Pick<SheetProps, 'view' | 'tools'>) {
  const plan = view.spec.plan
  const page = view.layout.pages[0]
  const at = page?.placed[0]?.atMm
  if (!page || !at) return null
  const now = { top: at.y, right: page.widthMm - at.x - at.width, bottom: page.heightMm - at.y - at.height, left: at.x }
  const typed = plan.borders.kind === 'sides' ? plan.borders : undefined
  const shown = typed ?? now
  return (
    <>
      <Radio.Group
        optionType="button"
        buttonStyle="solid"
        aria-label="Borders"
        value={plan.borders.kind}
        onChange={(e) =>
          tools.decide({
            kind: 'bordered',
            borders: e.target.value === 'sides' ? { kind: 'sides', ...now } : { kind: e.target.value },
          })
        }
      >
        <Radio.Button value="even">even</Radio.Button>
        <Radio.Button value="heavier-foot">heavier foot</Radio.Button>
        <Radio.Button value="sides">by numbers</Radio.Button>
      </Radio.Group>
      {typed && (
        <div className="sides">
          {SIDES.map((side) => (
            <label key={side} htmlFor={`border-${side}`}>
              {SIDE_WORDS[side]}
              <Input
                key={shown[side]}
                id={`border-${side}`}
                aria-label={`Border ${SIDE_WORDS[side]} in the frame`}
                size="small"
                defaultValue={mm(shown[side])}
                onFocus={(e) => e.target.select()}
                onPressEnter={(e) => e.currentTarget.blur()}
                onBlur={(e) => {
                  const text = e.target.value.trim()
                  if (text !== mm(shown[side])) {
                    const all = Object.fromEntries(SIDES.map((s) => [s, s === side ? text : `${Math.max(0, shown[s])}`]))
                    tools.change({ kind: 'resize', asked: { borders: all as Record<(typeof SIDES)[number], string> } })
                  }
                }}
              />
            </label>
          ))}
        </div>
      )}
      <Button
        aria-pressed={plan.edge.bleedMm > 0}
        onClick={() => tools.decide({ kind: 'edged', edge: { ...plan.edge, bleedMm: plan.edge.bleedMm > 0 ? 0 : 3 } })}
      >
        {plan.edge.bleedMm > 0
          ? `without the ${mm(plan.edge.bleedMm)} mm of mirrored edge`
          : 'mirrored edge round it, to be cut off'}
      </Button>
    </>
  )
}
