import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Wedge } from '../api/types'
import { fixed } from '../parts/numbers'
import { ComparedPlot } from './plots'
import { useWedges } from './ToneBench'
import { otherwise, wasRead } from './words'

/** Other wedges of the same paper: which gives the deepest black and the straightest scale. */
export function Beside({ wedge }: { wedge: Wedge }) {
  const { data } = useWedges()
  const [drawn, draw] = useState(false)
  const others =
    data
      ?.filter(wasRead)
      .filter((w) => w.number !== wedge.number && !w.through && w.paper === wedge.paper)
      .slice(0, 5) ?? []
  if (!wasRead(wedge) || others.length === 0) return null
  return (
    <section>
      <h2 className="head">Beside it</h2>
      <ul className="beside soft">
        {others.map((w) => (
          <li key={w.number}>
            <Link to={`/tones/${w.number}`}>
              {w.number}: {otherwise(w, wedge)}
            </Link>
            : black L* {fixed(w.reading.black.l, 1)}, off {fixed(w.reading.before, 1)}
          </li>
        ))}
      </ul>
      <Button size="small" onClick={() => draw((d) => !d)}>
        {drawn ? 'Close the plot' : 'Draw them together'}
      </Button>
      {drawn && (
        <ComparedPlot
          label="L* of each step"
          scales={[wedge, ...others].map((w) => ({
            name: `${w.number}: ${w.number === wedge.number ? 'this one' : otherwise(w, wedge)}`,
            told: w.reading,
          }))}
        />
      )}
    </section>
  )
}
