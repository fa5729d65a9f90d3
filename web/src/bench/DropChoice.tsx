import { Modal, Radio, Select } from 'antd'
import { useState } from 'react'
import type { components } from '../api/schema'

type StartingPoint = components['schemas']['StartingPointView']

/** What several pictures that were dropped at once become. */
export type Becomes = 'EACH' | 'TOGETHER' | 'CONTACT'

const WAYS: { value: Becomes; name: string; what: string }[] = [
  { value: 'EACH', name: 'A docket for each', what: 'every picture is printed by itself' },
  { value: 'TOGETHER', name: 'Together', what: 'one docket, laid side by side and cut apart' },
  {
    value: 'CONTACT',
    name: 'A contact sheet',
    what: 'one docket, small in rows and columns, each with its number and file name',
  },
]

const MOST_TOGETHER = 500

export function DropChoice({
  count,
  starts,
  onChoose,
  onLeave,
}: {
  count: number
  starts: StartingPoint[]
  /** @param from a starting point for each; without one nothing is decided yet */
  onChoose: (becomes: Becomes, from?: string) => void
  onLeave: () => void
}) {
  const [becomes, choose] = useState<Becomes>('EACH')
  const [from, startFrom] = useState('')
  const tooMany = becomes !== 'EACH' && count > MOST_TOGETHER
  return (
    <Modal
      open
      title={count === 1 ? 'One picture' : `${count} pictures`}
      okText={count === 1 ? 'Bring it' : 'Bring them'}
      cancelText={count === 1 ? 'Leave it' : 'Leave them'}
      okButtonProps={{ disabled: tooMany }}
      onCancel={onLeave}
      onOk={() => onChoose(becomes, from || undefined)}
    >
      {count > 1 && (
        <Radio.Group className="becomes" value={becomes} onChange={(e) => choose(e.target.value)}>
          {WAYS.map((w) => (
            <Radio key={w.value} value={w.value}>
              {w.name} <span className="soft">{w.what}</span>
            </Radio>
          ))}
        </Radio.Group>
      )}
      {starts.length > 0 && becomes === 'EACH' && (
        <p className="starts">
          start with{' '}
          <Select
            aria-label="Starting point"
            value={from}
            onChange={startFrom}
            options={[
              { value: '', label: 'nothing decided yet' },
              ...[...new Set(starts.map((s) => s.paper ?? ''))].map((paper) => ({
                label: paper || 'no paper chosen',
                options: starts
                  .filter((s) => (s.paper ?? '') === paper)
                  .map((s) => ({ value: s.id, label: `${s.name} · ${s.words}` })),
              })),
            ]}
          />
        </p>
      )}
      {tooMany && <p>One docket holds up to {MOST_TOGETHER} pictures: bring them in parts.</p>}
    </Modal>
  )
}
