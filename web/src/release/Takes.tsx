import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { DocketView } from '../api/types'
import { inkWords, paperWords, TAKES, timeWords } from './words'

/** Time, ink and paper, each with how sure it is. */
export function Takes({ view }: { view: DocketView }) {
  const { data } = useQuery({
    queryKey: ['docket', view.id, 'costs', view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/costs', { params: { path: { id: view.id } }, signal })),
    placeholderData: (before) => before,
  })
  if (!data) return null
  return (
    <section>
      <h2 className="head">{TAKES.head}</h2>
      <dl className="rows">
        <dt>time</dt>
        <dd>{timeWords(data.seconds)}</dd>
        <dt>ink</dt>
        <dd>{inkWords(data.inkMl)}</dd>
        <dt>paper</dt>
        <dd>{paperWords(data, view.stockName)}</dd>
      </dl>
    </section>
  )
}
