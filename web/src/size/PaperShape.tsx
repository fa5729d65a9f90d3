import type { DocketView, Page } from '../api/types'
import { labCss, mm } from '../parts/numbers'

type Props = { view: DocketView; page: Page; x0: number; y0: number; scale: number }

/** The bare paper of a page within an SVG drawing, with the edge that can't be printed hatched. */
export function PaperShape({ view, page, x0, y0, scale }: Props) {
  const m = page.unprintable
  const sw = page.widthMm * scale
  const sh = page.heightMm * scale
  return (
    <>
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" className="hatch" />
        </pattern>
      </defs>
      <rect x={x0 + 3} y={y0 + 4} width={sw} height={sh} className="shadow" />
      <rect x={x0} y={y0} width={sw} height={sh} fill={view.pairing ? labCss(view.pairing.whiteLab) : '#f7f6f2'} />
      <path
        d={`M${x0} ${y0}h${sw}v${sh}h${-sw}zM${x0 + m.left * scale} ${y0 + m.top * scale}v${sh - (m.top + m.bottom) * scale}h${sw - (m.left + m.right) * scale}v${-sh + (m.top + m.bottom) * scale}z`}
        fillRule="evenodd"
        fill="url(#hatch)"
      />
    </>
  )
}

/** What paper it is, and how large, below it. */
export function PaperName({ view, page, x0, y0, scale }: Props) {
  const middle = x0 + (page.widthMm * scale) / 2
  const below = y0 + page.heightMm * scale
  return (
    <g className="told">
      <rect x={middle - 115} y={below + 12} width="230" height="17" />
      <text x={middle} y={below + 25}>
        {view.stockName}, {mm(page.widthMm)} × {mm(page.heightMm)} mm
      </text>
    </g>
  )
}
