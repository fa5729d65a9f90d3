import { Button, Checkbox, Radio, Segmented } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { answer, api } from '../api/client'
import {
  blackPointOf,
  type ColourChange,
  changeOf,
  gamutUrl,
  intentOf,
  masterUrl,
  pairingOf,
  proofUrl,
  renditionOf,
  rounded,
  treated,
} from '../api/pictures'
import type { DocketView, Figures, Intent, OnDocket, Probe } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { typing } from '../frame/Frame'
import { Booth } from '../parts/BoothPicture'
import { BOOTH } from '../parts/booth'
import { StationFindings } from '../parts/Findings'
import { Loupe } from '../parts/Loupe'
import { MarkSign } from '../parts/MarkSign'
import { fixed, percent } from '../parts/numbers'
import { inPrint, type Place } from '../parts/place'
import { useLivePicture } from '../parts/useLivePicture'
import { useProofView } from '../parts/useProofView'
import { useSettled } from '../parts/useSettled'
import { CompensateCard } from '../rendition/CompensateCard'
import { ShadowStrip } from '../rendition/ShadowStrip'
import { useFigures } from '../rendition/useFigures'
import { CAUSES, INTENTS, NOT_THIS, TONES } from './words'
import './proof.css'

/** A person needs a moment: a proof that flashed by was not looked at. */
const LOOKED_AT_MS = 1200

const WHILE_MOVING = 700

type Compare = 'divided' | 'beside' | 'proof'

export function ProofStation(props: StationProps) {
  const { view, picture, tools, go } = props
  const [face, setFace] = useState<'judge' | 'compensate'>('judge')
  const [draft, setDraft] = useState<ColourChange>()
  const [bare, setBare] = useState(false)
  const [compare, setCompare] = useState<Compare>('divided')
  const [outside, setOutside] = useState(false)
  const [loupe, setLoupe] = useState(false)
  const [at, setAt] = useState<Place>({ x: 0.5, y: 0.5 })
  const [held, setHeld] = useState(false)
  const [drawn, setDrawn] = useState('')
  const [shown, setShown] = useProofView()
  const paired = view.pairing !== null && view.pairing !== undefined
  const intent = paired ? intentOf(view) : 'RELATIVE'
  const blackPoint = paired ? blackPointOf(view) : true
  const set = (next: Partial<{ intent: Intent; blackPoint: boolean }>) =>
    tools.decide({ kind: 'routed', route: { kind: 'by-wistel', intent, blackPoint, ...next } })
  const setNow = useRef(set)
  setNow.current = set
  const saved = changeOf(renditionOf(view, picture))
  // what was drawn ahead of the docket gives way to what it holds
  // biome-ignore lint/correctness/useExhaustiveDependencies: the version is what tells
  useEffect(() => setDraft(undefined), [view.version])
  const change = bare ? treated(saved.treatment) : (draft ?? saved)
  const settled = useSettled(change, 200)
  const figures = useFigures(view, picture, true, paired)

  const blackAlways = figures?.blackAlways.includes(intent) ?? false

  // while a slider moves, quick pictures count more than fine ones
  const proof = paired ? proofUrl(view, picture, draft ? WHILE_MOVING : BOOTH, shown, intent, change) : ''
  const { see } = tools
  const unseen = view.findings.find((f) => f.code === 'PROOF_NOT_LOOKED_AT')?.subjects ?? []
  const seen = !unseen.some((s) => s.kind === 'of-picture' && s.renditionId === picture.renditionId)
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each proof, not for each change
  useEffect(() => {
    if (!paired || seen || drawn !== proof) return
    const looked = window.setTimeout(() => see(picture.renditionId), LOOKED_AT_MS)
    return () => window.clearTimeout(looked)
  }, [paired, seen, drawn, proof])

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (typing(e) || e.ctrlKey || e.metaKey) return
      if (e.key.toLowerCase() === 'm') setHeld(e.type === 'keydown')
      if (e.key.toLowerCase() === 'n') setBare(e.type === 'keydown')
      if (e.type !== 'keydown') return
      if (e.key.toLowerCase() === 'g') setOutside((o) => !o)
      const chosen = INTENTS[Number(e.key) - 1]
      if (chosen) setNow.current({ intent: chosen.value })
    }
    window.addEventListener('keydown', press)
    window.addEventListener('keyup', press)
    return () => {
      window.removeEventListener('keydown', press)
      window.removeEventListener('keyup', press)
    }
  }, [])

  if (!paired) {
    return (
      <div className="station">
        <Booth>
          <p>Choose a paper first: the proof shows this picture on it.</p>
        </Booth>
        <aside className="card">
          <Button type="primary" onClick={() => go('paper')}>
            To the paper
          </Button>
        </aside>
      </div>
    )
  }
  const g = figures?.gamut
  const notThis =
    view.spec.colour.route.kind === 'by-wistel' || picture.tones || pairingOf(view).settings.values['print-color-mode']
      ? ''
      : NOT_THIS[view.spec.colour.route.kind]
  return (
    <div className="station">
      <Booth
        under={face === 'compensate' && <ShadowStrip view={view} picture={picture} change={settled} />}
        foot={
          <>
            <Radio.Group
              size="small"
              optionType="button"
              buttonStyle="solid"
              value={compare}
              onChange={(e) => setCompare(e.target.value)}
              aria-label="Compare"
            >
              <Radio.Button value="divided">divided</Radio.Button>
              <Radio.Button value="beside">side by side</Radio.Button>
              <Radio.Button value="proof">proof alone</Radio.Button>
            </Radio.Group>
            <span>
              {saved.moves.length > 0
                ? 'Hold M for the master, N for the proof without the compensation.'
                : 'Point at the picture to read both sides. Hold M for the master.'}
            </span>
          </>
        }
      >
        <Comparison
          view={view}
          picture={picture}
          compare={held ? 'master' : compare}
          outside={outside}
          proof={proof}
          change={change}
          onDrawn={() => setDrawn(proof)}
          onPick={setAt}
        />
      </Booth>
      <aside className="card" aria-label="Proof">
        {/* it is being looked at */}
        <StationFindings view={view} tools={tools} stage="PROOF" without={['PROOF_NOT_LOOKED_AT']} />
        {notThis && (
          <section className="not-this">
            <MarkSign mark="LOOK" /> {notThis}
          </section>
        )}
        <Segmented
          aria-label="What to do with the proof"
          value={face}
          onChange={setFace}
          options={[
            { value: 'judge', label: 'judge' },
            { value: 'compensate', label: 'compensate' },
          ]}
        />
        {face === 'compensate' && <CompensateCard {...props} draft={draft} setDraft={setDraft} />}
        {face === 'judge' && (
          <>
            <section>
              <h2 className="head">Rendering intent: choose by eye</h2>
              <div className="intents">
                {INTENTS.map((i) => (
                  <button type="button" key={i.value} aria-pressed={intent === i.value} onClick={() => set({ intent: i.value })}>
                    <img src={proofUrl(view, picture, 320, shown, i.value, saved)} alt="" />
                    <span>
                      {i.label} <b>{figures ? `ΔE ${fixed(figures.meanDifference[i.value] ?? 0, 1)}` : '…'}</b>
                    </span>
                  </button>
                ))}
              </div>
              <p className="soft">Mean over the printed part, master and print each against their own white.</p>
            </section>
            {picture.tones && (
              <section>
                <h2 className="head">Tones by a wedge</h2>
                <p>
                  {TONES.shown(picture.tones.wedge, picture.tones.measured)}{' '}
                  <Link to={`/tones/${picture.tones.wedge}`}>{TONES.look}</Link>
                </p>
                <Checkbox
                  checked={picture.tones.on}
                  disabled={picture.tones.move === 0}
                  onChange={(e) => tools.decide({ kind: 'straightens', renditionId: picture.renditionId, on: e.target.checked })}
                >
                  {picture.tones.move === 0 ? TONES.straight : TONES.on(picture.tones.move)}
                </Checkbox>
              </section>
            )}
            <section>
              <h2 className="head">What this paper can't hold</h2>
              <div className="shares" role="img" aria-label="Shares of the picture out of gamut">
                {g?.parts.map((p) => (
                  <div key={p.cause} className={p.cause.toLowerCase()} style={{ width: `${100 * p.share}%` }} />
                ))}
              </div>
              <p className="soft">
                {g
                  ? `${heldWords(g, outside)} Counted from ΔE ${figures.threshold}. ${screenWords(figures.screen)}`
                  : 'measuring …'}
              </p>
              <Checkbox checked={outside} onChange={(e) => setOutside(e.target.checked)}>
                draw it over the picture (G)
              </Checkbox>
            </section>
            <section>
              <h2 className="head">Judge with</h2>
              <div className="judged-with">
                <Radio.Group
                  optionType="button"
                  buttonStyle="solid"
                  value={shown}
                  onChange={(e) => setShown(e.target.value)}
                  aria-label="Paper and black shown"
                >
                  <Radio.Button value="PAPER_WHITE">paper white</Radio.Button>
                  <Radio.Button value="INK_BLACK">ink black</Radio.Button>
                  <Radio.Button value="SCREEN_WHITE_AND_BLACK">full screen range</Radio.Button>
                </Radio.Group>
                <Checkbox
                  checked={blackPoint || blackAlways}
                  disabled={intent === 'ABSOLUTE' || blackAlways}
                  onChange={(e) => set({ blackPoint: e.target.checked })}
                >
                  black point compensation{blackAlways ? ', part of this intent in this profile' : ''}
                </Checkbox>
              </div>
              <p className="soft">
                {figures
                  ? `Paper white L* ${fixed(figures.paperL, 1)}, ink black L* ${fixed(figures.blackL, 1)} on ${pairingOf(view).paper}.`
                  : ''}
              </p>
            </section>
            <section>
              <Checkbox checked={loupe} onChange={(e) => setLoupe(e.target.checked)}>
                print pixels, where you last pressed on the picture
              </Checkbox>
              {loupe && <Loupe view={view} picture={picture} at={at} />}
            </section>
          </>
        )}
        <div className="next">
          <span />
          <Button type="primary" onClick={() => go('machine')}>
            On to the machine
          </Button>
        </div>
      </aside>
    </div>
  )
}

function Comparison({
  view,
  picture,
  compare,
  outside,
  proof: wanted,
  change,
  onDrawn,
  onPick,
}: {
  view: DocketView
  picture: OnDocket
  compare: Compare | 'master'
  outside: boolean
  proof: string
  change: ColourChange
  onDrawn: () => void
  onPick: (at: Place) => void
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
  const reading = at && probe && <ProbeTable probe={probe} at={at} />
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
      {compare === 'divided' && (
        <button
          type="button"
          className="handle"
          style={{ left: `${100 * share}%` }}
          role="slider"
          aria-label="Divider between master and proof"
          aria-valuenow={Math.round(100 * share)}
          aria-valuemin={0}
          aria-valuemax={100}
          onKeyDown={(e) => {
            const step = (e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0) * (e.shiftKey ? 0.1 : 0.01)
            setShare((s) => Math.max(0, Math.min(1, s + step)))
          }}
          onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
          onPointerMove={(e) => {
            const r = e.currentTarget.parentElement?.getBoundingClientRect()
            if (e.buttons && r) setShare(Math.max(0, Math.min(1, (e.clientX - r.left) / r.width)))
          }}
        />
      )}
      {reading}
    </div>
  )
}

const told = (g: Figures['gamut']) => g.parts.filter((p) => p.share >= 0.005).sort((a, b) => b.share - a.share)

function heldWords(g: Figures['gamut'], drawn: boolean) {
  const parts = told(g)
  if (parts.length === 0) return g.inside > 0.9995 ? 'It holds all of this picture.' : 'It holds all but a few spots.'
  const words = parts.map((p) => {
    const { short, drawn: how } = CAUSES[p.cause]
    return `${percent(p.share)} ${short} (${drawn ? `${how}, ` : ''}mean ΔE ${fixed(p.meanDifference, 1)})`
  })
  return `${words.join(', ')}.`
}

function screenWords({ ofMaster, ofPrint }: Figures['screen']) {
  if (ofMaster < 0.0005 && ofPrint < 0.0005) return 'This screen shows both as they are.'
  const lost = [
    ofPrint >= 0.0005 && `${percent(ofPrint)} of the print`,
    ofMaster >= 0.0005 && `${percent(ofMaster)} of the master`,
  ]
  return `This screen can't show ${lost.filter(Boolean).join(' and ')}.`
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
