import { useQuery } from '@tanstack/react-query'
import { Button, Checkbox } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api } from '../api/client'
import type { Wedge } from '../api/types'
import { MarkSign } from '../parts/MarkSign'
import { fixed, moment } from '../parts/numbers'
import { NewWedge } from './NewWedge'
import { ComparedPlot } from './plots'
import './tone.css'
import { BENCH, standsWords, wasRead } from './words'

const ASK_AGAIN_MS = 3000

export const useWedges = () =>
  useQuery({
    queryKey: ['wedges'],
    queryFn: ({ signal }) => answer(api.GET('/api/wedges', { signal })),
    refetchInterval: ({ state }) => (state.data?.some((w) => w.printing && !w.printing.over) ? ASK_AGAIN_MS : false),
  })

/** Without the media type, which the paper's name says already. */
export const modeWords = (w: Wedge) =>
  w.words
    .split(' · ')
    .filter((_, i) => i !== 1)
    .join(' · ')

export const shortName = (w: Wedge) => `${w.number}: ${w.paper}, ${modeWords(w).replaceAll(' · ', ', ')}`

export function ToneBench() {
  const { data } = useWedges()
  const [chosen, choose] = useState<number[]>([])
  const [drawn, draw] = useState(false)
  const compared = data?.filter(wasRead).filter((w) => chosen.includes(w.number)) ?? []
  return (
    <div className="page">
      <h1>Tone bench</h1>
      <p className="soft">{BENCH.about}</p>
      <NewWedge />
      {drawn && compared.length > 1 && (
        <ComparedPlot
          label="L* of each step, several wedges"
          scales={compared.map((w) => ({ name: shortName(w), told: w.reading }))}
        />
      )}
      {data?.length === 0 && <p className="empty">{BENCH.none}</p>}
      {data && data.length > 0 && (
        <>
          <div className="wedges-head">
            <h2 className="head">Wedges</h2>
            <Button size="small" disabled={compared.length < 2} onClick={() => draw((d) => !d)}>
              {drawn && compared.length > 1 ? BENCH.alone : BENCH.compare}
            </Button>
          </div>
          <table className="plain wedges">
            <thead>
              <tr>
                <th>
                  <span className="unseen">Compare</span>
                </th>
                <th>Wedge</th>
                <th>Paper and mode</th>
                <th>Black</th>
                <th>L* off</th>
                <th>Verdict</th>
                <th>State</th>
              </tr>
            </thead>
            <tbody>
              {data.map((w) => (
                <tr key={w.number} className={chosen.includes(w.number) ? 'chosen' : undefined}>
                  <td>
                    <Checkbox
                      aria-label={`Compare wedge ${w.number}`}
                      disabled={!w.reading}
                      checked={chosen.includes(w.number)}
                      onChange={(e) => choose(e.target.checked ? [...chosen, w.number] : chosen.filter((n) => n !== w.number))}
                    />
                  </td>
                  <td>
                    <Link to={`/tones/${w.number}`} className="titled">
                      {w.number}
                    </Link>
                    <div className="soft">{moment(w.created)}</div>
                  </td>
                  <td>
                    <Link to={`/tones/${w.number}`}>
                      {w.paper} on {w.printer}
                    </Link>
                    <div className="soft">{modeWords(w)}</div>
                  </td>
                  <td className="figures">
                    {w.reading && (
                      <>
                        L* {fixed(w.reading.black.l, 1)}
                        <div className="soft">Dmax {fixed(w.reading.density, 2)}</div>
                      </>
                    )}
                  </td>
                  <td className="figures">
                    {w.reading && (
                      <>
                        {fixed(w.reading.before, 1)}
                        {w.reading.points.length > 0 && (
                          <div className="soft">
                            {fixed(w.reading.after, 1)} by {w.reading.points.length}
                          </div>
                        )}
                      </>
                    )}
                  </td>
                  <td className="soft">{w.reading?.verdict[0]}</td>
                  <td>
                    <MarkSign mark={w.kept ? (w.old ? 'LOOK' : 'SETTLED') : w.reading ? 'OPEN' : 'BUSY'} /> {standsWords(w)}
                    {w.old && <div className="soft">more than a year old</div>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  )
}
