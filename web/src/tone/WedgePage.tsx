import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Popconfirm } from 'antd'
import { Link, useNavigate, useParams } from 'react-router'
import { address, answer, api, type Problem, upload } from '../api/client'
import type { Wedge, WedgeTold } from '../api/types'
import { fixed, moment } from '../parts/numbers'
import { Beside } from './BesideWedges'
import { Correction, Verdict } from './Correction'
import { DriftPlot, LightnessPlot } from './plots'
import { READINGS, Reading } from './WedgeReading'
import { driedWords, NEXT, PLOT } from './words'
import './tone.css'

const LARGEST = 400 * 1048576
const ASK_AGAIN_MS = 2000
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
