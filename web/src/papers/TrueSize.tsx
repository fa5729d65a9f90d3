import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { Pairing, RulerView } from '../api/types'
import { mm, moment } from '../parts/numbers'
import { onItsWay } from '../release/words'
import { TRUE_SIZE } from './words'

const ASK_AGAIN_MS = 2000

/** Prints ruled lines, takes what a ruler says of them, and tells by how much prints are scaled from then on. */
export function TrueSize({ pairing, complain }: { pairing: Pairing; complain: (e: Problem) => void }) {
  const client = useQueryClient()
  const params = { path: { id: pairing.pairingId } }
  const { data } = useQuery({
    queryKey: ['pairings', pairing.pairingId, 'true-size'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings/{id}/true-size', { params, signal })),
    refetchInterval: ({ state }) => (state.data?.rulers.some((r) => onItsWay(r.state)) ? ASK_AGAIN_MS : false),
  })
  const act = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onSuccess: () => client.invalidateQueries({ queryKey: ['pairings'] }),
    onError: complain,
  })
  if (!data) return null
  const [newest] = data.rulers
  const older = data.rulers.slice(1).filter((r) => r.reading)
  const open = newest && !newest.reading
  return (
    <section className="true-size">
      <h2 className="head">True to size</h2>
      <p>{data.words ? `Prints are ${data.words}.` : TRUE_SIZE.unmeasured}</p>
      {open && newest.state === 'done' && (
        <Lines
          key={newest.id}
          ruler={newest}
          keep={(across, along) =>
            act.mutate(() =>
              answer(api.PUT('/api/rulers/{id}/reading', { params: { path: { id: newest.id } }, body: { across, along } })),
            )
          }
          busy={act.isPending}
        />
      )}
      {open && newest.state !== 'done' && (
        <p>
          {onItsWay(newest.state) ? TRUE_SIZE.printing(newest.stock) : TRUE_SIZE.failed} <Link to="/log">{TRUE_SIZE.log}</Link>
        </p>
      )}
      <div className="buttons">
        <Button
          type={data.rulers.length === 0 ? 'primary' : 'default'}
          loading={act.isPending}
          disabled={open && onItsWay(newest.state)}
          onClick={() => act.mutate(() => answer(api.POST('/api/pairings/{id}/rulers', { params })))}
        >
          {data.rulers.length === 0 ? TRUE_SIZE.print : TRUE_SIZE.printAgain}
        </Button>
        {data.words && (
          <Button onClick={() => act.mutate(() => answer(api.DELETE('/api/pairings/{id}/true-size', { params })))}>
            {TRUE_SIZE.forget}
          </Button>
        )}
      </div>
      <p className="soft">{TRUE_SIZE.help}</p>
      {newest?.reading && <Read ruler={newest} />}
      {older.map((r) => (
        <Read key={r.id} ruler={r} />
      ))}
    </section>
  )
}

function Read({ ruler }: { ruler: RulerView }) {
  const { reading } = ruler
  if (!reading) return null
  const said = [
    reading.alongMm !== undefined ? `${reading.alongMm.toFixed(2)} for ${mm(ruler.alongMm)} mm along` : '',
    reading.acrossMm !== undefined ? `${reading.acrossMm.toFixed(2)} for ${mm(ruler.acrossMm)} mm across` : '',
  ].filter(Boolean)
  return (
    <p className="soft">
      {moment(ruler.printed)}, {ruler.stock}: {said.join(', ')} → version {reading.version}
    </p>
  )
}

/** The sheet with its two lines, each with the place to write what a ruler says. */
function Lines({ ruler, keep, busy }: { ruler: RulerView; keep: (across: string, along: string) => void; busy: boolean }) {
  const [across, setAcross] = useState('')
  const [along, setAlong] = useState('')
  const longest = Math.max(ruler.acrossMm, ruler.alongMm)
  const w = 60 + (170 * ruler.acrossMm) / longest
  const h = 60 + (170 * ruler.alongMm) / longest
  return (
    <form
      className="ruled"
      onSubmit={(e) => {
        e.preventDefault()
        keep(across, along)
      }}
    >
      <svg width={w} height={h} role="img" aria-label={TRUE_SIZE.drawing}>
        <rect x="0.5" y="0.5" width={w - 1} height={h - 1} className="ruled-paper" />
        <path d={`M18 26V${h - 18}M13 26h10M13 ${h - 18}h10M26 18H${w - 18}M26 13v10M${w - 18} 13v10`} className="ruled-line" />
        <path d="M52 78V58h-7l12-16 12 16h-7v20z" className="ruled-arrow" />
      </svg>
      <div className="ruled-fields">
        <p>{TRUE_SIZE.read(ruler.stock)}</p>
        <label htmlFor="ruled-along">
          <span>along the feed, meant {mm(ruler.alongMm)} mm</span>
          <Input id="ruled-along" value={along} onChange={(e) => setAlong(e.target.value)} placeholder="mm, cm, in" />
        </label>
        <label htmlFor="ruled-across">
          <span>across it, meant {mm(ruler.acrossMm)} mm</span>
          <Input id="ruled-across" value={across} onChange={(e) => setAcross(e.target.value)} placeholder="mm, cm, in" />
        </label>
        <Button type="primary" htmlType="submit" loading={busy} disabled={!across.trim() && !along.trim()}>
          {TRUE_SIZE.keep}
        </Button>
      </div>
    </form>
  )
}
