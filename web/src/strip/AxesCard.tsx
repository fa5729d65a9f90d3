import { useQuery } from '@tanstack/react-query'
import { InputNumber, Select, Slider } from 'antd'
import { answer, api } from '../api/client'
import type { AxisAsked, AxisChoice, StripAsked, StripChoices, StripDocket } from '../api/types'
import type { StripProps } from '../docket/useDocket'
import { stripOf } from './words'

const NOTHING = 'nothing'

export function useStripChoices(view: StripDocket): StripChoices | undefined {
  const { data } = useQuery({
    queryKey: ['docket', view.id, 'strip-choices', view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/strip/choices', { params: { path: { id: view.id } }, signal })),
    placeholderData: (before) => before,
  })
  return data
}

/** What is varied: across, downwards, and page by page. */
export function AxesCard({ view, tools }: Pick<StripProps, 'view' | 'tools'>) {
  const choices = useStripChoices(view)
  const asked = stripOf(view)
  const vary = (next: StripAsked) => tools.change({ kind: 'vary', asked: next })
  const without = ({ down: _, ...rest }: StripAsked) => rest
  const { pages } = asked
  const setting = choices?.pages.find((p) => p.setting === pages?.setting)
  return (
    <section>
      <h2 className="head">What is varied</h2>
      <table className="axes">
        <tbody>
          <AxisRow
            name="across"
            asked={asked.across}
            other={asked.down?.what}
            axes={choices?.axes ?? []}
            onChange={(across) => across && vary({ ...asked, across })}
          />
          <AxisRow
            name="downwards"
            asked={asked.down}
            other={asked.across.what}
            axes={choices?.axes ?? []}
            may="none"
            onChange={(down) => vary(down ? { ...asked, down } : without(asked))}
          />
          <tr>
            <th scope="row">page by page</th>
            <td colSpan={2}>
              <Select
                size="small"
                aria-label="Varied page by page"
                value={pages?.setting ?? NOTHING}
                popupMatchSelectWidth={false}
                options={[
                  { value: NOTHING, label: 'nothing' },
                  ...(choices?.pages.map((p) => ({ value: p.setting, label: p.word })) ?? []),
                ]}
                onChange={(name) => {
                  const { pages: _, ...rest } = asked
                  const ways = choices?.pages.find((p) => p.setting === name)?.ways ?? []
                  vary(
                    name === NOTHING
                      ? rest
                      : { ...rest, pages: { setting: name, values: ways.slice(0, 7).map((way) => way.value) } },
                  )
                }}
              />
              {pages && setting && (
                <Select
                  mode="multiple"
                  size="small"
                  className="ways"
                  aria-label="On which pages"
                  value={pages.values}
                  options={setting.ways.map((way) => ({ value: way.value, label: way.words }))}
                  onChange={(values) => values.length > 1 && vary({ ...asked, pages: { ...pages, values } })}
                />
              )}
              {!pages && <div className="soft">settings of the printer, each page with its own</div>}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  )
}

type RowProps = {
  name: string
  asked: AxisAsked | undefined
  /** What the other way varies already. */
  other: AxisAsked['what'] | undefined
  axes: AxisChoice[]
  /** It may vary nothing. */
  may?: 'none'
  onChange: (next: AxisAsked | undefined) => void
}

function AxisRow({ name, asked, other, axes, may, onChange }: RowProps) {
  const axis = axes.find((a) => a.what === asked?.what)
  const start = (what: string) => {
    const next = axes.find((a) => a.what === what)
    if (!next) return onChange(undefined)
    onChange(
      next.slides
        ? { what: next.what, steps: asked?.steps ?? 3, step: next.step, values: [] }
        : {
            what: next.what,
            values: next.ways
              .filter((way) => !way.now)
              .map((way) => way.value)
              .slice(0, 6),
          },
    )
  }
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>
        <Select
          size="small"
          aria-label={`Varied ${name}`}
          value={asked?.what ?? NOTHING}
          popupMatchSelectWidth={false}
          options={[
            ...(may ? [{ value: NOTHING, label: 'nothing' }] : []),
            ...axes.map((a) => ({ value: a.what, label: a.word, disabled: a.what === other })),
          ]}
          onChange={start}
        />
      </td>
      <td>
        {asked && axis?.slides && (
          <div className="steps">
            <InputNumber
              key={`n${asked.steps}`}
              size="small"
              controls={false}
              aria-label={`Steps ${name}`}
              min={2}
              max={7}
              precision={0}
              defaultValue={asked.steps ?? 3}
              onBlur={(e) => {
                const steps = Number(e.target.value)
                if (steps !== asked.steps) onChange({ ...asked, steps })
              }}
              onPressEnter={(e) => (e.target as HTMLInputElement).blur()}
            />
            steps of
            <InputNumber
              key={`s${asked.step}`}
              size="small"
              controls={false}
              aria-label={`Step ${name}`}
              min={0.1}
              max={axis.most}
              defaultValue={asked.step ?? axis.step}
              onBlur={(e) => {
                const step = Number(e.target.value)
                if (step !== asked.step) onChange({ ...asked, step })
              }}
              onPressEnter={(e) => (e.target as HTMLInputElement).blur()}
            />
            <Slider
              key={`d${asked.step}`}
              ariaLabelForHandle={`Step ${name}, dragged`}
              min={axis.most > 20 ? 1 : 0.5}
              max={(2 * axis.most) / ((asked.steps ?? 3) - 1)}
              step={axis.most > 20 ? 1 : 0.5}
              defaultValue={asked.step ?? axis.step}
              onChangeComplete={(step) => step !== asked.step && onChange({ ...asked, step })}
            />
          </div>
        )}
        {asked && axis && !axis.slides && (
          <Select
            mode="multiple"
            size="small"
            className="ways"
            aria-label={`Ways ${name}`}
            value={asked.values}
            placeholder="as it is, and …"
            options={axis.ways.filter((way) => !way.now).map((way) => ({ value: way.value, label: way.words }))}
            onChange={(values) => values.length > 0 && onChange({ ...asked, values })}
          />
        )}
      </td>
    </tr>
  )
}
