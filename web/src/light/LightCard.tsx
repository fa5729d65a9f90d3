import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Button, Checkbox, Select, Slider } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { answer, api } from '../api/client'
import { asked, type ColourChange, pairingOf, renditionOf } from '../api/pictures'
import type { LightFigures } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { LightNumbers } from './LightNumbers'
import { MatchField } from './MatchField'
import { type Hanging, useScreenWhite } from './useLights'
import { LIGHT } from './words'
import './light.css'

type Props = StationProps & {
  hanging: Hanging
  figures: LightFigures | undefined
  change: ColourChange
}

/** The light that the print will hang in, what the eye makes of it there, and what to move for it. */
export function LightCard(props: Props) {
  const { tools, hanging, figures } = props
  const { lights, light, shining, hangs, choose, drag, shine } = hanging
  const screen = useScreenWhite()
  return (
    <>
      <section>
        <h2 className="head">{LIGHT.head}</h2>
        <div className="row">
          <Select
            aria-label={LIGHT.which}
            className="which-light"
            value={light.id}
            options={lights.map((l) => ({ value: l.id, label: l.name }))}
            onChange={choose}
          />
          <LightNumbers value={shining} onTyped={shine} />
        </div>
        <Checkbox
          checked={hangs}
          onChange={(e) =>
            tools.decide({
              kind: 'hangs-in',
              light: e.target.checked ? { name: light.name, ...shining } : (null as unknown as undefined),
            })
          }
        >
          {LIGHT.hangsHere}
        </Checkbox>
        <p className="soft">{LIGHT.match}</p>
        <MatchField figures={figures} light={shining} onDrag={drag} onDone={shine} />
        {screen?.white == null && figures && (
          <p className="soft">
            <Link to="/settings">{LIGHT.screenSupposed(figures.screen)}</Link>
          </p>
        )}
      </section>
      {figures && (
        <section>
          <h2 className="head" title={LIGHT.foreseen}>
            {LIGHT.sees}
          </h2>
          <dl className="rows">
            <dt>{LIGHT.white}</dt>
            <dd>{LIGHT.whiteWords(figures.white, figures.judging, figures.screen)}</dd>
            <dt>{LIGHT.shadows}</dt>
            <dd>{LIGHT.shadowWords(figures.apart, figures.apartJudging)}</dd>
            <dt>{LIGHT.colour}</dt>
            <dd>{LIGHT.colourWords(figures.colourKept)}</dd>
            <dt>{LIGHT.tint}</dt>
            <dd>{LIGHT.tintWords(figures.whiteSeen.a, figures.whiteSeen.b)}</dd>
          </dl>
        </section>
      )}
      <ForThisLight {...props} />
    </>
  )
}

/** Moves that make the print look here as it does in the judging light, kept under the light's name. */
function ForThisLight({ view, picture, tools, hanging: { light, shining }, change }: Props) {
  const client = useQueryClient()
  const [share, setShare] = useState(75)
  const [asking, setAsking] = useState(false)
  const [said, say] = useState<string>()
  /** What was moved before something was suggested for this light: what is suggested next starts from there. */
  const [before, remember] = useState<ColourChange['moves']>()
  const r = renditionOf(view, picture)
  const { data: kept = [] } = useQuery({
    queryKey: ['compensations'],
    queryFn: ({ signal }) => answer(api.GET('/api/compensations', { signal })),
  })
  const name = LIGHT.called(light.name)
  const itsOwn = r.compensation.kept?.name === name
  const suggest = async () => {
    setAsking(true)
    const from = itsOwn
      ? (before ?? change.moves.filter((m) => m.kind !== 'lightness-curve' && m.kind !== 'chroma-moves'))
      : change.moves
    remember(from)
    try {
      const found = await answer(
        api.POST('/api/dockets/{id}/renditions/{rendition}/light-suggestion', {
          params: {
            path: { id: view.id, rendition: r.id },
            query: { ...asked({ ...change, moves: from }), ...shining, share: share / 100 },
          },
        }),
      )
      const known = kept.find((k) => k.name === name)
      const body = { moves: found.moves, pairingId: pairingOf(view).pairingId }
      const made = await (known
        ? answer(
            api.POST('/api/compensations/{id}/versions', {
              params: { path: { id: known.id } },
              body: { ...body, follow: false },
            }),
          )
        : answer(api.POST('/api/compensations', { body: { ...body, name } })))
      client.invalidateQueries({ queryKey: ['compensations'] })
      const hung = { name: light.name, ...shining }
      tools.decide({
        kind: 'together',
        changes: [
          { kind: 'hangs-in', light: hung },
          {
            kind: 'compensates',
            renditionId: r.id,
            compensation: {
              moves: found.moves,
              on: true,
              kept: { id: made.id, version: made.version, name: made.name },
              madeFor: hung,
            },
          },
        ],
      })
      say(LIGHT.kept(name, found.words))
    } catch (e) {
      tools.complain(e as Parameters<typeof tools.complain>[0])
    } finally {
      setAsking(false)
    }
  }
  return (
    <section>
      <h2 className="head">{LIGHT.make}</h2>
      <div className="row">
        <span className="soft">{LIGHT.halfway}</span>
        <Slider
          className="how-far"
          min={50}
          max={100}
          step={5}
          value={share}
          onChange={setShare}
          tooltip={{ open: false }}
          ariaLabelForHandle={LIGHT.share}
        />
        <span className="soft">{LIGHT.allTheWay}</span>
      </div>
      <Button onClick={suggest} loading={asking}>
        {LIGHT.suggest}
      </Button>
      {said && <p className="soft">{said}</p>}
    </section>
  )
}
