import { App, Button, Modal } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { OnBench } from '../api/types'
import { DocketChecklist } from './DocketChecklist'

/** Dockets of one paper are picked, and laid on one sheet or one length of roll. */
export function PrintTogether({ dockets }: { dockets: OnBench[] }) {
  const [open, setOpen] = useState(false)
  const [left, leave] = useState<string[]>([])
  const [busy, setBusy] = useState(false)
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const chosen = dockets.filter((d) => !left.includes(d.id))
  const lay = async () => {
    setBusy(true)
    try {
      const joint = await answer(api.POST('/api/joint-dockets', { body: { dockets: chosen.map((d) => d.id) } }))
      navigate(`/dockets/${joint.id}/size`)
    } catch (e) {
      const problem = e as Problem
      notification.open({ title: problem.message, description: problem.next, duration: 8 })
      setBusy(false)
    }
  }
  if (dockets.length < 2) return null
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Print these together …
      </Button>
      <Modal
        open={open}
        title="Print these together"
        okText={chosen.length === 1 ? 'Lay this one' : `Lay these ${chosen.length}`}
        cancelText="Leave them"
        okButtonProps={{ disabled: chosen.length === 0, loading: busy }}
        onCancel={() => setOpen(false)}
        onOk={lay}
      >
        <p className="soft">
          They come with their crop, size, treatment, compensation and caption, and stay on the bench themselves.
        </p>
        <DocketChecklist
          dockets={dockets}
          chosen={chosen}
          onChoose={(id, on) => leave(on ? left.filter((l) => l !== id) : [...left, id])}
        />
      </Modal>
    </>
  )
}
