import type { Histogram } from '../api/types'

const DASHES = ['', '4 2', '1.5 2']
const NAMES = ['red', 'green', 'blue']

/** Levels from solid black to bare paper; channels told apart by the stroke, because colour belongs to pictures. */
export function HistogramPlot({ counts: channels }: { counts: Histogram['counts'] }) {
  const peak = Math.max(1, ...channels.flatMap((c) => c.slice(2, 254)))
  const path = (counts: number[]) =>
    counts
      .map((n, i) => `${i === 0 ? 'M' : 'L'}${(i * 330) / 255} ${(96 - 92 * Math.min(1, Math.sqrt(n / peak))).toFixed(1)}`)
      .join('')
  return (
    <figure className="plot">
      <svg viewBox="0 0 330 112" width="100%" role="img" aria-label="Histogram of the picture's levels">
        <rect x="0" y="0" width="330" height="96" fill="#ededed" />
        {channels.map((c, i) => (
          <path
            key={NAMES[i]}
            d={path(c)}
            fill="none"
            stroke="#1e1e1e"
            strokeWidth="1.1"
            strokeDasharray={channels.length > 1 ? DASHES[i] : ''}
          />
        ))}
        <text x="0" y="109" fontSize="11" fill="#5e5e5e">
          black 0
        </text>
        <text x="330" y="109" fontSize="11" fill="#5e5e5e" textAnchor="end">
          255 paper
        </text>
      </svg>
      {channels.length > 1 && (
        <figcaption className="soft">red solid, green dashed, blue dotted; heights as square roots</figcaption>
      )}
    </figure>
  )
}
