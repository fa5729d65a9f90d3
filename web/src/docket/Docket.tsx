import { RedoOutlined, UndoOutlined } from '@ant-design/icons'
import { Button, Input, Popconfirm, Tooltip } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { answer, api, since } from '../api/client'
import { useFilesOnDocket } from '../arrivals/useFilesOnDocket'
import { filesOf } from '../bench/arrivals'
import { useKeys } from '../frame/keys'
import { MachineStation } from '../machine/MachineStation'
import { PaperStation } from '../paper/PaperStation'
import { MarkSign } from '../parts/MarkSign'
import { PictureStation } from '../picture/PictureStation'
import { ProofStation } from '../proof/ProofStation'
import { ReleaseStation } from '../release/ReleaseStation'
import { PLAN_KINDS } from '../size/plans'
import { SizeStation } from '../size/SizeStation'
import { useTryVariations } from '../strip/useTryVariations'
import { KeepStart } from './KeepStart'
import { PictureStrip } from './PictureStrip'
import { useDocket } from './useDocket'
import './docket.css'

const STATIONS = ['picture', 'paper', 'size', 'proof', 'machine', 'release'] as const
const ROOMS = {
  picture: PictureStation,
  paper: PaperStation,
  size: SizeStation,
  proof: ProofStation,
  machine: MachineStation,
  release: ReleaseStation,
}

/** Where one picture at a time is looked at. */
const OF_A_PICTURE = ['picture', 'paper', 'proof']

export function Docket() {
  const { id = '', station } = useParams()
  const tools = useDocket(id)
  const navigate = useNavigate()
  const [lookedAt, lookAt] = useState('')
  const { view, change } = tools
  const tryVariations = useTryVariations(id, tools)
  const unsettled = view?.track.findIndex((s) => s.mark !== 'SETTLED') ?? 0
  // at the size station pictures may be laid beside what is there
  const files = useFilesOnDocket(id, tools, station === 'size' && !['wrap', 'strip'].includes(view?.spec.plan.kind ?? ''))
  const first = STATIONS[unsettled < 0 ? 5 : unsettled] ?? 'picture'
  const open = STATIONS.find((s) => s === station) ?? first
  // the station that is opened stands in the address from the start: only the person moves on
  const settledOn = view !== undefined && station === undefined
  useEffect(() => {
    if (settledOn) navigate(`/dockets/${id}/${first}`, { replace: true })
  }, [settledOn, first, id, navigate])
  // keys may come faster than the page is drawn: they count from where the last one went
  const place = useRef<number>(0)
  place.current = STATIONS.indexOf(open)
  const go = (to: string) => navigate(`/dockets/${id}/${to}`)

  const step = (by: number) => {
    const to = STATIONS[place.current + by]
    if (!to) return
    place.current += by
    navigate(`/dockets/${id}/${to}`)
  }
  useKeys({
    undo: () => change({ kind: 'undo' }),
    redo: () => change({ kind: 'redo' }),
    stationBefore: () => step(-1),
    stationAfter: () => step(1),
  })

  if (tools.error && !view) {
    return (
      <p className="page">
        {tools.error.message} <a href="/">Back to the bench</a>
      </p>
    )
  }
  if (!view) return null
  if (!PLAN_KINDS.includes(view.spec.plan.kind)) {
    const { purpose, title } = view.spec.heading
    const [where, to] =
      purpose.kind === 'ruler-of'
        ? ['its paper’s page', `/papers/${purpose.pairingId}`]
        : ['the tone bench', purpose.kind === 'wedge-of' ? `/tones/${purpose.number}` : '/tones']
    return (
      <p className="page">
        {title} was printed from {where}. <Button onClick={() => navigate(to)}>See it there</Button>
      </p>
    )
  }
  const Room = ROOMS[open]
  const picture = view.pictures.find((p) => p.renditionId === lookedAt) ?? view.pictures[0]
  if (!picture) return null
  const m = picture.master
  const stops = view.findings.filter((f) => f.severity === 'STOP').length
  const looks = view.findings.filter((f) => f.severity === 'LOOK').length
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the whole page takes drops; the bench has the keyboard's way
    <div
      className="docket"
      onDragOver={(e) => e.preventDefault()}
      onDrop={async (e) => {
        e.preventDefault()
        files.dropped(await filesOf(e.dataTransfer))
      }}
    >
      <div className="docket-head">
        <h1 className="unseen">{view.spec.heading.title}</h1>
        <div className="line">
          <Input
            key={view.spec.heading.title}
            className="title retitled"
            aria-label="Title"
            variant="borderless"
            defaultValue={view.spec.heading.title}
            onPressEnter={(e) => e.currentTarget.blur()}
            onBlur={(e) => e.target.value !== view.spec.heading.title && tools.decide({ kind: 'titled', title: e.target.value })}
          />
          <span className="soft">
            docket {view.number}
            {` · master ${m.fileName}, ${m.width} × ${m.height}, ${m.bits} bit, ${m.channels === 1 ? 'gray' : 'RGB'}`}
          </span>
          {view.origin && (
            <Link className="joint" to={`/dockets/${view.origin.id}/size`}>
              variations of docket {view.origin.number}
            </Link>
          )}
          {view.joint.map((j) => (
            <Link key={j.id} className="joint" to={`/dockets/${j.id}/size`}>
              printed together in docket {j.number}
            </Link>
          ))}
          <span className="tools">
            <Tooltip title={view.undo ? `Undo: ${view.undo} (Ctrl Z)` : 'Nothing to undo'}>
              <Button
                type="text"
                icon={<UndoOutlined />}
                aria-label={view.undo ? `Undo: ${view.undo}` : 'Undo'}
                disabled={!view.undo}
                onClick={() => change({ kind: 'undo' })}
              />
            </Tooltip>
            <Tooltip title={view.redo ? `Do it again: ${view.redo} (Ctrl Shift Z)` : 'Nothing to do again'}>
              <Button
                type="text"
                icon={<RedoOutlined />}
                aria-label={view.redo ? `Redo: ${view.redo}` : 'Redo'}
                disabled={!view.redo}
                onClick={() => change({ kind: 'redo' })}
              />
            </Tooltip>
            {view.spec.plan.kind !== 'strip' && (
              <Button type="text" onClick={() => tryVariations(picture.renditionId)}>
                Try variations
              </Button>
            )}
            <Button
              type="text"
              onClick={() =>
                answer(api.POST('/api/dockets/{id}/copies', { params: { path: { id } } })).then(
                  (copy) => navigate(`/dockets/${copy.id}/size`),
                  tools.complain,
                )
              }
            >
              Another like it
            </Button>
            {!['gang', 'strip'].includes(view.spec.plan.kind) && <KeepStart view={view} complain={tools.complain} />}
            <Popconfirm
              title="Take this docket off the bench? Its prints stay in the print log."
              onConfirm={async () => {
                await answer(
                  api.POST('/api/dockets/{id}/archive', { params: { path: { id }, header: since(view.version) } }),
                ).catch(tools.complain)
                navigate('/')
              }}
              okText="Put away"
              cancelText="Leave it"
            >
              <Button type="text">Put away</Button>
            </Popconfirm>
          </span>
        </div>
        <nav className="track" aria-label="Stations">
          {view.track.map((stop, i) => {
            const name = STATIONS[i] ?? 'picture'
            return (
              <button
                type="button"
                key={name}
                className={name === open ? 'open' : stop.mark === 'SETTLED' ? 'passed' : ''}
                aria-current={name === open ? 'step' : undefined}
                onClick={() => go(name)}
              >
                <span className="name">
                  <MarkSign mark={stop.mark} size={11} /> {name.charAt(0).toUpperCase() + name.slice(1)}
                </span>
                <div className="outcome" title={stop.outcome}>
                  {stop.outcome}
                </div>
              </button>
            )
          })}
        </nav>
        {view.pictures.length > 1 && OF_A_PICTURE.includes(open) && (
          <PictureStrip view={view} shown={picture.renditionId} onShow={lookAt} />
        )}
      </div>
      {files.question}
      <Room view={view} picture={picture} tools={tools} go={go} onFile={(file) => files.dropped([file])} />
      <footer className="readback">
        <span data-testid="readback">
          <b>If printed now:</b> {view.readback}
        </span>
        <span className="count">
          <MarkSign mark={stops ? 'STOP' : looks ? 'LOOK' : 'SETTLED'} />
          {stops ? `${stops} stop${stops === 1 ? 's' : ''} it` : looks ? `${looks} to look at` : 'nothing stops it'}
        </span>
      </footer>
    </div>
  )
}
