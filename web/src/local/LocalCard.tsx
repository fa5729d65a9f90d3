import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Checkbox, InputNumber, Select, Slider } from 'antd'
import { answer, api, since } from '../api/client'
import type { LocalChange, LocalMove } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { type Drawn, drawn, EDGES, NAMES, wordsOf } from './shapes'

type Props = Pick<StationProps, 'view' | 'picture' | 'tools'> & {
  local: LocalMove[]
  picked: number | undefined
  onPicked: (index: number | undefined) => void
  drawing: Drawn | undefined
  onDraw: (kind: Drawn | undefined) => void
  onMoved: (next: LocalMove[], done: boolean) => void
}

const MOST = 12
const CHANGES: { name: keyof LocalChange; label: string; most: number; step: number }[] = [
  { name: 'lightness', label: 'lightness', most: 50, step: 1 },
  { name: 'contrast', label: 'contrast', most: 50, step: 1 },
  { name: 'chroma', label: 'chroma', most: 100, step: 1 },
  { name: 'warmth', label: 'warmth', most: 10, step: 0.5 },
]

type Share = 'reach' | 'round' | 'soft'
/** What a kind has of these, in per cent. */
const SHAPES: { name: Share; label: string; min: number }[] = [
  { name: 'reach', label: 'how far in', min: 2 },
  { name: 'round', label: 'how round', min: 0 },
  { name: 'soft', label: 'how soft', min: 5 },
]

/** Edges, places and slopes of this picture: drawn on the proof, switched and set here. */
export function LocalCard({ view, picture, tools, local, picked, onPicked, drawing, onDraw, onMoved }: Props) {
  const move = picked === undefined ? undefined : local[picked]
  const replaced = (next: LocalMove, index = picked) => local.map((m, i) => (i === index ? next : m))
  const aspect = picture.master.width / picture.master.height
  const add = (next: LocalMove) => {
    onMoved([...local, next], true)
    onPicked(local.length)
  }
  const start = (kind: Drawn) => (e: React.MouseEvent) =>
    // by keyboard there is no drag: it is put in the middle
    e.detail === 0
      ? add(drawn(kind, { x: 0.5, y: 0.5 }, { x: 0.5, y: 0.5 }, aspect))
      : onDraw(drawing === kind ? undefined : kind)
  const full = local.length >= MOST
  const on = local.filter((m) => m.on).length
  return (
    <section aria-label="Edges, places and slopes">
      <div className="row">
        <Button size="small" disabled={full} onClick={() => add(EDGES)}>
          edges
        </Button>
        <Button size="small" disabled={full} aria-pressed={drawing === 'place'} onClick={start('place')}>
          a place
        </Button>
        <Button size="small" disabled={full} aria-pressed={drawing === 'slope'} onClick={start('slope')}>
          a slope
        </Button>
        {local.length > 1 && (
          <button
            type="button"
            className="textual"
            onClick={() =>
              onMoved(
                local.map((m) => ({ ...m, on: on === 0 })),
                true,
              )
            }
          >
            {on === 0 ? 'all on' : 'all off'}
          </button>
        )}
      </div>
      {drawing && (
        <p className="soft">
          {drawing === 'place'
            ? 'Drag on the proof from the middle of the place outwards.'
            : 'Drag on the proof from where it is full to where it is gone.'}
        </p>
      )}
      {local.length > 0 && (
        <ul className="local-moves">
          {local.map((m, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: moves have no other name than their place
            <li key={i} className={i === picked ? 'picked' : ''}>
              <Checkbox
                checked={m.on}
                aria-label={`${NAMES[m.kind]} ${i + 1} in force`}
                onChange={(e) => onMoved(replaced({ ...m, on: e.target.checked }, i), true)}
              />
              <button
                type="button"
                className="named"
                aria-pressed={i === picked}
                onClick={() => onPicked(i === picked ? undefined : i)}
              >
                {NAMES[m.kind]} <span className="soft">{wordsOf(m)}</span>
              </button>
              <button
                type="button"
                className="textual"
                aria-label={`Take ${NAMES[m.kind]} ${i + 1} away`}
                onClick={() => {
                  onMoved(
                    local.filter((_, n) => n !== i),
                    true,
                  )
                  onPicked(undefined)
                }}
              >
                take away
              </button>
            </li>
          ))}
        </ul>
      )}
      {move && (
        <div className="sliders">
          {CHANGES.map(({ name, label, most, step }) => (
            <Slid
              key={name}
              label={label}
              min={-most}
              max={most}
              step={step}
              value={move.change[name]}
              onSlide={(v, done) => onMoved(replaced({ ...move, change: { ...move.change, [name]: v } }), done)}
            />
          ))}
          {SHAPES.filter(({ name }) => name in move).map(({ name, label, min }) => (
            <Slid
              key={name}
              label={label}
              min={min}
              max={100}
              step={1}
              value={Math.round(100 * ((move as Partial<Record<Share, number>>)[name] ?? 0))}
              onSlide={(v, done) => onMoved(replaced({ ...move, [name]: v / 100 }), done)}
            />
          ))}
        </div>
      )}
      {local.length > 0 && <CopyTo view={view} picture={picture} tools={tools} local={local} />}
    </section>
  )
}

type SlidProps = {
  label: string
  min: number
  max: number
  step: number
  value: number
  onSlide: (value: number, done: boolean) => void
}

function Slid({ label, min, max, step, value, onSlide }: SlidProps) {
  return (
    <div className="slid">
      <span>{label}</span>
      <Slider
        min={min}
        max={max}
        step={step}
        value={value}
        included={min >= 0}
        ariaLabelForHandle={`Locally: ${label}`}
        tooltip={{ open: false }}
        onChange={(v) => onSlide(v, false)}
        onChangeComplete={(v) => onSlide(v, true)}
      />
      <InputNumber
        size="small"
        controls={false}
        aria-label={`Locally: ${label}`}
        min={min}
        max={max}
        step={step}
        value={value}
        onChange={(v) => v !== null && onSlide(v, true)}
      />
    </div>
  )
}

/** The same edges, places and slopes on another docket of this picture. */
function CopyTo({ view, picture, tools, local }: Pick<Props, 'view' | 'picture' | 'tools' | 'local'>) {
  const client = useQueryClient()
  const { data: groups = [] } = useQuery({
    queryKey: ['bench'],
    queryFn: ({ signal }) => answer(api.GET('/api/bench', { signal })),
  })
  const others = groups
    .flatMap((g) => g.dockets)
    .filter((d) => d.id !== view.id && d.pictures.some((p) => p.masterHash === picture.master.hash))
  if (others.length === 0) return null
  const copy = async (id: string) => {
    const other = await answer(api.GET('/api/dockets/{id}', { params: { path: { id } } }))
    const r = other.spec.renditions.find((x) => x.masterHash === picture.master.hash)
    if (!r) return
    await answer(
      api.PATCH('/api/dockets/{id}', {
        params: { path: { id }, header: since(other.version) },
        body: { kind: 'locally-moved', renditionId: r.id, local },
      }),
    )
    client.invalidateQueries({ queryKey: ['docket', id] })
  }
  return (
    <Select
      size="small"
      className="local-copy"
      aria-label="Copy them to another docket of this picture"
      placeholder="copy them to another docket of this picture …"
      value={null}
      options={others.map((d) => ({ value: d.id, label: `${d.number} · ${d.title}` }))}
      onSelect={(id: string | null) => id && copy(id).catch(tools.complain)}
    />
  )
}
