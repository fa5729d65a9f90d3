import { useQuery } from '@tanstack/react-query'
import { App, Button, Modal } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { MadePairing, Pairing } from '../api/types'
import { fixed, labCss, moment } from '../parts/numbers'
import { wordFor } from '../printers/words'
import { Pair } from './Pair'
import { TrueSize } from './TrueSize'
import { bodyWords, setWords, versionWords } from './words'
import './papers.css'

/** One pairing: what it is, whether its prints come out true to size, and how it came to be so. */
export function PaperPage() {
  const id = useParams().pairing ?? ''
  const { notification } = App.useApp()
  const [changing, change] = useState(false)
  const { data: versions, error } = useQuery({
    queryKey: ['pairings', id, 'versions'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings/{id}/versions', { params: { path: { id } }, signal })),
  })
  const { data: printers } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })),
  })
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next, duration: 9 })
  const p = versions?.[0]?.version
  if (error || (versions && !p)) {
    return (
      <p className="page">
        {error?.message ?? 'There is no such paper.'} <Link to="/papers">Back to the papers</Link>
      </p>
    )
  }
  if (!p || !versions) return null
  const can = printers?.find((k) => k.id === p.printerId)?.can
  return (
    <div className="page paper-page">
      <div className="placed-head">
        <h1>
          <span className="swatch large" style={{ background: labCss(p.whiteLab) }} /> {p.paper}{' '}
          <span className="soft">on {p.printerName}</span>
        </h1>
        <Button onClick={() => change(true)}>Change</Button>
      </div>
      <div className="paper-columns">
        <section>
          <h2 className="head">What it is</h2>
          <dl className="rows">
            <dt>surface</dt>
            <dd>{[p.surface, bodyWords(p)].filter(Boolean).join(', ')}</dd>
            <dt>set to</dt>
            <dd>
              {setWords(p, can)}, {wordFor(can?.feeds, p.settings.values['media-source'])}
            </dd>
            <dt>white</dt>
            <dd>
              L* {fixed(p.whiteLab[0] ?? 0, 1)}, a* {fixed(p.whiteLab[1] ?? 0, 1)}, b* {fixed(p.whiteLab[2] ?? 0, 1)}
            </dd>
            <dt>deepest black</dt>
            <dd>L* {fixed(p.blackL, 1)}</dd>
            <dt>usual intent</dt>
            <dd>{p.intent.toLowerCase()}</dd>
            {p.curves.length > 0 && (
              <>
                <dt>monochrome</dt>
                <dd>
                  {p.curves.map((c, i) => (
                    <span key={c.wedge}>
                      {i > 0 && ', '}
                      <Link to={`/tones/${c.wedge}`}>wedge {c.wedge}</Link>
                    </span>
                  ))}
                </dd>
              </>
            )}
          </dl>
          <Versions made={versions} />
        </section>
        <TrueSize pairing={p} complain={complain} />
      </div>
      <Modal open={changing} onCancel={() => change(false)} footer={null} width={560} destroyOnHidden>
        {changing && <Pair profileHash={p.profileHash} of={p} done={() => change(false)} complain={complain} />}
      </Modal>
    </div>
  )
}

function Versions({ made }: { made: MadePairing[] }) {
  const before = (i: number): Pairing | undefined => made[i + 1]?.version
  return (
    <>
      <h2 className="head">Versions</h2>
      <ol className="versions" reversed>
        {made.map((m, i) => (
          <li key={m.version.number} value={m.version.number}>
            {versionWords(m.version, before(i))} <span className="soft">{moment(m.at)}</span>
          </li>
        ))}
      </ol>
    </>
  )
}
