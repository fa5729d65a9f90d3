import { Button, Radio, Select } from 'antd'
import type { StationProps } from '../docket/useDocket'
import { Findings } from '../parts/Findings'
import { WORDS } from './words'
import './machine.css'

export function MachineStation({ view, picture, tools, go }: StationProps) {
  const m = view.spec.settings.values
  const set = (setting: string, value: string) => tools.decide({ kind: 'set', setting, value })
  const by = view.spec.route.kind
  if (!view.pairing) {
    return (
      <div className="station">
        <div className="booth table" />
        <aside className="card">
          <p>{WORDS.noPairing}</p>
          <Button type="primary" onClick={() => go('paper')}>
            To the paper
          </Button>
        </aside>
      </div>
    )
  }
  const o = view.options
  return (
    <div className="station">
      <div className="booth table">
        <div className="stage">
          <ColourPath view={view} picture={picture} />
        </div>
        <div className="foot">{WORDS.pathFoot}</div>
      </div>
      <aside className="card" aria-label="Machine">
        <section>
          <h2 className="head">Set on {view.pairing.printerName}</h2>
          <dl className="rows settings">
            <dt>media type</dt>
            <dd>
              <Select
                aria-label="Media type"
                value={m['media-type']}
                options={o.mediaTypes}
                onChange={(value) => set('media-type', value ?? '')}
              />
            </dd>
            <dt>feed</dt>
            <dd>
              <Select
                aria-label="Feed"
                value={m['media-source']}
                options={o.feeds}
                onChange={(value) => set('media-source', value ?? '')}
              />
            </dd>
            <dt>quality</dt>
            <dd>
              <Radio.Group
                optionType="button"
                buttonStyle="solid"
                value={m['print-quality']}
                onChange={(e) => set('print-quality', e.target.value)}
                aria-label="Quality"
              >
                {o.qualities.map((q) => (
                  <Radio.Button key={q.value} value={q.value}>
                    {q.label}
                  </Radio.Button>
                ))}
              </Radio.Group>
            </dd>
          </dl>
        </section>
        <section>
          <h2 className="head">Who converts the colour</h2>
          <Radio.Group
            optionType="button"
            buttonStyle="solid"
            value={by}
            onChange={(e) =>
              tools.decide({
                kind: 'routed',
                route:
                  e.target.value === 'by-driver'
                    ? { kind: 'by-driver' }
                    : { kind: 'by-wistel', intent: view.pairing.intent, blackPoint: true },
              })
            }
            aria-label="Who converts the colour"
          >
            <Radio.Button value="by-wistel">Wistel</Radio.Button>
            <Radio.Button value="by-driver">the driver</Radio.Button>
          </Radio.Group>
          <p className="soft">{by === 'by-wistel' ? WORDS.byWistel : WORDS.byDriver}</p>
        </section>
        <Findings findings={view.findings.filter((f) => f.stage === 'MACHINE')} tools={tools} />
        <div className="next">
          <span />
          <Button type="primary" onClick={() => go('release')}>
            On to the release
          </Button>
        </div>
      </aside>
    </div>
  )
}

/** The way that the colour takes, drawn: who holds which numbers, and where they are converted. */
function ColourPath({ view, picture }: Pick<StationProps, 'view' | 'picture'>) {
  const ours = view.spec.route.kind === 'by-wistel'
  const steps: [string, string][] = [
    ['Picture', picture.sourceName],
    ours
      ? ['Wistel converts', `through the profile of ${view.pairing.paper}`]
      : ['Wistel tags', 'the picture is brought to sRGB, no further'],
    ours
      ? ['The driver', 'told to leave the numbers alone']
      : ['The driver converts', 'with a conversion of its own, unknown to Wistel'],
    ['Ink on paper', `${view.options.mediaTypes.find((t) => t.value === view.spec.settings.values['media-type'])?.label ?? ''}`],
  ]
  return (
    <ol className="colour-path">
      {steps.map(([head, text], i) => (
        <li key={head}>
          {i > 0 && (
            <svg width="14" height="34" viewBox="0 0 14 34" aria-hidden="true">
              <path d="M7 0V32M2 26l5 6 5-6" fill="none" stroke="#1e1e1e" strokeWidth="1.4" />
            </svg>
          )}
          <div className="step">
            <b>{head}</b>
            <div className="soft">{text}</div>
          </div>
        </li>
      ))}
    </ol>
  )
}
