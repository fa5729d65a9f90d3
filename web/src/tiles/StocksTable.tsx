import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answer, api } from '../api/client'
import type { Tiling } from '../api/types'
import type { TiledProps } from '../docket/useDocket'
import { percent } from '../parts/numbers'
import { duration } from '../release/words'

const FEW = 4

/** What it takes on each stock, both ways round, the fewest sheets first; a row is chosen by one press. */
export function StocksTable({ view, tools }: Pick<TiledProps, 'view' | 'tools'>) {
  const [all, setAll] = useState(false)
  const query = useQuery({
    queryKey: ['tilings', view.id, view.version],
    queryFn: () => answer(api.GET('/api/dockets/{id}/tilings', { params: { path: { id: view.id } } })),
    placeholderData: (before) => before,
  })
  const tilings = query.data ?? []
  const now = (t: Tiling) => t.across === view.spec.plan.across && t.name === view.stockName
  const few = tilings.filter((t, i) => i < FEW || now(t))
  const shown = all ? tilings : few
  return (
    <section>
      <h2 className="head">On which sheets</h2>
      <table className="tilings">
        <thead>
          <tr>
            <th />
            <th>sheets</th>
            <th>cuts</th>
            <th>bare</th>
            <th>takes</th>
            <th>here</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((t) => (
            <tr key={`${t.name} ${t.across}`} className={now(t) ? 'now' : ''}>
              <td>
                <button
                  type="button"
                  className="textual"
                  aria-pressed={now(t)}
                  onClick={() => tools.decide({ kind: 'sheets-chosen', stock: t.stock, across: t.across, feed: t.chosen.feed })}
                >
                  <span aria-hidden="true">{now(t) ? '●' : '○'}</span> {t.name}, {t.across ? 'across' : 'upright'}
                </button>
              </td>
              <td>
                {t.columns} × {t.rows} = {t.columns * t.rows}
              </td>
              <td>{t.cuts}</td>
              <td>{percent(t.bareShare)}</td>
              <td>{t.seconds > 0 ? duration(t.seconds) : ''}</td>
              <td>{t.lies ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {query.isSuccess && tilings.length === 0 && <p className="soft">No paper of this kind can be joined to that size.</p>}
      {tilings.length > few.length && (
        <button type="button" className="textual" onClick={() => setAll(!all)}>
          {all ? 'fewer' : `all ${tilings.length}`}
        </button>
      )}
    </section>
  )
}
