import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Checkbox, Input, InputNumber, Popover, Radio, Select } from 'antd'
import { useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { WrapDocket } from '../api/types'
import type { BodyAsked, StationProps } from '../docket/useDocket'
import { mm } from '../parts/numbers'
import { placedOn } from '../parts/pieces'
import { Typed } from '../parts/Typed'
import { StockSelect } from '../size/StockSelect'
import { type Choice, isStock } from '../size/stock'
import { USUAL } from './words'

type Props = StationProps & { view: WrapDocket }

/** What the print goes round, and what paper that takes. */
export function BodyCard({ view, tools }: Props) {
  const plan = view.spec.plan
  const body = plan.body
  const { support, turnOver, growth } = body
  const bars = support.kind === 'BARS'
  /** One length follows from the other as long as the picture's shape is kept. */
  const [free, setFree] = useState(!view.planned.pictureShaped)
  const ask = (asked: BodyAsked) => tools.change({ kind: 'body', asked })
  return (
    <>
      <section>
        <div className="choices">
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            aria-label="What it goes round"
            value={support.kind}
            onChange={(e) => ask({ kind: e.target.value })}
          >
            <Radio.Button value="BARS">stretcher bars</Radio.Button>
            <Radio.Button value="BOARD">a board</Radio.Button>
          </Radio.Group>
          <Depths view={view} ask={ask} complain={tools.complain} />
        </div>
        <dl className="lengths">
          <Row name="face">
            <Typed label="Face width on the card" value={body.faceWidthMm} onEnter={(width) => ask({ width, free })} /> ×
            <Typed label="Face height on the card" value={body.faceHeightMm} onEnter={(height) => ask({ height, free })} /> mm
          </Row>
          <Row name={bars ? 'bars' : 'board'}>
            <Typed label="Depth" value={support.depthMm} onEnter={(depth) => ask({ depth })} /> mm deep
            {!bars && (
              <>
                , air gap <Typed label="Air gap" value={support.airGapMm} onEnter={(airGap) => ask({ airGap })} /> mm
              </>
            )}
          </Row>
          <Row name="turned over">
            <Typed label="Turned over" value={turnOver.widthMm} onEnter={(text) => ask({ turnOver: text })} /> mm, play{' '}
            <Typed label="Play" value={turnOver.playMm} onEnter={(play) => ask({ play })} /> mm
          </Row>
          <Row name="print">
            <Typed
              label="Thickness of the print"
              value={body.thicknessMm}
              decimals={2}
              onEnter={(thickness) => ask({ thickness })}
            />{' '}
            mm thick: {mm(view.planned.foldMm)} mm a fold
          </Row>
          <Row name="gives">
            <Typed
              label="Gives across, percent"
              value={growth ? 100 * growth.across : undefined}
              onEnter={(growsAcross) => ask({ growsAcross })}
            />{' '}
            % across,{' '}
            <Typed
              label="Gives along, percent"
              value={growth ? 100 * growth.along : undefined}
              onEnter={(growsAlong) => ask({ growsAlong })}
            />{' '}
            % along
          </Row>
        </dl>
      </section>
      <Takes view={view} tools={tools} />
      <section>
        <div className="choices">
          <Checkbox
            checked={!free}
            onChange={(e) => {
              setFree(!e.target.checked)
              if (e.target.checked && !view.planned.pictureShaped) ask({ free: false })
            }}
          >
            the picture’s own shape, nothing cropped
          </Checkbox>
          <Checkbox checked={turnOver.printed} onChange={(e) => ask({ printed: e.target.checked })}>
            the picture goes on over what is turned over
          </Checkbox>
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            aria-label="Corners"
            value={plan.corners}
            onChange={(e) => ask({ corners: e.target.value })}
          >
            <Radio.Button value="FOLDED">corners folded</Radio.Button>
            <Radio.Button value="MITRED">corners cut</Radio.Button>
          </Radio.Group>
        </div>
      </section>
      <section>
        <h2 className="head">In pieces</h2>
        <div className="row">
          <InputNumber
            aria-label="Pieces side by side"
            className="few"
            min={1}
            max={6}
            value={plan.panels.across}
            onChange={(v) => v && ask({ panelsAcross: v })}
          />
          <span className="soft">across,</span>
          <InputNumber
            aria-label="Pieces one above the other"
            className="few"
            min={1}
            max={6}
            value={plan.panels.down}
            onChange={(v) => v && ask({ panelsDown: v })}
          />
          <span className="soft">down</span>
          {plan.panels.across * plan.panels.down > 1 && (
            <>
              <Typed label="Gap between pieces" value={plan.panels.gapMm} onEnter={(gap) => ask({ gap })} />
              <span className="soft">mm apart</span>
            </>
          )}
        </div>
      </section>
    </>
  )
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  )
}

/** Depths that bars and boards come in, and one's own under their names. */
function Depths({ view, ask, complain }: { view: WrapDocket; ask: (asked: BodyAsked) => void; complain: (e: Error) => void }) {
  const client = useQueryClient()
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  const { data: own = [] } = useQuery({
    queryKey: ['own-bodies'],
    queryFn: ({ signal }) => answer(api.GET('/api/own-bodies', { signal })),
  })
  const { support, turnOver } = view.spec.plan.body
  const kind = support.kind
  const mine = own.filter((b) => b.support.kind === kind)
  const now = mine.findIndex(
    (b) => b.support.depthMm === support.depthMm && b.support.airGapMm === support.airGapMm && b.turnOverMm === turnOver.widthMm,
  )
  const again = () => client.invalidateQueries({ queryKey: ['own-bodies'] })
  const keep = () =>
    answer(
      api.PUT('/api/own-bodies/{name}', {
        params: { path: { name: name.trim() } },
        body: { support, turnOverMm: turnOver.widthMm },
      }),
    ).then(
      () => {
        setOpen(false)
        again()
      },
      complain as (e: Problem) => void,
    )
  const options = [
    { label: 'Usual', options: USUAL[kind].map((d) => ({ value: `${d}`, label: `${d} mm deep` })) },
    ...(mine.length > 0
      ? [
          {
            label: 'Yours',
            options: mine.map((b, i) => ({ value: `own ${i}`, label: `${b.name}, ${mm(b.support.depthMm)} mm` })),
          },
        ]
      : []),
  ]
  return (
    <div className="row stretch">
      <Select
        aria-label={kind === 'BARS' ? 'Bars' : 'Board'}
        className="grow"
        value={now >= 0 ? `own ${now}` : `${support.depthMm}`}
        labelRender={(o) => (o.label ? o.label : `${mm(support.depthMm)} mm deep`)}
        options={options}
        onChange={(v) => {
          const chosen = v.startsWith('own ') ? mine[Number(v.slice(4))] : undefined
          ask(
            chosen
              ? { depth: `${chosen.support.depthMm}`, airGap: `${chosen.support.airGapMm}`, turnOver: `${chosen.turnOverMm}` }
              : { depth: v },
          )
        }}
      />
      <Popover
        open={open}
        onOpenChange={setOpen}
        trigger="click"
        content={
          <div className="measure">
            <Input
              aria-label="Name to keep it by"
              placeholder="name"
              maxLength={80}
              value={name}
              onChange={(e) => setName(e.target.value)}
              onPressEnter={keep}
            />
            <Button type="primary" disabled={!name.trim()} onClick={keep}>
              Keep these
            </Button>
            {mine.map((b) => (
              <Button
                key={b.name}
                type="text"
                size="small"
                onClick={() =>
                  answer(api.DELETE('/api/own-bodies/{name}', { params: { path: { name: b.name } } })).then(again, complain)
                }
              >
                forget {b.name}
              </Button>
            ))}
          </div>
        }
      >
        <Button>Keep …</Button>
      </Popover>
    </div>
  )
}

/** How many lengths, and how many prints lie on each. */
function lengthWords(view: WrapDocket): string {
  const [first] = view.layout.pages
  const all = placedOn(view).length
  if (all === 1 || !first) return ''
  if (first.placed.length === 1) return ' for each piece'
  if (view.layout.pages.length === 1) return `, all ${all} pieces side by side`
  return ` for every ${first.placed.length} pieces, ${view.layout.pages.length} lengths in all`
}

/** What paper it takes, and whether that lies in the printer. */
function Takes({ view, tools }: Pick<Props, 'view' | 'tools'>) {
  const { stocks } = view.options
  const now = stocks.find(isStock(view))
  const option = (c: Choice, i: number) => ({ value: i, label: `${c.label}${c.loaded ? ', loaded' : ''}`, holds: c.holds })
  const all = stocks.map(option)
  const groups = [
    { label: 'Holds it', options: all.filter((o) => o.holds) },
    { label: 'Too small', options: all.filter((o) => !o.holds) },
  ].filter((g) => g.options.length > 0)
  const page = view.layout.pages[0]
  const length = view.spec.plan.across ? page?.widthMm : page?.heightMm
  return (
    <section>
      <h2 className="head">On what</h2>
      <div className="choices">
        <div className="row stretch">
          <StockSelect view={view} tools={tools} aria-label="Paper" className="grow" options={groups} />
          <Button onClick={() => tools.decide({ kind: 'turned' })}>Turn it</Button>
        </div>
        <p className="soft">
          It takes {mm(view.planned.neededWidthMm)} × {mm(view.planned.neededLengthMm)} mm
          {view.spec.paper.stock.kind === 'roll' && length ? `: ${mm(length)} mm of this roll${lengthWords(view)}` : ''}
          {now && (now.holds ? (now.loaded ? '. It is loaded.' : '. It isn’t loaded now.') : '. This is too small.')}
        </p>
      </div>
    </section>
  )
}
