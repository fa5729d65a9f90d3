import { Dropdown } from 'antd'
import { useNavigate } from 'react-router'
import { answer, api } from '../api/client'
import type { Attempt } from '../api/types'

const NAMED = 3

/** What lies on a print of several pieces; each can be printed alone again. */
export function PiecesOf({ attempt, complain }: { attempt: Attempt; complain: (e: Error) => void }) {
  const navigate = useNavigate()
  const { pieces } = attempt
  if (pieces.length < 2) return null
  const more = pieces.length - NAMED
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        style: { maxHeight: 320, overflowY: 'auto' },
        items: pieces.map((p) => ({
          key: p.itemId,
          label: `${p.title}${p.docketNumber ? `, of docket ${p.docketNumber}` : ''}: print it again alone`,
          onClick: () =>
            answer(
              api.POST('/api/attempts/{id}/pieces/{itemId}/dockets', { params: { path: { id: attempt.id, itemId: p.itemId } } }),
            ).then((alone) => navigate(`/dockets/${alone.docketId}/size`), complain),
        })),
      }}
    >
      <button type="button" className="pieces-of">
        {pieces
          .slice(0, NAMED)
          .map((p) => p.title)
          .join(', ')}
        {more > 0 ? ` and ${more} more` : ''}
      </button>
    </Dropdown>
  )
}
