import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Popconfirm } from 'antd'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { answer, api, type Problem, upload } from '../api/client'
import type { Mark, ProfilingPage, ProfilingView } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { MarkSign } from '../parts/MarkSign'
import { day, fixed, labCss, moment } from '../parts/numbers'
import { failedToCome, onItsWay } from '../release/words'
import { MadeProfile } from './MadeProfile'
import { ProfileJudged, ProfilePlots, useJudgement } from './ProfileJudged'
import { MAKE } from './words'
import './papers.css'
import './making.css'

const ASK_AGAIN_MS = 1000
const MOST_BYTES = 8 * 1048576

const out = (p: ProfilingPage) => p.state === 'done'
const dry = (p: ProfilingPage) => p.dryFrom != null && new Date(p.dryFrom) <= new Date()

/** What each step says, and how it stands. */
export function steps(p: ProfilingView): { mark: Mark; words: string }[] {
  const { pages } = p
  const failed = pages.find((q) => failedToCome(q.state))
  const printed = pages.filter(out).length
  const read = pages.filter((q) => q.readings > 0).length
  const latest = pages
    .map((q) => q.dryFrom ?? '')
    .sort()
    .at(-1)
  const mark = (done: boolean, now: boolean): Mark => (done ? 'SETTLED' : now ? 'LOOK' : 'OPEN')
  return [
    { mark: 'SETTLED', words: `${p.patches} patches, ${pages.length} ${pages.length === 1 ? 'page' : 'pages'}` },
    {
      mark: failed ? 'BLOCKED' : mark(printed === pages.length, true),
      words: failed
        ? `page ${failed.page} failed`
        : printed === pages.length
          ? 'colour left alone'
          : `${printed} of ${pages.length} out`,
    },
    {
      mark: mark(pages.every(dry), printed === pages.length),
      words:
        printed < pages.length
          ? `${p.dryingHours} h`
          : pages.every(dry)
            ? 'ready to be read'
            : `ready ${latest ? moment(latest) : ''}`,
    },
    { mark: mark(read === pages.length, pages.some(out)), words: `${read} of ${pages.length}` },
    {
      mark: mark(p.made != null, read === pages.length),
      words: p.made
        ? `${p.gray ? 'left out in turn' : 'held-back'} ΔE ${fixed(p.made.quality.mean, 2)}`
        : p.making && p.making.failure == null
          ? `${Math.round(100 * p.making.share)} % made`
          : 'not made yet',
    },
    { mark: mark(p.kept != null, p.made != null), words: p.kept ? day(p.kept) : '' },
  ]
}

const waits = (p: ProfilingView | undefined) =>
  p?.pages.some((q) => onItsWay(q.state)) || (p?.making != null && p.making.failure == null)

/** A profile in the making: left and taken up when a person likes, the next step always plain. */
export function Making() {
  const id = useParams().id ?? ''
  const client = useQueryClient()
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const [shown, show] = useState(1)
  const { data: p, error } = useQuery({
    queryKey: ['profilings', id],
    queryFn: ({ signal }) => answer(api.GET('/api/profilings/{id}', { params: { path: { id } }, signal })),
    refetchInterval: ({ state }) => (waits(state.data) ? ASK_AGAIN_MS : false),
  })
  const { data: judged } = useJudgement(p?.made?.profileHash)
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 9 })
  const act = useMutation({
    mutationFn: (work: () => Promise<ProfilingView>) => work(),
    onSuccess: (next) => client.setQueryData(['profilings', id], next),
    onError: complain,
  })
  if (error) {
    return (
      <p className="page">
        {error.message} <Link to="/papers">Back to the papers</Link>
      </p>
    )
  }
  if (!p) return null
  const track = steps(p)
  const page = p.pages.find((q) => q.page === shown) ?? p.pages[0]
  const next = p.pages.find((q) => q.readings === 0)
  const taken = p.suspects.filter((s) => !s.leftOut)
  const leftOut = p.pages.flatMap((q) => q.patches.filter((t) => t.leftOut).map((t) => t.id))
  const leave = (patches: string[]) =>
    act.mutate(() => answer(api.PUT('/api/profilings/{id}/left-out', { params: { path: { id } }, body: { patches } })))
  const readPage = (n: number) =>
    act.mutate(() =>
      answer(api.POST('/api/profilings/{id}/pages/{page}/readings/instrument', { params: { path: { id, page: n } } })).then(
        (v) => {
          show(n)
          return v
        },
      ),
    )
  return (
    <div className="page making">
      <div className="placed-head">
        <h1>
          A profile for {p.pairing.paper} <span className="soft">on {p.pairing.printerName}</span>
        </h1>
        {!p.kept && (
          <Popconfirm
            title="Give this profile up?"
            description={MAKE.dropAsk}
            okText={MAKE.drop}
            cancelText="Go on"
            onConfirm={() =>
              answer(api.DELETE('/api/profilings/{id}', { params: { path: { id } } })).then(() => {
                client.invalidateQueries({ queryKey: ['profilings'] })
                navigate('/papers')
              }, complain)
            }
          >
            <Button>{MAKE.drop}</Button>
          </Popconfirm>
        )}
      </div>
      <ol className="making-steps">
        {track.map((s, i) => (
          <li key={MAKE.steps[i]} className={s.mark === 'OPEN' ? 'ahead' : s.mark === 'SETTLED' ? 'behind' : 'now'}>
            <strong>
              <MarkSign mark={s.mark} /> {MAKE.steps[i]}
            </strong>
            <span className="soft">{s.words}</span>
          </li>
        ))}
      </ol>
      <div className="paper-columns">
        <div>
          {page && <ChartDrawing page={page} />}
          <p className="soft">
            {page && page.readings > 0 ? `Page ${page.page} as it was read.` : `Page ${page?.page ?? 1} isn’t read yet.`}{' '}
            {page?.words.join(' ')}
          </p>
          {judged && !p.gray && <ProfilePlots judged={judged} />}
        </div>
        <div>
          <section className="judged">
            <h2 className="head">Pages</h2>
            <table className="plain">
              <tbody>
                {p.pages.map((q) => (
                  <tr key={q.page}>
                    <td>
                      <button type="button" className="textual" onClick={() => show(q.page)}>
                        page {q.page}
                      </button>
                    </td>
                    <td>{pageWords(q, p)}</td>
                    <td className="act">
                      {q.readings > 0 && !p.kept && (
                        <>
                          <Button size="small" disabled={act.isPending} onClick={() => readPage(q.page)}>
                            {MAKE.again}
                          </Button>{' '}
                          <Button
                            size="small"
                            disabled={act.isPending}
                            onClick={() =>
                              act.mutate(() =>
                                answer(
                                  api.DELETE('/api/profilings/{id}/pages/{page}/readings', {
                                    params: { path: { id, page: q.page } },
                                  }),
                                ),
                              )
                            }
                          >
                            {MAKE.forget}
                          </Button>
                        </>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {next && out(next) && (
              <div className="buttons">
                <Button type="primary" loading={act.isPending} onClick={() => readPage(next.page)}>
                  {MAKE.read(next.page)}
                </Button>
                <FileButton
                  accept=".txt,.cgats,.csv"
                  onFile={(f) =>
                    act.mutate(() =>
                      upload<ProfilingView>(
                        '/api/profilings/{id}/pages/{page}/readings',
                        { path: { id, page: next.page } },
                        f,
                        MOST_BYTES,
                      ),
                    )
                  }
                >
                  {MAKE.bring}
                </FileButton>
              </div>
            )}
          </section>
          {!next && <MadeProfile p={p} act={act.mutate} complain={complain} />}
          {p.pages.some((q) => q.readings > 0) && (
            <>
              <h2 className="head">{MAKE.misfits}</h2>
              {p.suspects.length === 0 && <p className="soft">{MAKE.fits}</p>}
              {p.suspects.slice(0, 8).map((s) => (
                <p key={s.id} className={s.leftOut ? 'misfit soft' : 'misfit'}>
                  <span className="swatch large" style={{ background: labCss([s.colour.l, s.colour.a, s.colour.b]) }} />
                  <span className="swatch large" style={{ background: labCss([s.expected.l, s.expected.a, s.expected.b]) }} />
                  {s.name}: read on the left, its neighbours say what is on the right, ΔE {fixed(s.distance, 1)}
                  {s.leftOut && ', left out'}
                </p>
              ))}
              <div className="buttons">
                {taken.length > 0 && !p.kept && (
                  <Button onClick={() => leave([...leftOut, ...taken.map((s) => s.id)])}>{MAKE.leaveOut}</Button>
                )}
                {leftOut.length > 0 && !p.kept && <Button onClick={() => leave([])}>{MAKE.takeIn}</Button>}
              </div>
            </>
          )}
          {judged && <ProfileJudged judged={judged} />}
        </div>
      </div>
    </div>
  )
}

export function pageWords(q: ProfilingPage, p: ProfilingView): string {
  if (q.readings > 0) {
    const noise = q.noise == null ? '' : `, noise ΔE ${fixed(q.noise, 2)}`
    return `read ${q.readings === 1 ? 'once' : `${q.readings} times`}${noise}`
  }
  if (!out(q)) return failedToCome(q.state) ? 'did not come out' : 'being printed'
  return dry(q) ? 'dry, not read yet' : `dries ${p.dryingHours} h, until ${moment(q.dryFrom ?? '')}`
}

/** The page's patches as they were read; those that don't fit are framed, those left out crossed. */
function ChartDrawing({ page }: { page: ProfilingPage }) {
  const rows = Math.ceil(page.patches.length / page.columns)
  const label = `Page ${page.page}: ${page.patches.filter((t) => t.colour).length} of ${page.patches.length} patches read`
  return (
    <svg className="chart-page" viewBox={`0 0 ${page.columns * 20} ${rows * 14}`} role="img" aria-label={label}>
      {page.patches.map((t, i) => {
        const x = (i % page.columns) * 20
        const y = Math.floor(i / page.columns) * 14
        return (
          <g key={t.id}>
            <rect
              x={x + 0.5}
              y={y + 0.5}
              width={19}
              height={13}
              fill={t.colour ? labCss([t.colour.l, t.colour.a, t.colour.b]) : 'none'}
              className={t.suspect && !t.leftOut ? 'misfit' : t.colour ? '' : 'unread'}
            >
              <title>{t.name}</title>
            </rect>
            {t.leftOut && <path d={`M${x + 2} ${y + 2}l15 9m0 -9l-15 9`} className="left-out" />}
          </g>
        )
      })}
    </svg>
  )
}
