import { useQuery } from '@tanstack/react-query'
import { InputNumber, Radio, Select, Slider } from 'antd'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { answer, api } from '../api/client'
import { markUrl } from '../api/pictures'
import type { OwnMark } from '../api/types'

const SPOTS: { value: OwnMark['spot']; label: string }[] = [
  { value: 'UPPER_LEFT', label: 'upper left' },
  { value: 'UPPER_MIDDLE', label: 'upper middle' },
  { value: 'UPPER_RIGHT', label: 'upper right' },
  { value: 'LOWER_LEFT', label: 'lower left' },
  { value: 'LOWER_MIDDLE', label: 'lower middle' },
  { value: 'LOWER_RIGHT', label: 'lower right' },
]

const INKS: { value: OwnMark['ink']; name: string }[] = [
  { value: 'OWN', name: 'in its own colours' },
  { value: 'DARKENS', name: 'darkens' },
  { value: 'LIGHTENS', name: 'lightens' },
]

const SIZES = [
  { key: 'widthMm', label: 'Width of the mark', after: 'mm wide', from: 2, to: 300 },
  { key: 'insetMm', label: 'Distance of the mark', after: 'mm from the edge', from: 0, to: 200 },
] as const

/** A signature, stamp or logo beside the picture or over it. */
export function OwnMarkFields({
  now,
  border,
  onChange,
}: {
  now: OwnMark | undefined
  /** False where there is none to lay it in. */
  border: boolean
  onChange: (next: OwnMark | undefined) => void
}) {
  const { data: kept = [] } = useQuery({
    queryKey: ['own-marks'],
    queryFn: ({ signal }) => answer(api.GET('/api/own-marks', { signal })),
  })
  const [opacity, setOpacity] = useState(now?.opacity ?? 1)
  useEffect(() => setOpacity(now?.opacity ?? 1), [now?.opacity])
  const arts =
    now && !kept.some((k) => k.art.content === now.art.content) ? [...kept.map((k) => k.art), now.art] : kept.map((k) => k.art)
  const choose = (content: string) => {
    const art = arts.find((a) => a.content === content)
    onChange(
      art && {
        ...(now ?? {
          spot: 'LOWER_RIGHT',
          over: !border,
          insetMm: 5,
          widthMm: Math.min(40, 12 * art.aspect),
          opacity: 1,
          ink: 'OWN',
        }),
        art,
      },
    )
  }
  const set = (next: Partial<OwnMark>) => now && onChange({ ...now, ...next })
  return (
    <section>
      <h2 className="head">A mark of your own</h2>
      <div className="choices">
        {arts.length === 0 ? (
          <p className="soft">
            A signature, a stamp, a logo: bring one in the <Link to="/settings">settings</Link>, and it can be laid here.
          </p>
        ) : (
          <Select
            aria-label="A mark of your own"
            value={now?.art.content ?? ''}
            onChange={choose}
            options={[
              { value: '', label: 'none' },
              ...arts.map((art) => ({
                value: art.content,
                label: (
                  <span className="mark-choice">
                    <img src={markUrl(art, 120)} alt="" /> {art.name}
                  </span>
                ),
              })),
            ]}
          />
        )}
        {now && (
          <>
            <div className="row">
              <Select
                aria-label="Where the mark lies"
                value={now.spot}
                onChange={(spot) => set({ spot })}
                options={SPOTS}
                popupMatchSelectWidth={false}
              />
              {border && (
                <Radio.Group
                  optionType="button"
                  buttonStyle="solid"
                  aria-label="Over the picture or beside it"
                  value={now.over}
                  onChange={(e) => set({ over: e.target.value })}
                >
                  <Radio.Button value={false}>in the border</Radio.Button>
                  <Radio.Button value={true}>over the picture</Radio.Button>
                </Radio.Group>
              )}
            </div>
            <div className="row">
              {SIZES.map((s) => (
                <span key={s.key}>
                  <InputNumber
                    aria-label={s.label}
                    className="number"
                    min={s.from}
                    max={s.to}
                    step={0.5}
                    value={Number(now[s.key].toFixed(1))}
                    onChange={(v) => v !== null && set({ [s.key]: v })}
                  />{' '}
                  <span className="soft">{s.after}</span>
                </span>
              ))}
            </div>
            <Radio.Group
              optionType="button"
              buttonStyle="solid"
              aria-label="What the mark does"
              value={now.ink}
              onChange={(e) => set({ ink: e.target.value })}
            >
              {INKS.map((i) => (
                <Radio.Button key={i.value} value={i.value}>
                  {i.name}
                </Radio.Button>
              ))}
            </Radio.Group>
            <div className="row opacity">
              <span className="soft">covers {Math.round(100 * opacity)} %</span>
              <Slider
                aria-label="How much the mark covers"
                min={0.05}
                max={1}
                step={0.05}
                tooltip={{ open: false }}
                value={opacity}
                onChange={setOpacity}
                onChangeComplete={(v) => set({ opacity: v })}
              />
            </div>
          </>
        )}
      </div>
    </section>
  )
}
