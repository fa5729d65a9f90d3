import { Button, Tooltip } from 'antd'
import { answer, api } from '../api/client'
import type { Attempt } from '../api/types'
import { AGAIN } from './words'

/** Prints an attempt once more, and says whether it will be exactly what it was. */
export function Again({
  attempt,
  disabled = false,
  onDone,
  complain,
}: {
  attempt: Attempt
  disabled?: boolean
  onDone: () => void
  complain: (e: Error) => void
}) {
  const { label, help } = AGAIN[attempt.reprint]
  return (
    <Tooltip title={help}>
      <Button
        size="small"
        disabled={disabled}
        onClick={() =>
          answer(api.POST('/api/attempts/{id}/reprints', { params: { path: { id: attempt.id } } })).then(onDone, complain)
        }
      >
        {label}
      </Button>
    </Tooltip>
  )
}
