import { useQuery } from '@tanstack/react-query'
import { Select } from 'antd'
import { answer, api } from '../api/client'
import type { Pairing } from '../api/types'
import { useBenchPictures } from '../parts/useBenchPictures'
import { ORDER } from './words'

/** By what papers are looked through: by a column, or for a picture, as "docket rendition". */
export type Order = 'name' | 'black' | 'white' | `${string} ${string}`

/** Ids of pairings as they suit a picture, the best first; nothing for the other orders. */
export function useRanking(order: Order) {
  const [id = '', rendition = ''] = order.split(' ')
  return useQuery({
    queryKey: ['docket', id, rendition, 'pairing-comparison'],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/pairing-comparison', { params: { path: { id, rendition } }, signal }),
      ),
    enabled: rendition !== '',
    select: (all) => all.map((c) => c.pairingId),
  })
}

export function ordered(pairings: Pairing[], order: Order, ranked: string[] | undefined): Pairing[] {
  const by: Record<string, (p: Pairing) => number> = {
    black: (p) => p.blackL,
    white: (p) => -(p.whiteLab[0] ?? 0),
  }
  const place =
    ranked && order.includes(' ') ? (p: Pairing) => (ranked.indexOf(p.pairingId) + ranked.length) % ranked.length : by[order]
  return place ? [...pairings].sort((a, b) => place(a) - place(b)) : pairings
}

export function OrderChoice({ order, choose }: { order: Order; choose: (next: Order) => void }) {
  const pictures = useBenchPictures().map(({ value, label }) => ({ value, label }))
  return (
    <p className="order-by">
      {ORDER.by}{' '}
      <Select
        size="small"
        aria-label={ORDER.label}
        value={order}
        onChange={choose}
        popupMatchSelectWidth={false}
        options={[...ORDER.columns, { label: ORDER.picture, options: pictures }]}
      />
    </p>
  )
}
