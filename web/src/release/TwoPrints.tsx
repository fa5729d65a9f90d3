import { useQuery } from '@tanstack/react-query'
import { Modal, Select } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import { scanUrl } from '../api/pictures'
import type { Attempt } from '../api/types'
import { Divider } from '../parts/Divider'
import { moment } from '../parts/numbers'
import '../proof/proof.css'
import { scanned } from './words'

/** A print beside an earlier one of its docket: what was different, and both scans divided by a line. */
export function TwoPrints({ attempt, others }: { attempt: Attempt; others: Attempt[] }) {
  const [open, setOpen] = useState(false)
  const [chosen, choose] = useState(others[0]?.id)
  const [share, setShare] = useState(0.5)
  const other = others.find((o) => o.id === chosen) ?? others[0]
  const { data: differences } = useQuery({
    queryKey: ['attempt-differences', attempt.id, other?.id],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/attempts/{id}/differences', {
          params: { path: { id: attempt.id }, query: { from: other?.id ?? '' } },
          signal,
        }),
      ),
    enabled: open && other !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  })
  if (!other) return null
  const scanOf = (a: Attempt) => {
    const page = scanned(a)
    return page && scanUrl(a.id, page.page, page.placed[0] ?? '', 1000)
  }
  const left = scanOf(other)
  const right = scanOf(attempt)
  return (
    <>
      <button type="button" className="textual" onClick={() => setOpen(true)}>
        what was different from another attempt
      </button>
      <Modal
        open={open}
        onCancel={() => setOpen(false)}
        footer={null}
        width={760}
        title={`Attempt ${attempt.number} beside another one`}
      >
        <p>
          Beside{' '}
          <Select
            size="small"
            aria-label="The other attempt"
            value={other.id}
            onChange={choose}
            options={others.map((o) => ({ value: o.id, label: `attempt ${o.number}, ${moment(o.created)}` }))}
          />
        </p>
        {differences && (
          <ul className="differences">
            {differences.length === 0 ? (
              <li>Nothing that is decided on a docket was different: what differs is paper, ink, drying or the machine.</li>
            ) : (
              differences.map((d) => <li key={d}>{d}</li>)
            )}
          </ul>
        )}
        {left && right ? (
          <div className="divide two-prints">
            <img src={right} alt={`Attempt ${attempt.number}`} />
            <img
              src={left}
              alt={`Attempt ${other.number}`}
              className="over"
              style={{ clipPath: `inset(0 ${100 * (1 - share)}% 0 0)` }}
            />
            <span className="tag left">Attempt {other.number}</span>
            <span className="tag right">Attempt {attempt.number}</span>
            <Divider share={share} onShare={setShare} label="Divider between the two prints" />
          </div>
        ) : (
          <p className="soft">Not both were scanned, or a scan was let go to make room: lay the prints beside each other.</p>
        )}
      </Modal>
    </>
  )
}
