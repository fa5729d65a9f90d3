import { useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Select } from 'antd'
import { Link } from 'react-router'
import { get, type Problem, put, remove } from '../api/client'
import type { CompensationView, Pairing } from '../api/types'
import { fixed, labCss } from '../parts/numbers'
import './papers.css'

const QUALITY: Record<number, string> = { 3: 'quick', 4: 'standard', 5: 'fine' }

export function Papers() {
  const { data } = useQuery({ queryKey: ['pairings'], queryFn: ({ signal }) => get<Pairing[]>('/api/pairings', signal) })
  const client = useQueryClient()
  const { notification } = App.useApp()
  const { data: kept = [] } = useQuery({
    queryKey: ['compensations'],
    queryFn: ({ signal }) => get<CompensationView[]>('/api/compensations', signal),
  })
  const refresh = () => client.invalidateQueries({ queryKey: ['compensations'] })
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next })
  const startWith = (pairing: string, compensationId: string | null) =>
    put(`/api/compensations/usual/${pairing}`, { compensationId }).then(refresh, complain)
  return (
    <div className="page">
      <h1>Papers</h1>
      <p className="soft">
        A pairing is what belongs together to print well: a printer, a paper, the media type to set, quality, feed and the profile
        made with all of them.
      </p>
      {data?.length === 0 && (
        <p className="empty">No pairing is known yet. `./wistel demo` brings three papers with their profiles.</p>
      )}
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
            </tr>
          </thead>
          <tbody>
            {data.map((p) => (
              <tr key={p.pairingId}>
                <td>
                  <span className="swatch" style={{ background: labCss(p.whiteLab) }} />
                  <span className="titled">{p.paper}</span> <span className="soft">{p.surface}</span>
                </td>
                <td>{p.printerName}</td>
                <td>
                  {p.settings.values['media-type']?.replaceAll('-', ' ')}, {QUALITY[Number(p.settings.values['print-quality'])]}
                </td>
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
                    onChange={(id) => startWith(p.pairingId, id || null)}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h2 className="kept">Compensations</h2>
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
              <th />
            </tr>
          </thead>
          <tbody>
            {kept.map((k) => (
              <tr key={k.id}>
                <td>
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
                  <Button size="small" onClick={() => remove(`/api/compensations/${k.id}`).then(refresh, complain)}>
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
