import { useMutation } from '@tanstack/react-query'
import { App, Modal, Radio } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { address, type Problem, upload } from '../api/client'
import { forScreen } from '../api/screen'
import type { PaperProfile, TakenProfile } from '../api/types'
import { FileButton } from '../parts/FileButton'
import { MarkSign } from '../parts/MarkSign'
import { fixed, labCss } from '../parts/numbers'
import { Pair } from './Pair'
import { PROFILE } from './words'

const MOST_BYTES = 128 * 1048576

/** A paper's own profile, looked at before it is used, and what it belongs to told in one short form. */
export function BringProfile() {
  const { notification } = App.useApp()
  const [taken, setTaken] = useState<TakenProfile[]>()
  const [chosen, setChosen] = useState<string>()
  const complain = (e: Problem) => notification.open({ title: e.message, description: e.next })
  const bring = useMutation({
    mutationFn: (f: File) => upload<TakenProfile[]>('/api/profiles', {}, f, MOST_BYTES),
    onSuccess: (found) => {
      setTaken(found)
      setChosen(found.find((t) => t.profile)?.profile?.hash)
    },
    onError: complain,
  })
  const take = useRef(bring.mutate)
  take.current = bring.mutate
  useEffect(() => {
    const over = (e: DragEvent) => e.preventDefault()
    const drop = (e: DragEvent) => {
      e.preventDefault()
      const file = [...(e.dataTransfer?.files ?? [])].find((f) => /\.(icc|icm|zip)$/i.test(f.name))
      if (file) take.current(file)
    }
    window.addEventListener('dragover', over)
    window.addEventListener('drop', drop)
    return () => {
      window.removeEventListener('dragover', over)
      window.removeEventListener('drop', drop)
    }
  }, [])
  const profile = taken?.find((t) => t.profile?.hash === chosen)?.profile
  return (
    <>
      <FileButton type="primary" accept=".icc,.icm,.zip" onFile={(f) => bring.mutate(f)} loading={bring.isPending}>
        {PROFILE.bring}
      </FileButton>
      <Modal
        open={taken !== undefined}
        onCancel={() => setTaken(undefined)}
        footer={null}
        width={980}
        title={PROFILE.head}
        destroyOnHidden
      >
        {taken && taken.length > 1 && (
          <Radio.Group
            className="found-profiles"
            value={chosen}
            onChange={(e) => setChosen(e.target.value)}
            aria-label={PROFILE.several}
          >
            {taken.map((t) => (
              <Radio key={t.file} value={t.profile?.hash ?? t.file} disabled={!t.profile}>
                {t.file}
                {t.refusal && <span className="soft"> · {t.refusal}</span>}
              </Radio>
            ))}
          </Radio.Group>
        )}
        {profile && (
          <div className="inspected">
            <Inspection profile={profile} />
            <Pair key={profile.hash} profileHash={profile.hash} done={() => setTaken(undefined)} complain={complain} />
          </div>
        )}
      </Modal>
    </>
  )
}

export function Inspection({ profile }: { profile: PaperProfile }) {
  const i = profile.inspection
  return (
    <section>
      <h2 className="head">{profile.description}</h2>
      <img
        className="sweep"
        src={address('/api/profiles/{hash}/sweep', { path: { hash: profile.hash }, query: forScreen() })}
        alt={PROFILE.sweep}
      />
      <dl className="rows">
        <dt>ICC version</dt>
        <dd>{i.version}</dd>
        <dt>white</dt>
        <dd>
          <span className="swatch" style={{ background: labCss([i.white.l, i.white.a, i.white.b]) }} /> L* {fixed(i.white.l, 1)},
          a* {fixed(i.white.a, 1)}, b* {fixed(i.white.b, 1)}
        </dd>
        <dt>deepest black</dt>
        <dd>
          {Object.entries(i.blackL)
            .map(([intent, l]) => `L* ${fixed(l, 1)} ${intent.toLowerCase()}`)
            .join(', ')}
        </dd>
        {i.volume > 0 && (
          <>
            <dt>what it holds</dt>
            <dd>{fixed(i.volume / 1000, 0)} thousand cubic L*a*b* units</dd>
          </>
        )}
        <dt>there and back</dt>
        <dd>
          ΔE {fixed(i.roundTrip.mean, 2)} on average, 95 % within {fixed(i.roundTrip.percentile95, 2)}, at most{' '}
          {fixed(i.roundTrip.max, 1)}
        </dd>
        <dt>grays</dt>
        <dd>within C* {fixed(i.neutral, 1)} of gray</dd>
        {i.madeFor.length > 1 && (
          <>
            <dt>made for</dt>
            <dd>{i.madeFor.slice(1).join(', ')}</dd>
          </>
        )}
      </dl>
      {i.remarks.length === 0 && <p className="soft">{PROFILE.fine}</p>}
      {i.remarks.map((r) => (
        <p key={r}>
          <MarkSign mark="LOOK" /> {r}
        </p>
      ))}
    </section>
  )
}
