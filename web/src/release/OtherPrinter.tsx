import { useQuery } from '@tanstack/react-query'
import { Button, Modal } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import type { DocketView } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { MarkSign } from '../parts/MarkSign'
import { ELSEWHERE } from './words'

/** The docket on another printer: what would change, before it does. */
export function OtherPrinter({ view, tools, disabled }: { view: DocketView; tools: DocketTools; disabled: boolean }) {
  const [open, show] = useState(false)
  const { data } = useQuery({
    queryKey: ['docket', view.id, 'elsewhere', view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/alternatives', { params: { path: { id: view.id } }, signal })),
  })
  if (!data || data.length === 0) return null
  const printers = [...new Set(data.map((e) => e.printerName))]
  return (
    <>
      <Button disabled={disabled} onClick={() => show(true)}>
        {printers.length === 1 ? `On ${printers[0]} instead …` : ELSEWHERE.open}
      </Button>
      <Modal open={open} onCancel={() => show(false)} footer={null} title={ELSEWHERE.head} width={640} destroyOnHidden>
        {data.map((e) => (
          <section key={e.pairingId} className="elsewhere">
            <h3>
              {e.printerName} · {e.paper}
            </h3>
            <ul>
              {e.changes.map((c) => (
                <li key={c}>{c}</li>
              ))}
              {e.stops.map((s) => (
                <li key={s}>
                  <MarkSign mark="STOP" size={12} /> {s}
                </li>
              ))}
            </ul>
            <p className="soft">{e.readback}</p>
            <Button
              size="small"
              onClick={() => {
                tools.change({ kind: 'alternative', pairingId: e.pairingId })
                show(false)
              }}
            >
              {ELSEWHERE.take}
            </Button>
          </section>
        ))}
      </Modal>
    </>
  )
}
