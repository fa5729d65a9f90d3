import { useQuery } from '@tanstack/react-query'
import { get } from '../api/client'
import type { Pairing } from '../api/types'
import { fixed, labCss } from '../parts/numbers'

const QUALITY: Record<number, string> = { 3: 'quick', 4: 'standard', 5: 'fine' }

export function Papers() {
  const { data } = useQuery({ queryKey: ['pairings'], queryFn: ({ signal }) => get<Pairing[]>('/api/pairings', signal) })
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
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}
