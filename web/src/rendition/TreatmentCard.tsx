import { Button, Radio, Slider } from 'antd'
import { address, answer, api } from '../api/client'
import { asked, type ColourChange, changeOf, renditionOf, treated } from '../api/pictures'
import type { Monochrome } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { CurvePlot } from '../parts/CurvePlot'
import { HUES } from './moves'
import './rendition.css'
import { TonePlane } from './TonePlane'
import { useHues, useShape } from './useShape'
import { WORDS } from './words'

const NONE = { hue: 0, strength: 0 }

/** Monochrome as it starts: all hues as light as they are, no tone. */
export const PLAIN: Monochrome = {
  kind: 'monochrome',
  mix: { points: [] },
  toning: { shadows: NONE, lights: NONE, crossing: 50, softness: 15 },
}

export const lighterOf = (t: Monochrome) => HUES.map((h) => t.mix.points.find((p) => p.hue === h.hue)?.lighter ?? 0)

/** The mix with one hue's lightness changed; one that does nothing has no points. */
export function mixed(t: Monochrome, lighter: number[]): Monochrome {
  const points = HUES.map((h, i) => ({ hue: h.hue, lighter: Math.max(-30, Math.min(30, Math.round(lighter[i] ?? 0))) }))
  return { ...t, mix: { points: points.some((p) => p.lighter !== 0) ? points : [] } }
}

type Props = Pick<StationProps, 'view' | 'picture' | 'tools'> & {
  draft: ColourChange | undefined
  setDraft: (draft: ColourChange | undefined) => void
  pointed: number | undefined
}

/** In colour or in monochrome, how light each hue becomes, and the tone of shadows and lights. */
export function TreatmentCard({ view, picture, tools, draft, setDraft, pointed }: Props) {
  const r = renditionOf(view, picture)
  const treatment = draft?.treatment ?? r.treatment
  const mono = treatment.kind === 'monochrome' ? treatment : undefined
  const hues = useHues(view, picture)
  const shape = useShape(view, picture, treated(treatment))
  const gray = picture.master.channels === 1
  const save = (next: ColourChange['treatment']) => {
    setDraft(treated(next))
    tools.decide({ kind: 'treated', renditionId: r.id, treatment: next })
  }
  const show = (next: Monochrome) => setDraft(treated(next))
  const settle = () => draft && save(draft.treatment)
  const tone = (name: 'shadows' | 'lights', hue: number, strength: number) =>
    mono && show({ ...mono, toning: { ...mono.toning, [name]: { hue, strength } } })
  const follow = () =>
    mono &&
    answer(
      api.GET('/api/dockets/{id}/renditions/{rendition}/toning', { params: { path: { id: view.id, rendition: r.id } } }),
    ).then((toning) => save({ ...mono, toning }), tools.complain)
  return (
    <section>
      <h2 className="head">Printed in</h2>
      <Radio.Group
        optionType="button"
        buttonStyle="solid"
        aria-label="Colour or monochrome"
        value={treatment.kind}
        onChange={(e) => save(e.target.value === 'monochrome' ? PLAIN : { kind: 'colour' })}
      >
        <Radio.Button value="colour">{gray ? 'its own gray' : 'colour'}</Radio.Button>
        <Radio.Button value="monochrome">{gray ? 'gray, toned' : 'monochrome'}</Radio.Button>
      </Radio.Group>
      {mono && (
        <>
          {gray ? (
            <p className="soft">{WORDS.noHues}</p>
          ) : (
            <>
              <p className="soft">{WORDS.mono}</p>
              <CurvePlot
                label="Lighter or darker by hue"
                width={330}
                height={92}
                x={[0, 360]}
                y={[-30, 30]}
                line={(shape?.mix ?? []).map((y, i) => ({ x: 5 * i, y }))}
                rest={[
                  { x: 0, y: 0 },
                  { x: 360, y: 0 },
                ]}
                ground={(hues?.hues ?? []).map((y, i) => ({ x: 5 * i + 2.5, y }))}
                {...(pointed !== undefined ? { at: pointed } : {})}
                points={lighterOf(mono).map((y, i) => ({ x: HUES[i]?.hue ?? 0, y, label: `Lightness of ${HUES[i]?.name}` }))}
                step={{ x: 0, y: 1 }}
                upright
                ticks={HUES.map((h) => ({ x: h.hue, words: h.name }))}
                onMove={(i, to) =>
                  show(
                    mixed(
                      mono,
                      lighterOf(mono).map((v, k) => (k === i ? to.y : v)),
                    ),
                  )
                }
                onDone={settle}
              />
            </>
          )}
          <h2 className="head toned">Tint of shadows and lights</h2>
          <div className="tone-plane">
            <TonePlane toning={mono.toning} paper={view.pairing?.whiteLab} onMove={tone} onDone={settle} />
            <div className="choices">
              <Button size="small" disabled={!view.pairing} onClick={follow}>
                As the paper is tinted
              </Button>
              <Button size="small" onClick={() => save({ ...mono, toning: PLAIN.toning })}>
                Neutral
              </Button>
              <span className="soft">shadow tone below L* {mono.toning.crossing}, light tone above</span>
              <Slider
                min={10}
                max={90}
                value={mono.toning.crossing}
                included={false}
                ariaLabelForHandle="Lightness where the shadow tone gives way to the light tone"
                tooltip={{ open: false }}
                onChange={(crossing) => show({ ...mono, toning: { ...mono.toning, crossing } })}
                onChangeComplete={settle}
              />
            </div>
          </div>
          <p className="soft">{WORDS.toned}</p>
          <img
            className="ramp"
            alt="From black to paper as it prints"
            src={address('/api/dockets/{id}/renditions/{rendition}/ramp', {
              path: { id: view.id, rendition: r.id },
              query: { v: view.version, ...asked({ ...changeOf(r, picture), treatment }) },
            })}
          />
        </>
      )}
    </section>
  )
}
