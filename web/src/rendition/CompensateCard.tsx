import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Checkbox, Input, InputNumber, Radio, Select, Slider } from 'antd'
import { memo, useEffect, useRef, useState } from 'react'
import { answer, api, type Problem } from '../api/client'
import { type ColourChange, pairingOf, renditionOf } from '../api/pictures'
import type { Compensated, CompensationView, Goal, Suggested } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { CurvePlot } from '../parts/CurvePlot'
import { fixed } from '../parts/numbers'
import { useSettled } from '../parts/useSettled'
import { HUES, movesOf, type Sliders, slidersOf } from './moves'
import './rendition.css'
import { useFigures } from './useFigures'
import { useHues, useShape } from './useShape'
import { GOALS, SLIDERS, suggestedWords, WORDS } from './words'

type Props = StationProps & {
  draft: Partial<ColourChange> | undefined
  setDraft: (draft: Partial<ColourChange> | undefined) => void
}

/** Moves that bring the print closer to its master, judged beside it. */
export function CompensateCard({ view, picture, tools, draft, setDraft }: Props) {
  const client = useQueryClient()
  const r = renditionOf(view, picture)
  const saved = r.compensation
  const moves = draft?.moves ?? saved.moves
  const hues = useHues(view, picture)
  const shape = useShape(view, picture, useSettled({ treatment: r.treatment, moves }, 80))
  const mono = r.treatment.kind === 'monochrome' || picture.master.channels === 1
  const sliders = slidersOf(moves, hues?.median ?? 50)
  const [suggested, setSuggested] = useState<Suggested>()
  const [goal, setGoal] = useState<Goal>('CLOSEST')
  const [asking, setAsking] = useState(false)
  const [name, setName] = useState('')
  /** What the moves came from before they were changed. */
  const [origin, setOrigin] = useState<string>()
  useEffect(() => {
    if (saved.kept) setOrigin(saved.kept.id)
  }, [saved.kept])
  const without = useFigures(view, picture, false)
  const withMoves = useFigures(view, picture, true)
  const { data: kept = [] } = useQuery({
    queryKey: ['compensations'],
    queryFn: ({ signal }) => answer(api.GET('/api/compensations', { signal })),
  })
  const intent = view.spec.colour.route.kind === 'by-wistel' ? view.spec.colour.route.intent : pairingOf(view).intent
  const of = saved.kept && kept.find((k) => k.id === saved.kept?.id)

  const save = (next: Partial<Compensated>) => {
    // shown at once, until the docket has it
    setDraft({ treatment: r.treatment, moves: (next.on ?? saved.on) ? (next.moves ?? saved.moves) : [] })
    tools.decide({
      kind: 'compensates',
      renditionId: r.id,
      compensation: { ...saved, kept: null as unknown as Compensated['kept'], ...next },
    })
  }
  const slide = (next: Partial<Sliders>) => setDraft({ treatment: r.treatment, moves: movesOf({ ...sliders, ...next }, moves) })
  const settle = () => draft?.moves && save({ moves: draft.moves, on: true })
  const set = (next: Partial<Sliders>) => save({ moves: movesOf({ ...sliders, ...next }, moves), on: true })

  // rows that don't move are not drawn again, so they get functions that stay the same
  const latest = useRef({ slide, settle, set })
  latest.current = { slide, settle, set }
  const [stable] = useState(() => ({
    slide: (next: Partial<Sliders>) => latest.current.slide(next),
    settle: () => latest.current.settle(),
    set: (next: Partial<Sliders>) => latest.current.set(next),
  }))

  const suggest = () => {
    setAsking(true)
    answer(
      api.POST('/api/dockets/{id}/renditions/{rendition}/suggestion', {
        params: { path: { id: view.id, rendition: r.id }, query: { goal } },
      }),
    )
      .then((found) => {
        setSuggested(found)
        if (found.moves.length > 0) save({ moves: found.moves, on: true })
      }, tools.complain)
      .finally(() => setAsking(false))
  }
  const keep = () =>
    answer(api.POST('/api/compensations', { body: { name, moves: saved.moves, pairingId: pairingOf(view).pairingId } })).then(
      (made) => {
        setName('')
        client.invalidateQueries({ queryKey: ['compensations'] })
        save({ kept: refOf(made) })
      },
      tools.complain as (e: Problem) => void,
    )
  const came = kept.find((k) => k.id === origin)
  const next = (follow: boolean) =>
    came &&
    answer(
      api.POST('/api/compensations/{id}/versions', {
        params: { path: { id: came.id } },
        body: {
          moves: saved.moves,
          pairingId: pairingOf(view).pairingId,
          follow,
        },
      }),
    ).then((made) => {
      client.invalidateQueries({ queryKey: ['compensations'] })
      save({ kept: refOf(made) })
    }, tools.complain)
  const last = kept.find((k) => k.name === name.trim())

  return (
    <>
      <section>
        <div className="compensated">
          <b>{saved.kept ? `“${saved.kept.name}”` : saved.moves.length > 0 ? 'not kept under a name' : 'nothing moved'}</b>
          <span className="soft">
            {without && withMoves && (
              <>
                ΔE {fixed(without.meanDifference[intent] ?? 0, 1)} without,{' '}
                <b>{fixed(withMoves.meanDifference[intent] ?? 0, 1)}</b> with
              </>
            )}
          </span>
        </div>
        <div className="row">
          <Button onClick={suggest} loading={asking} title={WORDS.suggestHelp}>
            {WORDS.suggest}
          </Button>
          <Radio.Group size="small" aria-label={WORDS.goal} value={goal} onChange={(e) => setGoal(e.target.value)}>
            {GOALS.map((g) => (
              <Radio key={g.value} value={g.value} title={g.help}>
                {g.name}
              </Radio>
            ))}
          </Radio.Group>
        </div>
        <div className="row">
          <Select
            aria-label="Use another compensation"
            className="another"
            placeholder="use another …"
            value={null}
            options={kept.map((k) => ({ value: k.id, label: k.madeFor ? `${k.name}, made on ${k.madeFor}` : k.name }))}
            notFoundContent="None is kept yet."
            onChange={(id) => {
              const chosen = kept.find((k) => k.id === id)
              if (chosen) save({ moves: chosen.moves, on: true, kept: refOf(chosen) })
            }}
          />
        </div>
        {suggested && <p className="soft">{suggested.moves.length === 0 ? WORDS.nothingBetter : suggestedWords(suggested)}</p>}
        <Checkbox
          checked={saved.on}
          disabled={saved.moves.length === 0}
          onChange={(e) => save({ on: e.target.checked, kept: saved.kept })}
        >
          in force (hold N to see it without)
        </Checkbox>
      </section>
      <section className="sliders">
        {SLIDERS.filter((s) => !mono || !['chroma', 'warmth', 'tint'].includes(s.key)).map((s) => (
          <SliderRow key={s.key} slider={s} value={sliders[s.key]} slide={stable.slide} settle={stable.settle} set={stable.set} />
        ))}
      </section>
      <section>
        <h2 className="head">Lightness</h2>
        <CurvePlot
          label="Lightness of the print against the master’s"
          width={330}
          height={112}
          x={[0, 100]}
          y={[0, 100]}
          line={(shape?.tones ?? []).map((y, i) => ({ x: 2 * i, y }))}
          rest={[
            { x: 0, y: 0 },
            { x: 100, y: 100 },
          ]}
          points={sliders.curve.map((p) => ({ x: p.from, y: p.to, label: `Tone ${Math.round(p.from)}` }))}
          step={{ x: 1, y: 1 }}
          ticks={[
            { x: 0, words: 'L* 0 black' },
            { x: 100, words: '100 paper' },
          ]}
          onMove={(i, to) => slide({ curve: between(sliders.curve, i, to) })}
          onDone={settle}
          onAdd={(at) =>
            sliders.curve.length < 8 &&
            set({ curve: [...sliders.curve, { from: round(at.x), to: round(at.y) }].sort((a, b) => a.from - b.from).map(risen) })
          }
          onRemove={(i) => sliders.curve.length > 2 && set({ curve: sliders.curve.filter((_, k) => k !== i) })}
        />
        <p className="soft">Press twice for a point; Delete takes it away.</p>
      </section>
      {!mono && (
        <section>
          <h2 className="head">Chroma by hue</h2>
          <CurvePlot
            label="Chroma by hue"
            width={330}
            height={78}
            x={[0, 360]}
            y={[0.4, 1.6]}
            line={(shape?.chroma ?? []).map((y, i) => ({ x: 5 * i, y }))}
            rest={[
              { x: 0, y: 1 },
              { x: 360, y: 1 },
            ]}
            ground={(hues?.hues ?? []).map((y, i) => ({ x: 5 * i + 2.5, y }))}
            points={HUES.map((h, i) => ({ x: h.hue, y: 1 + (sliders.byHue[i] ?? 0) / 100, label: `Chroma of ${h.name}` }))}
            step={{ x: 0, y: 0.01 }}
            upright
            ticks={HUES.map((h) => ({ x: h.hue, words: h.name }))}
            onMove={(i, to) => slide({ byHue: sliders.byHue.map((v, k) => (k === i ? Math.round(100 * (to.y - 1)) : v)) })}
            onDone={settle}
          />
        </section>
      )}
      {saved.moves.length > 0 && !saved.kept && (
        <section>
          <div className="row">
            <Input
              aria-label="Name of the compensation"
              placeholder="name"
              maxLength={80}
              value={name}
              onChange={(e) => setName(e.target.value)}
              onPressEnter={() => name.trim() && keep()}
            />
            <Button disabled={!name.trim() || last !== undefined} onClick={keep}>
              {WORDS.keep}
            </Button>
          </div>
          {last && <p className="soft">That name is taken: choose it above, or another name.</p>}
        </section>
      )}
      {of && saved.kept && of.version > saved.kept.version && (
        <section>
          <p>
            “{of.name}” was changed since: this docket keeps version {saved.kept.version}.{' '}
            <Button size="small" onClick={() => save({ moves: of.moves, on: true, kept: refOf(of) })}>
              Take the new one
            </Button>
          </p>
        </section>
      )}
      {came && !saved.kept && saved.moves.length > 0 && (
        <section>
          <p>These moves came from “{came.name}” and were changed.</p>
          <div className="choices">
            <Button size="small" onClick={() => next(false)}>
              Make them its next version
            </Button>
            {came.uses.length > 0 && (
              <Button size="small" onClick={() => next(true)}>
                … and let {came.uses.map((u) => u.title).join(', ')} follow
              </Button>
            )}
          </div>
        </section>
      )}
      {of && (
        <p className="soft">
          {of.uses.length < 2 ? 'Used on this docket alone.' : `Used on ${of.uses.map((u) => u.title).join(', ')}.`}
        </p>
      )}
    </>
  )
}

type RowProps = {
  slider: (typeof SLIDERS)[number]
  value: number
  slide: (next: Partial<Sliders>) => void
  settle: () => void
  set: (next: Partial<Sliders>) => void
}

const SliderRow = memo(function SliderRow({ slider: s, value, slide, settle, set }: RowProps) {
  return (
    <div className="slid">
      <span>{s.name}</span>
      <Slider
        min={-s.most}
        max={s.most}
        step={s.step}
        included={false}
        value={value}
        onChange={(v) => slide({ [s.key]: v })}
        onChangeComplete={settle}
        ariaLabelForHandle={s.name}
        tooltip={{ open: false }}
      />
      <InputNumber
        size="small"
        controls={false}
        aria-label={`${s.name}, number`}
        min={-s.most}
        max={s.most}
        value={value}
        onChange={(v) => v !== null && v !== value && set({ [s.key]: v })}
      />
    </div>
  )
})

const refOf = (k: CompensationView) => ({ id: k.id, version: k.version, name: k.name })

const round = (v: number) => Math.round(v * 10) / 10

/** A point of the curve stays between its neighbours. */
function between(curve: { from: number; to: number }[], i: number, to: { x: number; y: number }) {
  const before = curve[i - 1]
  const after = curve[i + 1]
  const from = Math.max(before ? before.from + 0.5 : 0, Math.min(after ? after.from - 0.5 : 100, to.x))
  const y = Math.max(before ? before.to : 0, Math.min(after ? after.to : 100, to.y))
  return curve.map((p, k) => (k === i ? { from: round(from), to: round(y) } : p))
}

const risen = (p: { from: number; to: number }, i: number, all: { from: number; to: number }[]) => ({
  from: p.from,
  to: Math.max(p.to, ...all.slice(0, i).map((q) => q.to)),
})
