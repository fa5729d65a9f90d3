import { Select } from 'antd'
import type { StationProps } from '../docket/useDocket'
import { isStock } from './stock'

type Option = { value: number; label: string }
type Props = Pick<StationProps, 'view' | 'tools'> & {
  'aria-label': string
  className: string
  /** Stocks by their place among those that can be chosen, in groups or one after the other. */
  options: (Option | { label: string; options: Option[] })[]
}

/** What paper it is printed on. */
export function StockSelect({ view, tools, ...select }: Props) {
  const { stocks } = view.options
  return (
    <Select
      {...select}
      value={stocks.findIndex(isStock(view))}
      labelRender={() => view.stockName}
      onChange={(i) => {
        const c = stocks[i]
        if (c) tools.decide({ kind: 'stocked', stock: c.stock, feed: c.feed })
      }}
    />
  )
}
