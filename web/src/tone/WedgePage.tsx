import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Popconfirm, Segmented } from 'antd'
import { useEffect, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { address, answer, api, type Problem, upload } from '../api/client'
import type { Wedge, WedgeTold } from '../api/types'
import { CurvePlot } from '../parts/CurvePlot'
import { FileButton } from '../parts/FileButton'
import { fixed, moment } from '../parts/numbers'
import { MeasuredOn } from './MeasuredOn'
import { ComparedPlot, DriftPlot, LightnessPlot } from './plots'
import { useWedges } from './ToneBench'
import './tone.css'
import { AIMS, driedWords, moveWords, NEXT, ORIGINS, offWords, otherwise, PLOT, pointsWords, wasRead } from './words'

const LARGEST = 400 * 1048576
const ASK_AGAIN_MS = 2000
const READINGS = {
  instrument: '/api/wedges/{number}/readings/instrument',
  flatbed: '/api/wedges/{number}/readings/flatbed',
} as const

type Point = { wanted: number; sent: number }

/** One wedge: its steps, what its reading says, the curve, and what to do next. */
export function WedgePage() {
  const number = Number(useParams().number)
  const client = useQueryClient()
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const { data: wedge, error } = useQuery({
    queryKey: ['wedges', number],
    queryFn: ({ signal }) => answer(api.GET('/api/wedges/{number}', { params: { path: { number } }, signal })),
    refetchInterval: ({ state }) => (state.data?.printing && !state.data.printing.over ? ASK_AGAIN_MS : false),
  })
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 9 })
  const refresh = () => client.invalidateQueries({ queryKey: ['wedges'] })
  const act = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onSuccess: refresh,
    onError: complain,
  })
  const params = { path: { number } }
  if (error) {
    return (
      <p className="page">
        {error.message} <Link to="/tones">Back to the tone bench</Link>
      </p>
    )
  }
  if (!wedge) return null
  const told = wedge.reading
  const prove = () =>
    act.mutate(() => answer(api.POST('/api/wedges/{number}/proof', { params })).then((w) => navigate(`/tones/${w.number}`)))
  const bring = (file: File, day: string) =>
    act.mutate(() =>
      upload('/api/wedges/{number}/readings', { path: { number }, query: day ? { measured: day } : {} }, file, LARGEST),
    )
  return (
    <div className="wedge-page">
      <div className="wedge-head">
        <h1>
          {wedge.paper} on {wedge.printer}
        </h1>
        <span className="soft">
          wedge {wedge.number}
          {wedge.through && (
            <>
              {' '}
              through the curve of <Link to={`/tones/${wedge.ofWedge}`}>wedge {wedge.ofWedge}</Link>
            </>
          )}{' '}
          · {wedge.words} · {wedge.steps} steps{wedge.repeats > 1 ? `, ${wedge.repeats} of each` : ''}
          {wedge.scattered ? ', scattered' : ''} · {wedge.sheet} · {moment(wedge.created)}
          {wedge.printing?.done ? ` · ${driedWords(wedge.printing.dried)}` : ''}
        </span>
      </div>
      {told && (
        <div className="wedge-strip" role="img" aria-label="The steps as they look">
          {[...told.steps].reverse().map((s) => (
            <i key={s.depth} style={{ background: s.shown }} title={`${Math.round(100 * s.depth)} %: L* ${fixed(s.lab.l, 1)}`} />
          ))}
        </div>
      )}
      <div className="wedge-body">
        <div>
          {told ? (
            <>
              <LightnessPlot
                label={told.points.length > 0 ? PLOT.light : PLOT.lightBare}
                scales={[{ name: '', told }]}
                onStep={(i) =>
                  act.mutate(() =>
                    answer(
                      api.PATCH('/api/wedges/readings/{id}', {
                        params: { path: { id: told.id } },
                        body: { leftOut: toggled(told, i) },
                      }),
                    ),
                  )
                }
              />
              <div className="wedge-lower">
                {told.kind === 'COLOUR' ? <DriftPlot told={told} label={PLOT.drift} /> : <p className="soft">{PLOT.noColour}</p>}
                <Correction told={told} />
              </div>
            </>
          ) : (
            <p className="empty">
              {wedge.printing && !wedge.printing.over
                ? NEXT.wait
                : wedge.printing && !wedge.printing.done
                  ? NEXT.failed
                  : NEXT.read}
            </p>
          )}
        </div>
        <aside className="wedge-side" aria-label="What it says">
          {told && <Verdict told={told} />}
          <section>
            <h2 className="head">Next</h2>
            <p>{nextWords(wedge)}</p>
            <div className="buttons">
              {told?.reversed && (
                <Button
                  type="primary"
                  onClick={() =>
                    act.mutate(() =>
                      answer(
                        api.PATCH('/api/wedges/readings/{id}', {
                          params: { path: { id: told.id } },
                          body: { turned: !told.turned },
                        }),
                      ),
                    )
                  }
                >
                  Turn the reading
                </Button>
              )}
              {told && !told.reversed && !wedge.through && (
                <>
                  {told.points.length > 0 && (
                    <Button type={wedge.kept ? 'default' : 'primary'} loading={act.isPending} onClick={prove}>
                      Prove it on paper
                    </Button>
                  )}
                  <Button
                    type={told.points.length === 0 && !wedge.kept ? 'primary' : 'default'}
                    loading={act.isPending}
                    onClick={() => act.mutate(() => answer(api.PUT('/api/wedges/{number}/curve', { params })))}
                  >
                    {wedge.kept ? 'Use it as it is now' : told.points.length > 0 ? 'Use the curve' : 'Keep what was measured'}
                  </Button>
                </>
              )}
              {wedge.kept && (
                <Popconfirm
                  title="Take the curve out of force?"
                  description="Dockets that wait print without it; what was printed keeps it."
                  okText="Take it out"
                  cancelText="Leave it"
                  onConfirm={() => act.mutate(() => answer(api.DELETE('/api/wedges/{number}/curve', { params })))}
                >
                  <Button>Take it out of force</Button>
                </Popconfirm>
              )}
            </div>
          </section>
          <Reading
            wedge={wedge}
            busy={act.isPending}
            read={(by) => act.mutate(() => answer(api.POST(READINGS[by], { params })))}
            bring={bring}
          />
          {told && (
            <section>
              <h2 className="head">Take it elsewhere</h2>
              <div className="buttons">
                <Button size="small" href={address('/api/wedges/{number}/scale.icc', params)}>
                  Profile of grays (ICC)
                </Button>
                <Button size="small" href={address('/api/wedges/{number}/scale.txt', params)}>
                  Straightened scale (CGATS)
                </Button>
                <Button size="small" href={address('/api/wedges/{number}/reading.txt', params)}>
                  Reading
                </Button>
              </div>
            </section>
          )}
          <Beside wedge={wedge} />
        </aside>
      </div>
    </div>
  )
}

const toggled = (told: WedgeTold, step: number) => {
  const out = told.steps.map((s, i) => (s.leftOut ? i : -1)).filter((i) => i >= 0)
  return out.includes(step) ? out.filter((i) => i !== step) : [...out, step]
}

function nextWords(w: Wedge) {
  if (!w.reading) {
    return w.printing && !w.printing.over ? `${w.printing.words}.` : w.printing && !w.printing.done ? NEXT.failed : NEXT.read
  }
  if (w.reading.reversed) return NEXT.turn
  if (w.old) return NEXT.old
  if (w.kept) return NEXT.kept
  if (w.through) return `Off by L* ${fixed(w.reading.before, 1)} through the curve of wedge ${w.ofWedge}.`
  if (w.reading.unsuited) return NEXT.unsuited
  return w.reading.points.length > 0 ? NEXT.prove : NEXT.straight
}

function Verdict({ told }: { told: WedgeTold }) {
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
function Correction({ told }: { told: WedgeTold }) {
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

function Reading({
  wedge,
  busy,
  read,
  bring,
}: {
  wedge: Wedge
  busy: boolean
  read: (by: keyof typeof READINGS) => void
  bring: (file: File, day: string) => void
}) {
  const client = useQueryClient()
  const [measured, setMeasured] = useState('')
  const { notification } = App.useApp()
  const { data: scanner } = useQuery({
    queryKey: ['wedges', 'scanner'],
    queryFn: ({ signal }) => answer(api.GET('/api/wedges/scanner', { signal })),
  })
  const learn = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onSettled: () => client.invalidateQueries({ queryKey: ['wedges'] }),
    onError: (e: Problem) => notification.open({ title: e.message, description: e.next }),
  })
  const out = wedge.printing?.done
  const first = out && !wedge.reading
  const both = wedge.readings.some((r) => r.scan) && wedge.readings.some((r) => r.origin !== 'SCANNER')
  return (
    <section>
      <h2 className="head">Reading</h2>
      {wedge.readings.slice(0, 4).map((r, i) => (
        <p key={r.id} className={i === 0 ? undefined : 'soft'}>
          {ORIGINS[r.origin]}, {moment(r.taken)}
          {r.note && <span className="soft">: {r.note}</span>}
        </p>
      ))}
      <div className="buttons">
        {out && (
          <>
            <Button size="small" type={first ? 'primary' : 'default'} loading={busy} onClick={() => read('instrument')}>
              Read by the instrument
            </Button>
            <Button size="small" loading={busy} onClick={() => read('flatbed')}>
              Scan on the flatbed
            </Button>
          </>
        )}
        <FileButton
          size="small"
          accept=".txt,.cgats,.it8,.csv,.ti3,.tif,.tiff,.png,.jpg,.jpeg"
          onFile={(f) => bring(f, measured)}
        >
          Bring a reading or a scan
        </FileButton>
        <MeasuredOn value={measured} onChange={setMeasured} />
      </div>
      {(both || scanner) && (
        <p className="soft">
          {scanner ? `Scans are read by the scanner’s curve from wedge ${scanner.wedge}. ` : ''}
          {both && (
            <Button
              size="small"
              onClick={() =>
                learn.mutate(() =>
                  answer(api.PUT('/api/wedges/{number}/scanner', { params: { path: { number: wedge.number } } })),
                )
              }
            >
              Calibrate the scanner by this wedge
            </Button>
          )}{' '}
          {scanner && (
            <Button size="small" onClick={() => learn.mutate(() => answer(api.DELETE('/api/wedges/scanner')))}>
              Forget it
            </Button>
          )}
        </p>
      )}
    </section>
  )
}

/** Other wedges of the same paper: which gives the deepest black and the straightest scale. */
function Beside({ wedge }: { wedge: Wedge }) {
  const { data } = useWedges()
  const [drawn, draw] = useState(false)
  const others =
    data
      ?.filter(wasRead)
      .filter((w) => w.number !== wedge.number && !w.through && w.paper === wedge.paper)
      .slice(0, 5) ?? []
  if (!wasRead(wedge) || others.length === 0) return null
  return (
    <section>
      <h2 className="head">Beside it</h2>
      <ul className="beside soft">
        {others.map((w) => (
          <li key={w.number}>
            <Link to={`/tones/${w.number}`}>
              {w.number}: {otherwise(w, wedge)}
            </Link>
            : black L* {fixed(w.reading.black.l, 1)}, off {fixed(w.reading.before, 1)}
          </li>
        ))}
      </ul>
      <Button size="small" onClick={() => draw((d) => !d)}>
        {drawn ? 'Close the plot' : 'Draw them together'}
      </Button>
      {drawn && (
        <ComparedPlot
          label="L* of each step"
          scales={[wedge, ...others].map((w) => ({
            name: `${w.number}: ${w.number === wedge.number ? 'this one' : otherwise(w, wedge)}`,
            told: w.reading,
          }))}
        />
      )}
    </section>
  )
}
