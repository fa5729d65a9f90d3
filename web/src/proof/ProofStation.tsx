import { Button, Radio, Segmented } from 'antd'
import { useEffect, useState } from 'react'
import { blackPointOf, type ColourChange, changeOf, intentOf, pairingOf, proofUrl, renditionOf, treated } from '../api/pictures'
import type { LocalMove } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { useKeys } from '../frame/keys'
import { LightBooth, type Looked } from '../light/LightBooth'
import { LightCard } from '../light/LightCard'
import { useHangingLight, useLightFigures } from '../light/useLights'
import { LIGHT, LIGHTS } from '../light/words'
import { LocalCard } from '../local/LocalCard'
import { LocalHandles } from '../local/LocalHandles'
import type { Drawn } from '../local/shapes'
import { Booth } from '../parts/BoothPicture'
import { BOOTH } from '../parts/booth'
import { StationFindings } from '../parts/Findings'
import { MarkSign } from '../parts/MarkSign'
import type { Place } from '../parts/place'
import { useProofView } from '../parts/useProofView'
import { useSettled } from '../parts/useSettled'
import { CompensateCard } from '../rendition/CompensateCard'
import { ShadowStrip } from '../rendition/ShadowStrip'
import { useFigures } from '../rendition/useFigures'
import { type Compare, Comparison } from './Comparison'
import { type Converted, JudgeCard } from './JudgeCard'
import { INTENTS, NOT_THIS } from './words'
import './proof.css'

/** A person needs a moment: a proof that flashed by was not looked at. */
const LOOKED_AT_MS = 1200

const WHILE_MOVING = 700

export function ProofStation(props: StationProps) {
  const { view, picture, tools, go } = props
  const [face, setFace] = useState<'judge' | 'compensate' | 'light'>('judge')
  const [looked, look] = useState<Looked>('BESIDE')
  const [draft, setDraft] = useState<Partial<ColourChange>>()
  const [moved, setMoved] = useState<'all' | 'parts'>('all')
  const [picked, pick] = useState<number>()
  const [drawing, draw] = useState<Drawn>()
  const [bare, setBare] = useState(false)
  const [compare, setCompare] = useState<Compare>('divided')
  const [outside, setOutside] = useState(false)
  const [at, setAt] = useState<Place>({ x: 0.5, y: 0.5 })
  const [held, setHeld] = useState(false)
  const [drawn, setDrawn] = useState('')
  const [shown, setShown] = useProofView()
  const paired = view.pairing !== null && view.pairing !== undefined
  const converted: Converted = paired
    ? { intent: intentOf(view), blackPoint: blackPointOf(view) }
    : { intent: 'RELATIVE', blackPoint: true }
  const set = (next: Partial<Converted>) => tools.decide({ kind: 'routed', route: { kind: 'by-wistel', ...converted, ...next } })
  const saved = changeOf(renditionOf(view, picture), picture)
  // what was drawn ahead of the docket gives way to what it holds
  // biome-ignore lint/correctness/useExhaustiveDependencies: the version is what tells
  useEffect(() => setDraft(undefined), [view.version])
  const change = bare ? treated(saved.treatment) : { ...saved, ...draft }
  const local = { ...saved, ...draft }.local ?? []
  const moveLocally = (next: LocalMove[], done: boolean) => {
    setDraft((d) => ({ ...d, local: next }))
    if (done) tools.decide({ kind: 'locally-moved', renditionId: picture.renditionId, local: next })
  }
  const settled = useSettled(change, 200)
  const figures = useFigures(view, picture, true, paired)
  const hanging = useHangingLight(view, tools, face === 'light')
  const lit = useLightFigures(view, picture, settled, face === 'light' && paired ? hanging?.shining : undefined)

  // while a slider moves, quick pictures count more than fine ones
  const proof = paired ? proofUrl(view, picture, draft ? WHILE_MOVING : BOOTH, shown, converted.intent, change) : ''
  const { see } = tools
  const unseen = view.findings.find((f) => f.code === 'PROOF_NOT_LOOKED_AT')?.subjects ?? []
  const seen = !unseen.some((s) => s.kind === 'of-picture' && s.renditionId === picture.renditionId)
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each proof, not for each change
  useEffect(() => {
    if (!paired || seen || drawn !== proof) return
    const looked = window.setTimeout(() => see(picture.renditionId), LOOKED_AT_MS)
    return () => window.clearTimeout(looked)
  }, [paired, seen, drawn, proof])

  useKeys({
    master: ({ down }) => setHeld(down),
    bare: ({ down }) => setBare(down),
    outside: () => setOutside((o) => !o),
    intent: ({ key }) => {
      const chosen = INTENTS[Number(key) - 1]
      if (chosen) set({ intent: chosen.value })
    },
  })

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
  const notThis =
    view.spec.colour.route.kind === 'by-wistel' || picture.tones || pairingOf(view).settings.values['print-color-mode']
      ? ''
      : NOT_THIS[view.spec.colour.route.kind]
  return (
    <div className="station">
      <Booth
        under={face === 'compensate' && <ShadowStrip view={view} picture={picture} change={settled} />}
        foot={
          face === 'light' ? (
            <Radio.Group
              size="small"
              optionType="button"
              buttonStyle="solid"
              aria-label={LIGHT.seen}
              value={looked}
              onChange={(e) => look(e.target.value)}
              options={[
                { value: 'BESIDE', label: LIGHT.beside },
                { value: 'SETTLED', label: LIGHT.settled },
              ]}
            />
          ) : (
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
                {saved.moves.length > 0 || local.some((m) => m.on)
                  ? 'Hold M for the master, N for the proof without the compensation.'
                  : 'Point at the picture to read both sides. Hold M for the master.'}
              </span>
            </>
          )
        }
      >
        {face === 'light' && hanging ? (
          <LightBooth
            view={view}
            picture={picture}
            change={change}
            light={hanging.shining}
            name={hanging.light.name}
            figures={lit}
            looked={looked}
          />
        ) : (
          <Comparison
            view={view}
            picture={picture}
            compare={held ? 'master' : compare}
            outside={outside}
            proof={proof}
            change={change}
            onDrawn={() => setDrawn(proof)}
            onPick={setAt}
            over={
              face === 'compensate' &&
              moved === 'parts' && (
                <LocalHandles
                  aspect={picture.master.width / picture.master.height}
                  framed={picture.framed}
                  local={local}
                  picked={picked}
                  onPicked={pick}
                  drawing={drawing}
                  onDrawn={() => draw(undefined)}
                  onMoved={moveLocally}
                />
              )
            }
          />
        )}
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
            { value: 'light', label: 'the light it hangs in' },
          ]}
        />
        {face === 'compensate' && (
          <Radio.Group
            size="small"
            optionType="button"
            buttonStyle="solid"
            className="moved"
            aria-label="What is moved"
            value={moved}
            onChange={(e) => setMoved(e.target.value)}
            options={[
              { value: 'all', label: 'all of the picture' },
              { value: 'parts', label: local.length > 0 ? `edges, places, slopes · ${local.length}` : 'edges, places, slopes' },
            ]}
          />
        )}
        {face === 'compensate' && moved === 'all' && <CompensateCard {...props} draft={draft} setDraft={setDraft} />}
        {face === 'compensate' && moved === 'parts' && (
          <LocalCard
            view={view}
            picture={picture}
            tools={tools}
            local={local}
            picked={picked}
            onPicked={pick}
            drawing={drawing}
            onDraw={draw}
            onMoved={moveLocally}
          />
        )}
        {face === 'light' && hanging && <LightCard {...props} hanging={hanging} figures={lit} change={settled} />}
        {face === 'light' && !hanging && <p>{LIGHTS.none}</p>}
        {face === 'judge' && (
          <JudgeCard
            {...props}
            converted={converted}
            set={set}
            figures={figures}
            shown={shown}
            setShown={setShown}
            outside={outside}
            setOutside={setOutside}
            at={at}
          />
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
