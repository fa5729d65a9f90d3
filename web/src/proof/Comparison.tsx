import { type ReactNode, useEffect, useRef, useState } from 'react'
import { answer, api } from '../api/client'
import { type ColourChange, gamutUrl, masterUrl, pairingOf, rounded, treated } from '../api/pictures'
import type { DocketView, OnDocket, Probe } from '../api/types'
import { BOOTH } from '../parts/booth'
import { Divider } from '../parts/Divider'
import { fixed } from '../parts/numbers'
import { inPrint, type Place } from '../parts/place'
import { useLivePicture } from '../parts/useLivePicture'
import { CAUSES } from './words'

export type Compare = 'divided' | 'beside' | 'proof'

/** Master and proof at the same scale; pointing at them reads both. */
export function Comparison({
  view,
  picture,
  compare,
  outside,
  proof: wanted,
  change,
  onDrawn,
  onPick,
  over,
}: {
  view: DocketView
  picture: OnDocket
  compare: Compare | 'master'
  outside: boolean
  proof: string
  change: ColourChange
  onDrawn: () => void
  onPick: (at: Place) => void
  /** Laid over the proof. */
  over?: ReactNode
}) {
  const [share, setShare] = useState(0.5)
  const [at, setAt] = useState<{ x: number; y: number; left: number; top: number }>()
  const [probe, setProbe] = useState<Probe>()
  const wait = useRef<number>(undefined)
  const asked = useRef<AbortController>(undefined)
  const master = masterUrl(picture.master.hash, BOOTH, treated(change.treatment))
  const proof = useLivePicture(wanted)
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each proof that is on screen
  useEffect(() => {
    if (proof === wanted) onDrawn()
  }, [proof, wanted])

  const point = (e: React.PointerEvent<HTMLElement>) => {
    const r = e.currentTarget.getBoundingClientRect()
    const place = {
      x: (e.clientX - r.left) / r.width,
      y: (e.clientY - r.top) / r.height,
      left: e.clientX - r.left,
      top: e.clientY - r.top,
    }
    setAt(place)
    window.clearTimeout(wait.current)
    asked.current?.abort()
    const asking = new AbortController()
    asked.current = asking
    wait.current = window.setTimeout(() => {
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/probe', {
          params: { path: { id: view.id, rendition: picture.renditionId }, query: rounded(place) },
          signal: asking.signal,
        }),
      ).then(setProbe, () => {
        if (!asking.signal.aborted) setProbe(undefined)
      })
    }, 60)
  }
  const pick = (e: React.PointerEvent<HTMLElement>) => {
    const r = e.currentTarget.getBoundingClientRect()
    onPick(inPrint(view, picture, { x: (e.clientX - r.left) / r.width, y: (e.clientY - r.top) / r.height }))
  }
  const leave = () => {
    window.clearTimeout(wait.current)
    asked.current?.abort()
    setAt(undefined)
    setProbe(undefined)
  }
  const overlay = outside && <img src={gamutUrl(view, picture, BOOTH, change)} alt="Out of gamut" className="over" />
  // what is dragged over the proof must be seen
  const reading = !over && at && probe && <ProbeTable probe={probe} at={at} />
  if (compare === 'beside') {
    return (
      <>
        {[master, proof].map((src, i) => (
          <div
            key={i === 0 ? 'master' : 'proof'}
            className="side"
            onPointerMove={point}
            onPointerDown={pick}
            onPointerLeave={leave}
          >
            <img src={src || master} alt={i === 0 ? 'Master' : 'Proof'} />
            <span className="tag left">{i === 0 ? 'Master' : `On ${pairingOf(view).paper}`}</span>
            {i === 1 && overlay}
            {i === 1 && over}
            {i === 1 && reading}
          </div>
        ))}
      </>
    )
  }
  const line = compare === 'divided' ? share : compare === 'master' ? 1 : 0
  return (
    <div className="divide" onPointerMove={point} onPointerDown={pick} onPointerLeave={leave}>
      <img src={proof || master} alt="Proof" />
      {overlay}
      <img src={master} alt="Master" className="over" style={{ clipPath: `inset(0 ${100 * (1 - line)}% 0 0)` }} />
      {compare !== 'proof' && <span className="tag left">Master</span>}
      {compare !== 'master' && <span className="tag right">On {pairingOf(view).paper}</span>}
      {compare === 'divided' && <Divider share={share} onShare={setShare} label="Divider between master and proof" />}
      {over}
      {reading}
    </div>
  )
}

function ProbeTable({ probe, at }: { probe: Probe; at: { x: number; left: number; top: number } }) {
  const row = (name: string, lab: Probe['master']) => (
    <tr>
      <td className="soft">{name}</td>
      <td>L* {fixed(lab.l, 1)}</td>
      <td>a* {fixed(lab.a, 1)}</td>
      <td>b* {fixed(lab.b, 1)}</td>
    </tr>
  )
  return (
    <table
      className="probe"
      style={{
        left: at.x > 0.6 ? undefined : at.left + 16,
        right: at.x > 0.6 ? `calc(100% - ${at.left - 16}px)` : undefined,
        top: at.top + 14,
      }}
    >
      <tbody>
        {row('master', probe.master)}
        {row('print', probe.print)}
        <tr>
          <td className="soft">apart</td>
          <td colSpan={3}>
            ΔE {fixed(probe.difference, 1)}
            {CAUSES[probe.cause].probe}
          </td>
        </tr>
        {row('on paper', probe.measured)}
      </tbody>
    </table>
  )
}
