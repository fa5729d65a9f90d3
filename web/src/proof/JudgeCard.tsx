import { Checkbox, Radio } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { changeOf, type ProofView, pairingOf, proofUrl, renditionOf } from '../api/pictures'
import type { Figures, Intent } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { Loupe } from '../parts/Loupe'
import { fixed } from '../parts/numbers'
import type { Place } from '../parts/place'
import { heldWords, INTENTS, screenWords, TONES } from './words'

export type Converted = { intent: Intent; blackPoint: boolean }

type Props = StationProps & {
  /** How Wistel converts, or would. */
  converted: Converted
  set: (next: Partial<Converted>) => void
  figures: Figures | undefined
  shown: ProofView
  setShown: (shown: ProofView) => void
  outside: boolean
  setOutside: (outside: boolean) => void
  /** Where the picture was last pressed. */
  at: Place
}

/** Intents side by side, what the paper can't hold, and what a proof is judged with. */
export function JudgeCard({ view, picture, tools, converted, set, figures, shown, setShown, outside, setOutside, at }: Props) {
  const [loupe, setLoupe] = useState(false)
  const { intent, blackPoint } = converted
  const blackAlways = figures?.blackAlways.includes(intent) ?? false
  const saved = changeOf(renditionOf(view, picture), picture)
  const g = figures?.gamut
  return (
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
          {g ? `${heldWords(g, outside)} Counted from ΔE ${figures.threshold}. ${screenWords(figures.screen)}` : 'measuring …'}
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
  )
}
