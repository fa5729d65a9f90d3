import { Link } from 'react-router'
import type { Brought } from '../api/bring'
import { masterThumbnail } from '../api/pictures'
import { MarkSign } from '../parts/MarkSign'

/** Pictures that are on their way onto one docket. */
export type Gathering = {
  title: string
  count: number
  read: Brought[]
  left: { name: string; why: string }[]
  docket?: string
  done: boolean
}

const SHOWN = 60

/** Each picture as it is read, what is left out and why, and the docket on which they lie. */
export function GatheringSoFar({ gathering: g }: { gathering: Gathering }) {
  return (
    <section className="gathering" aria-live="polite">
      <b>
        {g.title}: {g.read.length} of {g.count} {g.done ? 'brought' : 'read'}
        {g.left.length > 0 && `, ${g.left.length} left out`}
      </b>
      {!g.done && <div className="bar" style={{ width: `${(100 * (g.read.length + g.left.length)) / g.count}%` }} />}
      <div className="seen">
        {g.read.slice(-SHOWN).map((p, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same file may be dropped twice
          <img key={i} src={masterThumbnail(p.hash, 120)} alt={p.fileName} title={p.fileName} />
        ))}
      </div>
      {g.docket && <Link to={`/dockets/${g.docket}/size`}>open it</Link>}
      {g.left.length > 0 && (
        <ul>
          {g.left.map((l) => (
            <li key={l.name}>
              <MarkSign mark="STOP" /> <b>{l.name}</b> {l.why}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
