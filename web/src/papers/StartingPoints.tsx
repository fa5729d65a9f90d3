import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button } from 'antd'
import { answer, api, type Problem } from '../api/client'

/** Decisions that are kept under names, by paper. */
export function StartingPoints({ complain }: { complain: (e: Problem) => void }) {
  const client = useQueryClient()
  const { data = [] } = useQuery({
    queryKey: ['starting-points'],
    queryFn: ({ signal }) => answer(api.GET('/api/starting-points', { signal })),
  })
  return (
    <>
      <div className="kept">
        <h2>Starting points</h2>
      </div>
      {data.length === 0 ? (
        <p className="empty">
          None is kept yet. “Keep as a start” on a docket keeps its decisions under a name; they are offered when pictures are
          dropped.
        </p>
      ) : (
        <table className="plain" aria-label="Starting points">
          <thead>
            <tr>
              <th>Name</th>
              <th>Paper</th>
              <th>Sheet and size</th>
              <th>
                <span className="unseen">What to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.map((p) => (
              <tr key={p.id}>
                <td className="called">
                  <span className="titled">{p.name}</span>
                </td>
                <td>{p.paper ?? 'none chosen'}</td>
                <td>{p.words}</td>
                <td className="act">
                  <Button
                    size="small"
                    onClick={() =>
                      answer(api.DELETE('/api/starting-points/{id}', { params: { path: { id: p.id } } })).then(
                        () => client.invalidateQueries({ queryKey: ['starting-points'] }),
                        complain,
                      )
                    }
                  >
                    Let go
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  )
}
