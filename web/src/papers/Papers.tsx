import { useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Modal, Popconfirm, Select } from 'antd'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { address, answer, api, type Problem, upload } from '../api/client'
import type { Pairing, TakenCompensation } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { fixed, labCss } from '../parts/numbers'
import { BringProfile } from './BringProfile'
import { MakeProfile, OpenProfilings } from './MakeProfile'
import { type Order, OrderChoice, ordered, useRanking } from './order'
import './papers.css'
import { Pair } from './Pair'
import { StartingPoints } from './StartingPoints'
import { bodyWords, MAKERS, setWords } from './words'

const MOST_BYTES = 32 * 1048576

export function Papers() {
  const { data } = useQuery({ queryKey: ['pairings'], queryFn: ({ signal }) => answer(api.GET('/api/pairings', { signal })) })
  const { data: printers } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })),
  })
  const [changing, change] = useState<Pairing>()
  const [order, orderBy] = useState<Order>('name')
  const { data: ranked } = useRanking(order)
  const setTo = (p: Pairing) => setWords(p, printers?.find((k) => k.id === p.printerId)?.can)
  const client = useQueryClient()
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const { data: kept = [] } = useQuery({
    queryKey: ['compensations'],
    queryFn: ({ signal }) => answer(api.GET('/api/compensations', { signal })),
  })
  const refresh = () => client.invalidateQueries({ queryKey: ['compensations'] })
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next })
  const taken = (t: TakenCompensation) => {
    notification.open({ title: `“${t.compensation.name}” is kept.`, description: `${t.words} ${t.compensation.words}.` })
    return refresh()
  }
  const startWith = (pairing: string, compensationId?: string) =>
    answer(
      api.PUT('/api/compensations/usual/{pairingId}', { params: { path: { pairingId: pairing } }, body: { compensationId } }),
    ).then(refresh, complain)
  return (
    <div className="page">
      <div className="placed-head">
        <h1>Papers</h1>
        <span>
          <MakeProfile /> <Button onClick={() => navigate('/papers/makers')}>{MAKERS.button}</Button> <BringProfile />
        </span>
      </div>
      <p className="soft">
        A pairing is what belongs together to print well: a printer, a paper, the media type to set, quality, feed and the profile
        made with all of them.
      </p>
      <OpenProfilings />
      {data?.length === 0 && (
        <p className="empty">
          No pairing is known yet. Bring the profile that came with a paper: Wistel says what it is, and pairs it with a printer.
        </p>
      )}
      {data && data.length > 1 && <OrderChoice order={order} choose={orderBy} />}
      {data && data.length > 0 && (
        <table className="plain">
          <thead>
            <tr>
              <th>Paper</th>
              <th>Printer</th>
              <th>Set to</th>
              <th>White L* a* b*</th>
              <th>Deepest black</th>
              <th>Usual intent</th>
              <th>New dockets start with</th>
              <th>
                <span className="unseen">What to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {ordered(data, order, ranked).map((p) => (
              <tr key={p.pairingId}>
                <td>
                  <span className="swatch" style={{ background: labCss(p.whiteLab) }} />
                  <Link className="titled" to={`/papers/${p.pairingId}`}>
                    {p.paper}
                  </Link>{' '}
                  <span className="soft">{p.surface}</span>
                  <div className="soft">{bodyWords(p)}</div>
                  {p.curves.length > 0 && (
                    <div className="soft">
                      monochrome measured:{' '}
                      {p.curves.map((c) => (
                        <Link key={c.wedge} to={`/tones/${c.wedge}`}>
                          wedge {c.wedge}{' '}
                        </Link>
                      ))}
                    </div>
                  )}
                </td>
                <td>{p.printerName}</td>
                <td>{setTo(p)}</td>
                <td>{p.whiteLab.map((v) => fixed(v, 1)).join('  ')}</td>
                <td>L* {fixed(p.blackL, 1)}</td>
                <td>{p.intent.toLowerCase()}</td>
                <td>
                  <Select
                    size="small"
                    className="starts-with"
                    aria-label={`What new dockets on ${p.paper} start with`}
                    value={kept.find((k) => k.usualOn.includes(p.paper))?.id ?? ''}
                    options={[{ value: '', label: 'no compensation' }, ...kept.map((k) => ({ value: k.id, label: k.name }))]}
                    onChange={(id) => startWith(p.pairingId, id || undefined)}
                  />
                </td>
                <td className="act">
                  <Button size="small" onClick={() => change(p)}>
                    Change
                  </Button>{' '}
                  <Popconfirm
                    title={`Offer ${p.paper} no more?`}
                    description="Dockets and prints that have it keep it."
                    okText="Retire it"
                    cancelText="Keep it"
                    onConfirm={() =>
                      answer(api.DELETE('/api/pairings/{id}', { params: { path: { id: p.pairingId } } })).then(
                        () => client.invalidateQueries({ queryKey: ['pairings'] }),
                        complain,
                      )
                    }
                  >
                    <Button size="small">Retire</Button>
                  </Popconfirm>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Modal open={changing !== undefined} onCancel={() => change(undefined)} footer={null} width={560} destroyOnHidden>
        {changing && <Pair profileHash={changing.profileHash} of={changing} done={() => change(undefined)} complain={complain} />}
      </Modal>
      <StartingPoints complain={complain} />
      <div className="kept">
        <h2>Compensations</h2>
        <FileButton
          size="small"
          accept=".icc,.icm,.json"
          onFile={(f) => upload<TakenCompensation>('/api/compensations/files', {}, f, MOST_BYTES).then(taken, complain)}
        >
          Bring one: an ICC abstract profile, or Wistel's own file
        </FileButton>
      </div>
      {kept.length === 0 ? (
        <p className="empty">
          None is kept yet. On a docket’s proof, the face “compensate” makes them; kept under a name they serve other dockets too.
        </p>
      ) : (
        <table className="plain">
          <thead>
            <tr>
              <th>Name</th>
              <th>What it does</th>
              <th>Made on</th>
              <th>Used on</th>
              <th>
                <span className="unseen">What to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {kept.map((k) => (
              <tr key={k.id}>
                <td className="called">
                  <span className="titled">{k.name}</span> <span className="soft">version {k.version}</span>
                </td>
                <td>{k.words}</td>
                <td>{k.madeFor}</td>
                <td>
                  {k.uses.map((u, i) => (
                    <span key={u.docketId}>
                      {i > 0 && ', '}
                      <Link to={`/dockets/${u.docketId}/proof`}>{u.title}</Link>
                      {u.version < k.version && <span className="soft"> (version {u.version})</span>}
                    </span>
                  ))}
                </td>
                <td className="act">
                  <a href={address('/api/compensations/{id}/profile', { path: { id: k.id } })} download>
                    as ICC profile
                  </a>
                  <a href={address('/api/compensations/{id}/file', { path: { id: k.id } })} download>
                    as JSON
                  </a>
                  <Button
                    size="small"
                    onClick={() =>
                      answer(api.DELETE('/api/compensations/{id}', { params: { path: { id: k.id } } })).then(refresh, complain)
                    }
                  >
                    Let it go
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}
