import { useQuery } from '@tanstack/react-query'
import { Modal } from 'antd'
import { useState } from 'react'
import { Link, NavLink, Outlet, useLocation } from 'react-router'
import { answer, api } from '../api/client'
import { useServerEvents } from '../api/events'
import { useScreen } from '../api/screen'
import { MarkSign } from '../parts/MarkSign'
import { DOING, DOING_MARK } from '../printers/words'
import { KEYS, useKeys } from './keys'
import { damagedWords, HELP } from './words'
import './frame.css'

export function Frame() {
  useServerEvents()
  const [keys, setKeys] = useState(false)
  const place = useLocation().pathname
  useKeys({ help: () => setKeys((k) => !k) })
  const screen = useScreen()
  return (
    <div className="frame">
      <header className="header">
        <NavLink to="/" className="wordmark">
          wistel
        </NavLink>
        <nav aria-label="Places">
          <NavLink to="/" className={place === '/' || place.startsWith('/dockets') ? 'active' : ''}>
            Bench
          </NavLink>
          <NavLink to="/papers">Papers</NavLink>
          <NavLink to="/tones">Tone bench</NavLink>
          <NavLink to="/printers">Printers</NavLink>
          <NavLink to="/log">Print log</NavLink>
        </nav>
        <PrinterStates />
        <NavLink to="/settings" className="settings">
          Settings
        </NavLink>
      </header>
      <main className="main">
        <Damaged />
        <Outlet key={screen} />
      </main>
      <Modal open={keys} onCancel={() => setKeys(false)} footer={null} title="Keys">
        <p>
          <Link to="/first-print" onClick={() => setKeys(false)}>
            {HELP}
          </Link>
        </p>
        <table className="keys">
          <tbody>
            {Object.values(KEYS).map(({ shown, what }) => (
              <tr key={shown}>
                <td>
                  <kbd>{shown}</kbd>
                </td>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Modal>
    </div>
  )
}

/** Records that can't be read, wherever one is: the lists are without them. */
function Damaged() {
  const { data } = useQuery({
    queryKey: ['damaged'],
    queryFn: ({ signal }) => answer(api.GET('/api/damaged', { signal })),
    refetchInterval: 60_000,
  })
  if (!data || data.length === 0) return null
  return (
    <p className="damaged" role="status">
      <MarkSign mark="LOOK" /> {damagedWords(data)}
    </p>
  )
}

function PrinterStates() {
  const { data } = useQuery({ queryKey: ['printers'], queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })) })
  return (
    <div className="state" aria-live="polite">
      {data?.map((p) => (
        <span key={p.id}>
          <MarkSign mark={DOING_MARK[p.doing]} /> {p.name} · {DOING[p.doing]}
          {p.reason && `, ${p.reason}`}
        </span>
      ))}
    </div>
  )
}
