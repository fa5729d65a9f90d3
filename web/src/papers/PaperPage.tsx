import { useQuery, useQueryClient } from '@tanstack/react-query'
import { App, Button, Modal, Select } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { answer, api, type Problem } from '../api/client'
import type { MadePairing, Pairing } from '../api/types'
import { day, fixed, labCss, moment } from '../parts/numbers'
import { wordFor } from '../printers/words'
import { JudgingPages } from './JudgingPages'
import { MakeProfile } from './MakeProfile'
import { Pair } from './Pair'
import { PaperChecks } from './PaperChecks'
import { PaperGamut } from './PaperGamut'
import { ProfileJudged, ProfilePlots, useJudgement } from './ProfileJudged'
import { TrueSize } from './TrueSize'
import { bodyWords, MAKERS, PAPER, SAME, setWords, versionWords } from './words'
import './papers.css'

/** One pairing: what its paper holds, its profile judged, how it came to be so, and whether its prints come out true to size. */
export function PaperPage() {
  const id = useParams().pairing ?? ''
  const { notification } = App.useApp()
  const [changing, change] = useState(false)
  const { data: versions, error } = useQuery({
    queryKey: ['pairings', id, 'versions'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings/{id}/versions', { params: { path: { id } }, signal })),
  })
  const { data: uses } = useQuery({
    queryKey: ['pairings', id, 'uses'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings/{id}/uses', { params: { path: { id } }, signal })),
  })
  const { data: judged } = useJudgement(versions?.[0]?.version.profileHash)
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
        <span>
          <MakeProfile of={p} /> <Button onClick={() => change(true)}>Change</Button>
        </span>
      </div>
      <div className="paper-columns">
        <div>
          <PaperGamut pairing={p} />
          <PaperChecks pairing={p} />
          {judged && <ProfilePlots judged={judged} />}
        </div>
        <div>
          {judged && <ProfileJudged judged={judged} />}
          <h2 className="head">{PAPER.what}</h2>
          <dl className="rows">
            <dt>surface</dt>
            <dd>{[p.surface, bodyWords(p)].filter(Boolean).join(', ')}</dd>
            <dt>set to</dt>
            <dd>
              {setWords(p, can)}, {wordFor(can?.feeds, p.settings.values['media-source'])}
            </dd>
            <dt>inks</dt>
            <dd>{p.inks || PAPER.ownInks}</dd>
            <dt>white</dt>
            <dd>
              L* {fixed(p.whiteLab[0] ?? 0, 1)}, a* {fixed(p.whiteLab[1] ?? 0, 1)}, b* {fixed(p.whiteLab[2] ?? 0, 1)}
            </dd>
            <dt>usual intent</dt>
            <dd>{p.intent.toLowerCase()}</dd>
            <dt>{PAPER.loaded}</dt>
            <dd>{uses && uses.loaded.length > 0 ? uses.loaded.join('; ') : PAPER.nowhere}</dd>
            <FromWhere hash={p.profileHash} />
            <SamePaper pairing={p} complain={complain} />
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
          <Versions made={versions} prints={uses?.prints ?? {}} />
          <JudgingPages pairing={p} complain={complain} />
          <TrueSize pairing={p} complain={complain} />
        </div>
      </div>
      <Modal open={changing} onCancel={() => change(false)} footer={null} width={560} destroyOnHidden>
        {changing && <Pair profileHash={p.profileHash} of={p} done={() => change(false)} complain={complain} />}
      </Modal>
    </div>
  )
}

/** One paper under two names becomes one. */
function SamePaper({ pairing, complain }: { pairing: Pairing; complain: (e: Problem) => void }) {
  const { modal } = App.useApp()
  const client = useQueryClient()
  const { data: all = [] } = useQuery({
    queryKey: ['pairings'],
    queryFn: ({ signal }) => answer(api.GET('/api/pairings', { signal })),
  })
  const others = [...new Map(all.filter((o) => o.paper !== pairing.paper).map((o) => [o.paper, o.pairingId])).entries()]
  const merge = (other: string) =>
    modal.confirm({
      title: SAME.ask(pairing.paper, others.find(([, id]) => id === other)?.[0] ?? ''),
      content: SAME.help,
      okText: SAME.yes,
      cancelText: SAME.no,
      onOk: () =>
        answer(
          api.POST('/api/pairings/{id}/same-paper', {
            params: { path: { id: pairing.pairingId } },
            body: { pairingId: other },
          }),
        ).then(() => client.invalidateQueries({ queryKey: ['pairings'] }), complain),
    })
  return (
    <>
      <dt>{SAME.label.toLowerCase()}</dt>
      <dd>
        <Select
          size="small"
          aria-label={SAME.label}
          value=""
          popupMatchSelectWidth={false}
          options={[{ value: '', label: SAME.choose }, ...others.map(([paper, id]) => ({ value: id, label: paper }))]}
          onChange={(id) => id && merge(id)}
        />
      </dd>
    </>
  )
}

/** Where its profile came from, where that is known. */
function FromWhere({ hash }: { hash: string }) {
  const { data: origin } = useQuery({
    queryKey: ['profiles', hash, 'origin'],
    queryFn: ({ signal }) => answer(api.GET('/api/profiles/{hash}/origin', { params: { path: { hash } }, signal })),
  })
  if (!origin) return null
  return (
    <>
      <dt>{MAKERS.origin}</dt>
      <dd>
        {origin.maker}
        {origin.edition && `, edition ${origin.edition}`}, fetched {day(origin.fetched)}
        {origin.newer && (
          <>
            . {MAKERS.newer(origin.newer)} <Link to="/papers/makers">{MAKERS.newerLook}</Link>
          </>
        )}
      </dd>
      {origin.licence && (
        <>
          <dt>{MAKERS.licence}</dt>
          <dd className="soft">{origin.licence}</dd>
        </>
      )}
    </>
  )
}

function Versions({ made, prints }: { made: MadePairing[]; prints: Record<string, number> }) {
  const before = (i: number): Pairing | undefined => made[i + 1]?.version
  return (
    <>
      <h2 className="head">Versions</h2>
      <table className="plain versions">
        <tbody>
          {made.map((m, i) => (
            <tr key={m.version.number}>
              <td>{m.version.number}</td>
              <td>{versionWords(m.version, before(i))}</td>
              <td className="soft">{moment(m.at)}</td>
              <td>{PAPER.prints(prints[m.version.number] ?? 0)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
