import { useMutation, useQueryClient } from '@tanstack/react-query'
import { App, Button, Segmented } from 'antd'
import { useEffect, useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import type { WedgeTold } from '../api/types'
import { CurvePlot } from '../parts/CurvePlot'
import { fixed } from '../parts/numbers'
import { AIMS, moveWords, offWords, PLOT, pointsWords } from './words'

type Point = { wanted: number; sent: number }

export function Verdict({ told }: { told: WedgeTold }) {
  return (
    <section>
      <h2 className="head">Verdict</h2>
      {told.verdict.map((v, i) => (
        <p key={v} className={i === 0 ? 'verdict' : 'soft'}>
          {v}
        </p>
      ))}
      <dl className="rows">
        <dt>deepest black</dt>
        <dd>
          L* {fixed(told.black.l, 1)} · Dmax {fixed(told.density, 2)}, {fixed(told.density - told.paperDensity, 2)} over paper
        </dd>
        <dt>paper white</dt>
        <dd>
          L* {fixed(told.paper.l, 1)}
          {told.kind === 'COLOUR' && `, a* ${fixed(told.paper.a, 1)}, b* ${fixed(told.paper.b, 1)}`}
        </dd>
        <dt>order</dt>
        <dd>
          {told.rises === 0 ? 'kept' : `broken at ${told.rises}`}
          {typeof told.blockedFrom === 'number' && `; alike from ${Math.round(100 * told.blockedFrom)} %`}
        </dd>
        {told.kind === 'COLOUR' && (
          <>
            <dt>colour drift</dt>
            <dd>
              {fixed(told.drift, 1)} at {Math.round(100 * told.driftDepth)} %
            </dd>
          </>
        )}
        <dt>reading noise</dt>
        <dd>L* {fixed(told.noise, 2)}</dd>
      </dl>
    </section>
  )
}

/** The curve with its points to drag; what is drawn is kept when it is let go. */
export function Correction({ told }: { told: WedgeTold }) {
  const [draft, setDraft] = useState<Point[]>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was drawn gives way to what the server says
  useEffect(() => setDraft(undefined), [told])
  const client = useQueryClient()
  const { notification } = App.useApp()
  const points = draft ?? told.points
  const fit = useMutation({
    mutationFn: (body: object) => answer(api.PATCH('/api/wedges/readings/{id}', { params: { path: { id: told.id } }, body })),
    onSettled: () => client.invalidateQueries({ queryKey: ['wedges'] }),
    onError: (e: Problem) => {
      setDraft(undefined)
      notification.open({ title: e.message, description: e.next })
    },
  })
  const onPoints = (next: Point[]) => fit.mutate({ points: next })
  return (
    <div>
      <h2 className="head">{PLOT.curve}</h2>
      <div className="wedge-curve">
        <CurvePlot
          label={PLOT.curve}
          width={150}
          height={150}
          x={[0, 1]}
          y={[0, 1]}
          rest={[
            { x: 0, y: 0 },
            { x: 1, y: 1 },
          ]}
          line={
            draft
              ? [{ x: 1, y: 1 }, ...draft.map((p) => ({ x: 1 - p.wanted, y: 1 - p.sent })), { x: 0, y: 0 }]
              : told.line.map((v, i) => ({ x: 1 - i / (told.line.length - 1), y: 1 - v }))
          }
          points={points.map((p) => ({ x: 1 - p.wanted, y: 1 - p.sent, label: `${Math.round(100 * p.wanted)} % sent as` }))}
          step={{ x: 0.005, y: 0.005 }}
          ticks={[
            { x: 0, words: 'black' },
            { x: 1, words: 'paper' },
          ]}
          onMove={(i, to) => setDraft(points.map((p, k) => (k === i ? { wanted: 1 - to.x, sent: 1 - to.y } : p)))}
          onDone={() => draft && onPoints(draft)}
          onAdd={(at) =>
            points.length < 6 && onPoints([...points, { wanted: 1 - at.x, sent: 1 - at.y }].sort((a, b) => a.wanted - b.wanted))
          }
          onRemove={(i) => onPoints(points.filter((_, k) => k !== i))}
        />
        <div>
          <p>{pointsWords(told)}</p>
          <p>{moveWords(told)}</p>
          <p>{offWords(told)}</p>
          <p className="soft">it aims at</p>
          <Segmented
            size="small"
            aria-label="What it aims at"
            value={told.aim}
            options={AIMS}
            onChange={(target) => fit.mutate({ target })}
          />
          {told.drawn && (
            <p>
              <Button size="small" onClick={() => fit.mutate({ fitted: true })}>
                Back to the fitted points
              </Button>
            </p>
          )}
        </div>
      </div>
      <p className="soft">{PLOT.curveHelp}</p>
    </div>
  )
}
