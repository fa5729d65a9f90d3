import { Modal, Radio } from 'antd'
import { useState } from 'react'

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
  onChoose,
  onLeave,
}: {
  count: number
  onChoose: (becomes: Becomes) => void
  onLeave: () => void
}) {
  const [becomes, choose] = useState<Becomes>('EACH')
  const tooMany = becomes !== 'EACH' && count > MOST_TOGETHER
  return (
    <Modal
      open
      title={`${count} pictures`}
      okText="Bring them"
      cancelText="Leave them"
      okButtonProps={{ disabled: tooMany }}
      onCancel={onLeave}
      onOk={() => onChoose(becomes)}
    >
      <Radio.Group className="becomes" value={becomes} onChange={(e) => choose(e.target.value)}>
        {WAYS.map((w) => (
          <Radio key={w.value} value={w.value}>
            {w.name} <span className="soft">{w.what}</span>
          </Radio>
        ))}
      </Radio.Group>
      {tooMany && <p>One docket holds up to {MOST_TOGETHER} pictures: bring them in parts.</p>}
    </Modal>
  )
}
