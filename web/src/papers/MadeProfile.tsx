import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Button, Progress, Radio, Select } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { address, answer, api, type Problem } from '../api/client'
import { forScreen } from '../api/screen'
import type { ProfileChoices, ProfileJudgement, ProfilingView } from '../api/types'
import { fixed } from '../parts/numbers'
import { useBenchPictures } from '../parts/useBenchPictures'
import { useJudgement } from './ProfileJudged'
import { CHOICES, MAKE } from './words'

const LONGEST = 420

/** What a person decides about the profile, how it comes out beside the one in use, and keeping it. */
export function MadeProfile({
  p,
  act,
  complain,
}: {
  p: ProfilingView
  act: (work: () => Promise<ProfilingView>) => void
  complain: (e: Problem) => void
}) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const [choices, choose] = useState<ProfileChoices>(p.choices)
  const path = { id: p.id }
  const running = p.making != null && p.making.failure == null
  const changed = JSON.stringify(choices) !== JSON.stringify(p.choices)
  const keep = useMutation({
    mutationFn: () => answer(api.POST('/api/profilings/{id}/pairing', { params: { path } })),
    onSuccess: (made) => {
      client.invalidateQueries({ queryKey: ['pairings'] })
      client.invalidateQueries({ queryKey: ['profilings'] })
      navigate(`/papers/${made.pairingId}`)
    },
    onError: complain,
  })
  const make = () => act(() => answer(api.POST('/api/profilings/{id}/profile', { params: { path }, body: choices })))
  return (
    <section className="made-profile">
      <h2 className="head">{MAKE.judgeHead}</h2>
      {!p.kept && !p.gray && <Choices of={choices} change={choose} disabled={running} />}
      {p.making?.failure && (
        <p className="doubt" role="alert">
          {p.making.failure} {p.making.next}
        </p>
      )}
      {running && (
        <div className="buttons">
          <Progress percent={Math.round(100 * (p.making?.share ?? 0))} strokeColor="var(--ink)" aria-label={MAKE.isMade} />
          <Button onClick={() => act(() => answer(api.DELETE('/api/profilings/{id}/profile', { params: { path } })))}>
            {MAKE.stop}
          </Button>
        </div>
      )}
      {!running && !p.kept && (
        <div className="buttons">
          {(!p.made || changed) && (
            <Button type="primary" onClick={make}>
              {p.made ? MAKE.makeAgain : MAKE.make}
            </Button>
          )}
          {p.made && !changed && (
            <Button type="primary" loading={keep.isPending} onClick={() => keep.mutate()}>
              {MAKE.keep}
            </Button>
          )}
        </div>
      )}
      {p.made && (
        <>
          <Compared p={p} />
          {!p.gray && <OnAPicture hash={p.made.profileHash} inUse={p.made.inUse ?? undefined} />}
        </>
      )}
      <p className="files">
        {p.made && (
          <>
            <a href={address('/api/profilings/{id}/profile', { path, query: { version: 'V4' } })} download>
              {MAKE.file4}
            </a>
            <a href={address('/api/profilings/{id}/profile', { path, query: { version: 'V2' } })} download>
              {MAKE.file2}
            </a>
          </>
        )}
        <a href={address('/api/profilings/{id}/chart', { path })} download>
          {MAKE.chart}
        </a>
      </p>
    </section>
  )
}

function Choices({ of, change, disabled }: { of: ProfileChoices; change: (next: ProfileChoices) => void; disabled: boolean }) {
  const keys = ['compression', 'grays', 'tables'] as const
  return (
    <dl className="rows choices">
      {keys.map((key) => (
        <div key={key}>
          <dt id={`choice-${key}`}>{CHOICES[key].head}</dt>
          <dd>
            <Radio.Group
              aria-labelledby={`choice-${key}`}
              size="small"
              disabled={disabled}
              value={of[key]}
              options={[...CHOICES[key].options]}
              onChange={(e) => change({ ...of, [key]: e.target.value })}
            />
            <p className="soft">{CHOICES[key].help[of[key] as keyof (typeof CHOICES)[typeof key]['help']]}</p>
          </dd>
        </div>
      ))}
    </dl>
  )
}

const off = (g: ProfileJudgement['grays'][number]) => Math.hypot(g.came.a, g.came.b)

/** Figures of what was made, and of the profile in use where there is one. */
function Compared({ p }: { p: ProfilingView }) {
  const { data: made } = useJudgement(p.made?.profileHash)
  const { data: used } = useJudgement(p.made?.inUse)
  if (!p.made || !made) return null
  const quality = (q: { mean: number; percentile95: number; max: number } | null | undefined) =>
    q ? `ΔE ${fixed(q.mean, 2)}, 95 % ${fixed(q.percentile95, 1)}, at most ${fixed(q.max, 1)}` : '–'
  const rows: [string, (j: ProfileJudgement, own: boolean) => string][] = [
    [p.gray ? MAKE.inTurn : MAKE.heldBack, (_, own) => quality(own ? p.made?.quality : p.made?.inUseQuality)],
    [MAKE.back, (j) => `ΔE ${fixed(j.inspection.roundTrip.mean, 2)}, 95 % ${fixed(j.inspection.roundTrip.percentile95, 1)}`],
    [MAKE.grays, (j) => `within C* ${fixed(Math.max(...j.grays.map(off)), 1)}`],
    [MAKE.bends, (j) => `${j.smoothness.kinks.length === 0 ? 'none' : j.smoothness.kinks.length}`],
    [MAKE.black, (j) => `L* ${fixed(j.inspection.blackL.RELATIVE ?? 0, 1)}`],
  ]
  return (
    <table className="plain beside-in-use">
      <thead>
        <tr>
          <th />
          <th>{MAKE.made}</th>
          {used && <th>{MAKE.inUse}</th>}
        </tr>
      </thead>
      <tbody>
        {rows.map(([head, words]) => (
          <tr key={head}>
            <th scope="row">{head}</th>
            <td>{words(made, true)}</td>
            {used && <td>{words(used, false)}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** A picture of the bench through the profile, beside the one in use or the picture itself. */
function OnAPicture({ hash, inUse }: { hash: string; inUse: string | undefined }) {
  // a picture of several dockets is one
  const pictures = new Map(useBenchPictures().map((p) => [p.masterHash, p.label]))
  const [chosen, choose] = useState<string>()
  const [intent, render] = useState<'PERCEPTUAL' | 'RELATIVE' | 'SATURATION'>('PERCEPTUAL')
  const master = chosen ?? pictures.keys().next().value
  if (!master) return <p className="soft">{MAKE.noPicture}</p>
  const through = (profile: string) =>
    address('/api/profiles/{hash}/proofs/{master}', {
      path: { hash: profile, master },
      query: { intent, longest: LONGEST, ...forScreen() },
    })
  const itself = address('/api/masters/{hash}/picture', { path: { hash: master }, query: { longest: LONGEST, ...forScreen() } })
  return (
    <>
      <div className="buttons">
        <Select
          size="small"
          aria-label={MAKE.picture}
          value={master}
          onChange={choose}
          options={[...pictures].map(([value, label]) => ({ value, label }))}
          popupMatchSelectWidth={false}
        />
        <Radio.Group size="small" value={intent} options={MAKE.intents} onChange={(e) => render(e.target.value)} />
      </div>
      <div className="two-proofs">
        <figure>
          <img src={through(hash)} alt={MAKE.made} />
          <figcaption className="soft">{MAKE.made}</figcaption>
        </figure>
        <figure>
          <img src={inUse ? through(inUse) : itself} alt={inUse ? MAKE.inUse : MAKE.itself} />
          <figcaption className="soft">{inUse ? MAKE.inUse : MAKE.itself}</figcaption>
        </figure>
      </div>
    </>
  )
}
