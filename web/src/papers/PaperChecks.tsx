import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Modal } from 'antd'
import { Fragment, useState } from 'react'
import { answer, api, type Problem, upload } from '../api/client'
import type { Pairing, PaperCheck } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { MarkSign } from '../parts/MarkSign'
import { day, fixed, labCss } from '../parts/numbers'
import { failedToCome, onItsWay } from '../release/words'
import { CHECKS } from './words'

const ASK_AGAIN_MS = 1500
const MOST_BYTES = 4 * 1048576
const PATCHES = 36
const MOST_BESIDE = 4

function useChecks(id: string) {
  return useQuery({
    queryKey: ['pairings', id, 'checks'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings/{id}/checks', { params: { path: { id } }, signal })),
    refetchInterval: ({ state }) => (state.data?.some((c) => onItsWay(c.state)) ? ASK_AGAIN_MS : false),
  })
}

/** Whether prints on a paper still look as its profile says: checks, their history, what to do. */
export function PaperChecks({ pairing }: { pairing: Pairing }) {
  const id = pairing.pairingId
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [shown, show] = useState<string>()
  const { data: checks = [] } = useChecks(id)
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 9 })
  const act = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onSuccess: () => client.invalidateQueries({ queryKey: ['pairings', id, 'checks'] }),
    onError: complain,
  })
  const begin = () =>
    act.mutate(() => answer(api.POST('/api/pairings/{id}/checks', { params: { path: { id } }, body: { patches: PATCHES } })))
  const read = checks.filter((c) => c.verdict)
  const newest = checks.find((c) => c.beside == null)
  const waiting = newest && !newest.verdict ? newest : undefined
  const beside = checks.filter((c) => c.beside != null && !c.verdict && !failedToCome(c.state)).slice(0, MOST_BESIDE)
  const looked = checks.find((c) => c.id === shown)
  return (
    <section className="checks">
      <h2 className="head">{CHECKS.head}</h2>
      {read.length === 0 && !waiting && <p className="soft">{CHECKS.none}</p>}
      {read.length > 0 && <Drift checks={read} />}
      {read[0] && <Verdict check={read[0]} />}
      {waiting && (
        <p>{waiting.state === 'done' ? CHECKS.ready : failedToCome(waiting.state) ? CHECKS.failed : CHECKS.printing}</p>
      )}
      <div className="buttons">
        {waiting?.state === 'done' && <ReadStrip check={waiting} pending={act.isPending} act={act.mutate} main />}
        {(!waiting || failedToCome(waiting.state)) && (
          <Button loading={act.isPending} onClick={begin}>
            {read.length > 0 ? CHECKS.again : CHECKS.begin}
          </Button>
        )}
        {read[0] && <Button onClick={() => show(read[0]?.id)}>{CHECKS.patches}</Button>}
      </div>
      {beside.length > 0 && (
        <>
          <p>{CHECKS.beside}</p>
          {beside.map((c) => (
            <div className="buttons" key={c.id}>
              <span>
                {c.beside} <span className="soft">{c.state === 'done' ? day(c.created) : CHECKS.onItsWay}</span>
              </span>
              {c.state === 'done' && <ReadStrip check={c} pending={act.isPending} act={act.mutate} />}
            </div>
          ))}
        </>
      )}
      <Modal open={looked !== undefined} onCancel={() => show(undefined)} footer={null} width={720} title={CHECKS.patches}>
        {looked && <Patches check={looked} />}
      </Modal>
    </section>
  )
}

/** By the instrument in the printer's room, or as a file. */
function ReadStrip({
  check,
  pending,
  act,
  main = false,
}: {
  check: PaperCheck
  pending: boolean
  act: (work: () => Promise<unknown>) => void
  main?: boolean
}) {
  return (
    <>
      <Button
        type={main ? 'primary' : 'default'}
        loading={pending}
        onClick={() =>
          act(() => answer(api.POST('/api/checks/{id}/readings/instrument', { params: { path: { id: check.id } } })))
        }
      >
        {CHECKS.read}
      </Button>
      <FileButton
        accept=".txt,.cgats,.csv"
        onFile={(f) => act(() => upload<PaperCheck>('/api/checks/{id}/readings', { path: { id: check.id } }, f, MOST_BYTES))}
      >
        {CHECKS.bring}
      </FileButton>
    </>
  )
}

function Verdict({ check }: { check: PaperCheck }) {
  const v = check.verdict
  if (!v) return null
  const holds = v.advice[0] === 'KEEP'
  return (
    <>
      <p>
        <MarkSign mark={holds ? 'SETTLED' : 'LOOK'} /> {day(check.taken ?? '')}: {v.advice.map((a) => CHECKS.advice[a]).join(' ')}
      </p>
      <dl className="rows">
        {check.figures.map((f) => (
          <Fragment key={f.measure}>
            <dt>{CHECKS.measures[f.measure]}</dt>
            <dd>
              <MarkSign mark={f.value <= f.most ? 'SETTLED' : 'LOOK'} /> {fixed(f.value, 1)}{' '}
              <span className="soft">of at most {fixed(f.most, 1)}</span>
            </dd>
          </Fragment>
        ))}
      </dl>
    </>
  )
}

const WIDE = 560
const HIGH = 90

/** Mean distance of each check over time. */
function Drift({ checks }: { checks: PaperCheck[] }) {
  const points = checks
    .flatMap((c) =>
      c.verdict && c.taken ? [{ id: c.id, at: new Date(c.taken).getTime(), mean: c.verdict.all.mean, version: c.version }] : [],
    )
    .reverse()
  const first = points[0]
  const last = points[points.length - 1]
  if (!first || !last) return null
  const limit = checks[0]?.figures.find((f) => f.measure === 'MEAN')?.most ?? 1
  const top = Math.max(1.2 * limit, ...points.map((p) => 1.1 * p.mean))
  const span = last.at - first.at
  const x = (p: (typeof points)[number], i: number) =>
    30 + (points.length === 1 ? 0 : span > 0 ? (p.at - first.at) / span : i / (points.length - 1)) * (WIDE - 60)
  const y = (v: number) => HIGH - (v / top) * (HIGH - 10)
  return (
    <figure className="plot">
      <figcaption className="head">{CHECKS.drift}</figcaption>
      <svg viewBox={`0 0 ${WIDE} ${HIGH + 20}`} width="100%" role="img" aria-label={CHECKS.drift}>
        {[0, limit].map((v) => (
          <g key={v}>
            <path d={`M30 ${y(v)}h${WIDE - 60}`} className="grid" />
            <text x={26} y={y(v) + 4} textAnchor="end">
              {v}
            </text>
          </g>
        ))}
        <path
          d={points.map((p, i) => `${i ? 'L' : 'M'}${x(p, i).toFixed(1)} ${y(p.mean).toFixed(1)}`).join('')}
          className="measured"
        />
        {points.map((p, i) => (
          <circle key={p.id} cx={x(p, i)} cy={y(p.mean)} r={3.2} className="checked">
            <title>{`${day(new Date(p.at).toISOString())}: ΔE ${p.mean.toFixed(2)}, version ${p.version}`}</title>
          </circle>
        ))}
        <text x={30} y={HIGH + 16}>
          {day(new Date(first.at).toISOString())}
        </text>
        {points.length > 1 && (
          <text x={WIDE - 30} y={HIGH + 16} textAnchor="end">
            {day(new Date(last.at).toISOString())}: {fixed(last.mean, 1)}
          </text>
        )}
      </svg>
    </figure>
  )
}

function Patches({ check }: { check: PaperCheck }) {
  return (
    <table className="plain">
      <thead>
        <tr>
          <th>{CHECKS.place}</th>
          <th>{CHECKS.foreseen}</th>
          <th>{CHECKS.printed}</th>
          <th>ΔE</th>
        </tr>
      </thead>
      <tbody>
        {check.patches.map((p) => (
          <tr key={p.place}>
            <td>
              {p.place} <span className="soft">{p.name}</span>
            </td>
            <td>
              <span className="swatch" style={{ background: labCss([p.foreseen.l, p.foreseen.a, p.foreseen.b]) }} />{' '}
              {[p.foreseen.l, p.foreseen.a, p.foreseen.b].map((v) => fixed(v, 1)).join('  ')}
            </td>
            <td>
              {p.read && (
                <>
                  <span className="swatch" style={{ background: labCss([p.read.l, p.read.a, p.read.b]) }} />{' '}
                  {[p.read.l, p.read.a, p.read.b].map((v) => fixed(v, 1)).join('  ')}
                </>
              )}
            </td>
            <td>{p.distance != null && fixed(p.distance, 1)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
