import { App, Button, Segmented } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { answer, api, since } from '../api/client'
import type { StripProps } from '../docket/useDocket'
import { StationFindings } from '../parts/Findings'
import { mm } from '../parts/numbers'
import { useAttemptLayout } from '../release/useScans'
import { scanned } from '../release/words'
import { PlanChoice } from '../size/PlanChoice'
import { StockSelect } from '../size/StockSelect'
import { AxesCard } from './AxesCard'
import { PartCard } from './PartCard'
import { StripDrawing } from './StripDrawing'
import { chosenWords, piecesOf } from './words'
import './strip.css'

/** Variations of a part of one picture: what is varied, how it will come out, and which piece was right. */
export function StripStation(props: StripProps) {
  const { view, tools, go } = props
  const { notification } = App.useApp()
  const navigate = useNavigate()
  const [page, setPage] = useState(1)
  const [chosen, choose] = useState<string[]>([])
  const [shown, show] = useState<'foreseen' | 'scan'>('foreseen')
  const pages = view.layout.pages.length
  const at = Math.min(page, pages)
  const pieces = view.planned.pieces
  const here = chosen.flatMap((id) => pieces.filter((p) => p.page === at && p.placedId === id))
  const attempt = tools.attempts.find((a) => scanned(a))
  const laid = useAttemptLayout(attempt)
  // what was changed since it was printed shows other pieces than those that lie on the table
  const same = laid !== undefined && piecesOf(laid.pages) === piecesOf(view.layout.pages)
  const scans = same && attempt?.pages.some((p) => p.page === at && p.scanHash && p.scanKept) ? attempt.id : undefined
  const item = view.spec.items[0]
  const params = { path: { id: view.id }, header: since(view.version) }
  const body = { page: at, placed: here.map((p) => p.placedId) }
  const takeOver = () =>
    answer(api.PUT('/api/dockets/{id}/strip/choice', { params, body })).then(
      (taken) =>
        notification.open({
          title: `Docket ${taken.number} is printed like this piece now: ${taken.piece}.`,
          description: taken.notice,
          duration: 12,
          actions: (
            <Button size="small" onClick={() => navigate(`/dockets/${taken.docket}/proof`)}>
              Open it
            </Button>
          ),
        }),
      tools.complain,
    )
  const finer = () =>
    answer(api.POST('/api/dockets/{id}/strips/finer', { params, body })).then((made) => {
      choose([])
      navigate(`/dockets/${made.id}/size`)
    }, tools.complain)
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          <StripDrawing
            view={view}
            page={at}
            chosen={here.map((p) => p.placedId)}
            onChoose={choose}
            scans={shown === 'scan' ? scans : undefined}
          />
        </div>
        <section className="right-piece" aria-label="The piece that is right">
          <span className="said">
            <b>The piece that is right:</b> {chosenWords(here)}
            <span className="soft">
              {' '}
              {laid && !same && 'The strip was changed since it was printed: what is shown isn’t what lies on the table. '}
              {view.spec.plan.chosen
                ? `Docket ${view.origin?.number ?? ''} was made like “${view.spec.plan.chosen}”.`
                : here.length > 0 && 'Judge it dry, in the light it is for.'}
            </span>
          </span>
          <Button disabled={here.length === 0} onClick={takeOver}>
            Print docket {view.origin?.number} like {here.length > 1 ? 'the middle' : 'this piece'}
          </Button>
          <Button disabled={here.length === 0} onClick={finer}>
            Try finer about it
          </Button>
        </section>
        <div className="foot">
          <span>
            {shown === 'scan' && scans
              ? 'As it came out.'
              : view.pairing
                ? `As it would come out on ${view.pairing.paper}.`
                : 'Choose a paper to see how it would come out.'}{' '}
            Each piece is the same part of the picture, {mm(item?.frame.widthMm ?? 0)} mm wide; what was varied is printed below
            it.
          </span>
          {scans && (
            <Segmented
              size="small"
              aria-label="What is shown"
              value={shown}
              onChange={show}
              options={[
                { value: 'foreseen', label: 'as foreseen' },
                { value: 'scan', label: 'as it came out' },
              ]}
            />
          )}
          {pages > 1 && (
            <Segmented
              size="small"
              aria-label="Page shown"
              value={at}
              onChange={setPage}
              options={view.layout.pages.map((_, i) => ({
                value: i + 1,
                label: view.spec.plan.pages?.values[i]?.words ?? `page ${i + 1}`,
              }))}
            />
          )}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <StationFindings view={view} tools={tools} stage="SIZE" />
        <PlanChoice {...props} />
        <AxesCard {...props} />
        <PartCard {...props} />
        <section>
          <h2 className="head">On what</h2>
          <div className="row">
            <StockSelect
              view={view}
              tools={tools}
              aria-label="Sheet"
              className="wide"
              options={view.options.stocks.map((c, i) => ({ value: i, label: c.label }))}
            />
            <Button onClick={() => tools.decide({ kind: 'turned' })}>Turn it</Button>
          </div>
        </section>
        <div className="next">
          <span />
          <Button type="primary" onClick={() => go('machine')}>
            On to the machine
          </Button>
        </div>
      </aside>
    </div>
  )
}
