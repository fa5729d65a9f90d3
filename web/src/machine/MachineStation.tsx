import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { Button } from 'antd'
import { useState } from 'react'
import { answer, api } from '../api/client'
import { pairingOf } from '../api/pictures'
import type { SettingChoice } from '../api/types'
import type { DocketTools, StationProps } from '../docket/useDocket'
import { Choices } from '../parts/Choices'
import { StationFindings } from '../parts/Findings'
import { fixed } from '../parts/numbers'
import { colourPath, lostWords, restWords, WORDS } from './words'
import './machine.css'

export function MachineStation({ view, picture, tools, go }: StationProps) {
  const { data: printers } = useQuery({
    queryKey: ['printers'],
    queryFn: ({ signal }) => answer(api.GET('/api/printers', { signal })),
  })
  const { data: choices } = useQuery({
    queryKey: ['docket', view.id, 'setting-choices', view.version],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/setting-choices', { params: { path: { id: view.id } }, signal })),
    enabled: !!view.pairing,
    placeholderData: keepPreviousData,
  })
  const [rest, showRest] = useState(false)
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
  const printer = printers?.find((p) => p.id === pairingOf(view).printerId)
  const settings = choices ?? []
  const others = settings.filter((s) => s.rest)
  return (
    <div className="station machine">
      <section className="settings-told" aria-label="Machine">
        <h2 className="head">What {pairingOf(view).printerName} will be told</h2>
        <StationFindings view={view} tools={tools} stage="MACHINE" />
        {choices?.length === 0 && <p className="soft">{WORDS.silent}</p>}
        {settings
          .filter((s) => !s.rest)
          .map((s) => (
            <Row key={s.setting} choice={s} tools={tools} docket={view.id} />
          ))}
        {others.length > 0 && (
          <div className="told-row rest">
            <Button type="link" className="plain-link" aria-expanded={rest} onClick={() => showRest(!rest)}>
              {restWords(others)} {rest ? '‹' : '›'}
            </Button>
          </div>
        )}
        {rest && others.map((s) => <Row key={s.setting} choice={s} tools={tools} docket={view.id} />)}
      </section>
      <aside className="booth way">
        <div className="scrolled">
          <h2 className="head">{WORDS.way}</h2>
          <ol className="colour-path">
            {colourPath(view, picture, settings).map(([head, text]) => (
              <li key={head}>
                <b>{head}</b>
                <div className="soft">{text}</div>
              </li>
            ))}
          </ol>
          <p className="soft">{view.spec.colour.route.kind === 'by-wistel' ? WORDS.byWistel : WORDS.byDriver}</p>
          {view.spec.colour.route.kind === 'by-driver' && (
            <Spaces id={view.id} space={view.spec.colour.route.space} tools={tools} />
          )}
          {printer && (
            <section className="in-printer">
              <h2 className="head">{WORDS.inPrinter}</h2>
              <p>{printer.loaded.join(' · ') || WORDS.nothingLoaded}</p>
              <p>{printer.supplies.map((s) => `${s.name.toLowerCase()} ${s.percent < 0 ? '?' : `${s.percent} %`}`).join(', ')}</p>
            </section>
          )}
        </div>
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

/** One setting: its values side by side, those that aren't possible struck out, with what forbids them and a press that makes way. */
function Row({ choice, tools, docket }: { choice: SettingChoice; tools: DocketTools; docket: string }) {
  const [asked, ask] = useState<string>()
  const struck = choice.values.filter((v) => v.why !== '')
  const press = (v: SettingChoice['values'][number]) => {
    if (v.why) return ask(v.value)
    if (v.chosen) return
    const { change } = v
    // a driver that converts gets the picture in the space that loses least of it
    if (change.kind === 'routed' && change.route.kind === 'by-driver')
      return answer(api.GET('/api/dockets/{id}/driver-spaces', { params: { path: { id: docket } } })).then(
        ([best]) => tools.decide(best ? { kind: 'routed', route: { kind: 'by-driver', space: best.space } } : change),
        tools.complain,
      )
    tools.decide(change)
  }
  const told = asked === undefined ? struck.slice(0, 2) : struck.filter((v) => v.value === asked)
  return (
    <div className="told-row" data-setting={choice.setting}>
      <span className="soft" id={`label-${choice.setting}`}>
        {choice.label}
      </span>
      <div>
        <Choices
          className="values"
          aria-labelledby={`label-${choice.setting}`}
          value={choice.values.find((v) => v.chosen)?.value}
          choices={choice.values.map((v) => ({
            value: v.value,
            shown: v.label,
            title: v.why ? `${WORDS.notNow}: ${v.why}` : undefined,
            className: v.why ? 'struck' : '',
          }))}
          onChoose={(value) => choice.values.filter((v) => v.value === value).forEach(press)}
        />
        {told.map((v) => (
          <div className="why" key={v.value}>
            <b>{v.label}</b>: {v.why}.{' '}
            {v.fix && (
              <Button type="link" className="plain-link" onClick={() => v.fix && tools.decide(v.fix.change)}>
                {v.fix.label}
              </Button>
            )}
          </div>
        ))}
        {told.length === 0 && choice.note && <div className="why">{choice.note}</div>}
      </div>
    </div>
  )
}

/** In which space the driver gets the picture, and what each would lose of it. */
function Spaces({ id, space, tools }: { id: string; space: string; tools: DocketTools }) {
  const { data } = useQuery({
    queryKey: ['docket', id, 'driver-spaces'],
    queryFn: ({ signal }) => answer(api.GET('/api/dockets/{id}/driver-spaces', { params: { path: { id } }, signal })),
  })
  if (!data) return null
  return (
    <div className="told-row spaces">
      <span className="soft">{WORDS.sentIn}</span>
      <div>
        <Choices
          className="values"
          aria-label={WORDS.sentIn}
          value={data.find((s) => s.space === space)?.space}
          choices={data.map((s) => ({ value: s.space, shown: s.name }))}
          onChoose={(next) => tools.decide({ kind: 'routed', route: { kind: 'by-driver', space: next } })}
        />
        {data.map((s) => (
          <div className="why" key={s.space}>
            {lostWords(s.name, fixed(100 * s.lost, 1), s.lost)}
          </div>
        ))}
      </div>
    </div>
  )
}
