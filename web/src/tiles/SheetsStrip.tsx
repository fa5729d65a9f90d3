import type { TiledDocket } from '../api/types'
import { Marks } from '../size/Marks'
import { PaperShape } from '../size/PaperShape'
import { Pieces } from '../size/Pieces'
import { placeOf } from './words'

const HIGH = 84
const WIDE = 132
const MOST = 60

/** Each sheet as it will be printed, in their order. */
export function SheetsStrip({ view, columns, rows }: { view: TiledDocket; columns: number; rows: number }) {
  const sheets = columns * rows
  const shown = view.layout.pages.slice(0, Math.min(sheets, MOST))
  return (
    <ol className="sheets-strip" aria-label="Sheets in their order">
      {shown.map((page, i) => {
        const scale = Math.min(HIGH / page.heightMm, WIDE / page.widthMm)
        const place = placeOf(columns, rows, i)
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: sheets have no other name than their number
          <li key={i} style={{ width: Math.max(86, page.widthMm * scale + 6) }}>
            <div className="sheet" style={{ width: page.widthMm * scale, height: page.heightMm * scale }}>
              <svg width={page.widthMm * scale + 4} height={page.heightMm * scale + 5} aria-hidden="true">
                <PaperShape view={view} page={page} x0={0} y0={0} scale={scale} />
              </svg>
              <div className="paper" style={{ width: page.widthMm * scale, height: page.heightMm * scale }}>
                <Pieces view={view} pieces={page.placed} scale={scale} />
                <Marks marks={page.marks} scale={scale} width={page.widthMm * scale} height={page.heightMm * scale} />
              </div>
            </div>
            <span>
              {i + 1}
              {place && ` · ${place}`}
            </span>
          </li>
        )
      })}
      {sheets > MOST && <li className="more">and {sheets - MOST} more</li>}
    </ol>
  )
}
