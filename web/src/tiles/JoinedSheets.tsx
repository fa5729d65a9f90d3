import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import { joinedUrl } from '../api/pictures'
import { fixed } from '../parts/numbers'
import './tiles.css'

const LARGEST = 1400

/** From here on a joint is seen, in ΔE and mm. */
const SEEN = { colour: 2, mm: 0.5 }

/**
 * The scans of all sheets as they will be joined, and how much neighbours differ where both show the same.
 *
 * @param sheets that were scanned, `of` how many
 */
export function JoinedSheets({ attemptId, sheets, of }: { attemptId: string; sheets: number; of: number }) {
  const { data } = useQuery({
    queryKey: ['seams', attemptId, sheets],
    queryFn: ({ signal }) => answer(api.GET('/api/attempts/{id}/seams', { params: { path: { id: attemptId } }, signal })),
  })
  return (
    <div className="joined">
      <img src={joinedUrl(attemptId, sheets, LARGEST)} alt="All sheets as they will be joined, from their scans" />
      <p>
        {sheets < of ? `${sheets} of ${of} sheets are scanned. ` : ''}
        {data &&
          (data.length === 0
            ? 'No two neighbours are scanned yet.'
            : data.some(bad)
              ? 'Look at the joints that are marked.'
              : 'Neighbours meet: no joint differs so that it would be seen.')}
      </p>
      {data && data.length > 0 && (
        <table className="tilings">
          <thead>
            <tr>
              <th>sheets</th>
              <th>colour, ΔE</th>
              <th>across the joint, mm</th>
              <th>along it, mm</th>
            </tr>
          </thead>
          <tbody>
            {data.map((s) => (
              <tr key={`${s.page} ${s.other}`} className={bad(s) ? 'now' : ''}>
                <td>
                  {bad(s) ? '◐ ' : ''}
                  {s.page} {s.betweenColumns ? 'and' : 'above'} {s.other}
                </td>
                <td>{fixed(s.meanDifference, 1)}</td>
                <td>{offset(s.acrossMm)}</td>
                <td>{offset(s.alongMm)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}

type Seam = { meanDifference: number; acrossMm?: number; alongMm?: number }

const bad = (s: Seam) =>
  s.meanDifference > SEEN.colour || Math.abs(s.acrossMm ?? 0) > SEEN.mm || Math.abs(s.alongMm ?? 0) > SEEN.mm

/** Where too little is to be seen to tell, a dash. */
const offset = (mm: number | undefined) => (mm === undefined || mm === null ? '–' : fixed(Math.abs(mm) < 0.05 ? 0 : mm, 1))
