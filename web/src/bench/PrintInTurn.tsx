import { useQueryClient } from '@tanstack/react-query'
import { App, Button, Modal } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { components } from '../api/schema'
import type { OnBench } from '../api/types'
import { MarkSign } from '../parts/MarkSign'
import { DocketChecklist } from './DocketChecklist'

type Series = components['schemas']['Series']

/** Dockets of one paper are released one after the other; what was released is told, and taken back as long as nothing was sent. */
export function PrintInTurn({ dockets }: { dockets: OnBench[] }) {
  const client = useQueryClient()
  const { notification } = App.useApp()
  const [open, setOpen] = useState(false)
  const [left, leave] = useState<string[]>([])
  const [busy, setBusy] = useState(false)
  const [series, setSeries] = useState<Series>()
  const chosen = dockets.filter((d) => !left.includes(d.id))
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 8 })
  const close = () => {
    setOpen(false)
    setSeries(undefined)
  }
  const act = <T,>(call: Promise<T>, then: (answered: T) => void) => {
    setBusy(true)
    call.then(then, complain).finally(() => {
      setBusy(false)
      client.invalidateQueries({ queryKey: ['bench'] })
      client.invalidateQueries({ queryKey: ['attempts'] })
    })
  }
  const release = () => act(answer(api.POST('/api/series', { body: { dockets: chosen.map((d) => d.id) } })), setSeries)
  const takeBack = () =>
    act(
      answer(api.POST('/api/series/taken-back', { body: { attempts: series?.released.map((r) => r.attemptId) ?? [] } })),
      ({ takenBack, goingOn }) => {
        notification.open({
          title: takenBack.length === 1 ? 'One print is taken back.' : `${takenBack.length} prints are taken back.`,
          ...(goingOn.length > 0 ? { description: `${goingOn.length} went to the printer already and come out.` } : {}),
        })
        close()
      },
    )
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        One after another …
      </Button>
      <Modal
        open={open}
        title={series ? 'On their way, in this order' : 'Print these one after another'}
        okText={series ? 'Good' : chosen.length === 1 ? 'Print this one' : `Print these ${chosen.length}`}
        cancelText={series ? 'Take them back' : 'Leave them'}
        okButtonProps={{ disabled: !series && chosen.length === 0, loading: busy && !series }}
        cancelButtonProps={{ disabled: series !== undefined && series.released.length === 0 }}
        closable={false}
        mask={{ closable: false }}
        onCancel={() => (series ? takeBack() : close())}
        onOk={() => (series ? close() : release())}
      >
        {series ? (
          <>
            <ol className="in-turn">
              {series.released.map((r) => (
                <li key={r.attemptId}>
                  {r.title} <span className="soft">docket {r.docketNumber}</span>
                </li>
              ))}
            </ol>
            {series.released.length === 0 && <p>Nothing was released.</p>}
            {series.heldBack.length > 0 && (
              <>
                <h2 className="head">Held back</h2>
                <ul className="waiting">
                  {series.heldBack.map((h) => (
                    <li key={h.docketId}>
                      <MarkSign mark="STOP" size={11} /> <Link to={`/dockets/${h.docketId}/release`}>{h.title}</Link>{' '}
                      <span className="soft">{h.why}</span>
                    </li>
                  ))}
                </ul>
              </>
            )}
            {series.released.length > 0 && <p className="soft">They can be taken back as long as nothing of them was sent.</p>}
          </>
        ) : (
          <>
            <p className="soft">
              Each is printed as its docket says, in the order that changes black ink and feed least often. What something stops
              is held back.
            </p>
            <DocketChecklist
              dockets={dockets}
              chosen={chosen}
              onChoose={(id, on) => leave(on ? left.filter((l) => l !== id) : [...left, id])}
            />
          </>
        )}
      </Modal>
    </>
  )
}
