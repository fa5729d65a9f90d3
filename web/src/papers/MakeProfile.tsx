import { useQuery } from '@tanstack/react-query'
import { App, Button, Modal } from 'antd'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { Pairing } from '../api/types'
import { day } from '../parts/numbers'
import { Pair } from './Pair'
import { MAKE } from './words'

/** Begins a profile: what it is for, and which chart is printed. */
export function MakeProfile({ of }: { of?: Pairing }) {
  const [open, setOpen] = useState(false)
  const navigate = useNavigate()
  const { notification } = App.useApp()
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 9 })
  return (
    <>
      <Button onClick={() => setOpen(true)}>{MAKE.button}</Button>
      <Modal open={open} onCancel={() => setOpen(false)} footer={null} width={560} destroyOnHidden>
        {open && (
          <Pair of={of} done={() => setOpen(false)} begun={(id) => navigate(`/papers/making/${id}`)} complain={complain} />
        )}
      </Modal>
    </>
  )
}

/** Profiles that were begun: each is taken up again with a press. */
export function OpenProfilings() {
  const { data = [] } = useQuery({
    queryKey: ['profilings'],
    queryFn: ({ signal }) => answer(api.GET('/api/profilings', { signal })),
  })
  if (data.length === 0) return null
  return (
    <p>
      {MAKE.open}:{' '}
      {data.map((p, i) => (
        <span key={p.id}>
          {i > 0 && '; '}
          <Link to={`/papers/making/${p.id}`}>
            {p.paper} on {p.printerName}
          </Link>{' '}
          <span className="soft">
            {p.patches} patches, {p.made ? 'made' : `${p.read} of ${p.pages} ${p.pages === 1 ? 'page' : 'pages'} read`}, begun{' '}
            {day(p.created)}
          </span>
        </span>
      ))}
    </p>
  )
}
