import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { Button, Checkbox } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { address, answer, api } from '../api/client'
import { asked, type ColourChange, changeOf, masterUrl, renditionOf, rounded, treated } from '../api/pictures'
import type { StationProps } from '../docket/useDocket'
import { Booth } from '../parts/BoothPicture'
import { BOOTH } from '../parts/booth'
import { FileButton } from '../parts/FileButton'
import { StationFindings } from '../parts/Findings'
import { megabytes, mm, percent } from '../parts/numbers'
import { useLivePicture } from '../parts/useLivePicture'
import { HUES } from '../rendition/moves'
import { lighterOf, mixed, TreatmentCard } from '../rendition/TreatmentCard'
import { HistogramPlot } from './HistogramPlot'
import './picture.css'

const PICTURES = '.jpg,.jpeg,.tif,.tiff,.png'

export function PictureStation({ view, picture, tools, go, onFile }: StationProps) {
  const m = picture.master
  const r = renditionOf(view, picture)
  const [draft, setDraft] = useState<ColourChange>()
  const [ends, setEnds] = useState(false)
  const [pointed, setPointed] = useState<number>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was drawn ahead of the docket gives way to what it holds
  useEffect(() => setDraft(undefined), [view.version])
  const shown = useLivePicture(masterUrl(m.hash, BOOTH, draft ?? treated(r.treatment)))
  const paired = view.pairing !== null && view.pairing !== undefined
  const change = changeOf(r, picture)
  const { data: levels } = useQuery({
    queryKey: ['histogram', picture.master.hash],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/masters/{hash}/histogram', { params: { path: { hash: picture.master.hash } }, signal })),
    staleTime: Number.POSITIVE_INFINITY,
  })
  const { data: found } = useQuery({
    queryKey: ['ends', view.id, picture.renditionId, view.pairing?.pairingId, view.version],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/dockets/{id}/renditions/{rendition}/end-points', {
          params: { path: { id: view.id, rendition: picture.renditionId }, query: asked(change) },
          signal,
        }),
      ),
    enabled: paired,
    placeholderData: keepPreviousData,
  })
  return (
    <div className="station">
      <Booth
        foot={
          <span>
            {r.treatment.kind === 'monochrome'
              ? 'The master in monochrome. Its file is never altered.'
              : 'The master, as it came. It is never altered.'}
          </span>
        }
      >
        <Hued view={view} picture={picture} tools={tools} draft={draft} setDraft={setDraft} onHue={setPointed}>
          <img src={shown || masterUrl(m.hash, BOOTH)} alt={`Master: ${view.spec.heading.title}`} draggable={false} />
          {ends && paired && (
            <img
              className="over"
              alt="Bare paper and blocked black"
              src={address('/api/dockets/{id}/renditions/{rendition}/end-points/picture', {
                path: { id: view.id, rendition: picture.renditionId },
                query: { longest: BOOTH, v: view.version, ...asked(change) },
              })}
            />
          )}
        </Hued>
      </Booth>
      <aside className="card" aria-label="Picture">
        <StationFindings view={view} tools={tools} stage="PICTURE" />
        <section>
          <h2 className="head">What came in</h2>
          <dl className="rows">
            <dt>file</dt>
            <dd>
              {m.format}, {m.width} × {m.height} pixels, {m.bits} bit, {megabytes(m.bytes)}
            </dd>
            <dt>profile</dt>
            <dd>{m.profileName || `none: read as ${picture.sourceName}`}</dd>
          </dl>
          {onFile && (
            <FileButton size="small" accept={PICTURES} onFile={onFile}>
              A newer file of it
            </FileButton>
          )}
        </section>
        <TreatmentCard view={view} picture={picture} tools={tools} draft={draft} setDraft={setDraft} pointed={pointed} />
        <section>
          <h2 className="head">Levels</h2>
          <HistogramPlot counts={levels?.counts ?? Array<number[]>(m.channels).fill([])} />
          <dl className="rows">
            <dt>bare paper</dt>
            <dd>
              {levels && percent(levels.bareShare)} of the master{found && `, ${percent(found.bareShare)} of the print`} gets no
              ink at all
            </dd>
            <dt>solid black</dt>
            <dd>
              {levels && percent(levels.solidShare)} of the master
              {found && `, ${percent(found.blockedShare)} of the print is blocked`}
            </dd>
          </dl>
          <Checkbox checked={ends} disabled={!paired} onChange={(e) => setEnds(e.target.checked)}>
            {paired
              ? 'mark where no ink lies (dots) and where black runs together (strokes)'
              : 'mark where no ink lies and where black runs together, once a paper is chosen'}
          </Checkbox>
        </section>
        <section>
          <h2 className="head">How large it can go</h2>
          <dl className="rows">
            <dt>fine</dt>
            <dd>up to {mm(Math.round(picture.reach.fineMm))} mm on its long side (300 ppi)</dd>
            <dt>good</dt>
            <dd>up to {mm(Math.round(picture.reach.goodMm))} mm (200 ppi)</dd>
            <dt>just enough</dt>
            <dd>up to {mm(Math.round(picture.reach.fairMm))} mm (150 ppi)</dd>
          </dl>
        </section>
        <div className="next">
          <span />
          <Button type="primary" onClick={() => go('paper')}>
            On to the paper
          </Button>
        </div>
      </aside>
    </div>
  )
}

type HuedProps = Pick<StationProps, 'view' | 'picture' | 'tools'> & {
  draft: ColourChange | undefined
  setDraft: (draft: ColourChange | undefined) => void
  onHue: (hue: number | undefined) => void
  children: React.ReactNode
}

/** The picture in monochrome under the pointer: pointing at a colour shows its hue, dragging up or down makes that hue lighter or darker. */
function Hued({ view, picture, tools, draft, setDraft, onHue, children }: HuedProps) {
  const r = renditionOf(view, picture)
  const mono = r.treatment.kind === 'monochrome' && picture.master.channels > 1 ? r.treatment : undefined
  const wait = useRef<number>(undefined)
  const held = useRef<{ y: number; nearest: number; start: number[] }>(undefined)
  const ask = (e: React.PointerEvent<HTMLElement>) => {
    const box = e.currentTarget.getBoundingClientRect()
    const x = Math.max(0, Math.min(1, (e.clientX - box.left) / box.width))
    const y = Math.max(0, Math.min(1, (e.clientY - box.top) / box.height))
    return answer(
      api.GET('/api/dockets/{id}/renditions/{rendition}/hue', {
        params: { path: { id: view.id, rendition: r.id }, query: rounded({ x, y }) },
      }),
    ).then(({ hue }) => hue)
  }
  if (!mono) return <div className="hued">{children}</div>
  return (
    <div
      className="hued dragged"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId)
        const y = e.clientY
        ask(e).then((hue) => {
          const apart = (h: number) => Math.min(Math.abs(h - hue), 360 - Math.abs(h - hue))
          const nearest = HUES.reduce((best, h, i) => (apart(h.hue) < apart(HUES[best]?.hue ?? 0) ? i : best), 0)
          held.current = { y, nearest, start: lighterOf(mono) }
          onHue(hue)
        }, tools.complain)
      }}
      onPointerMove={(e) => {
        const drag = held.current
        if (e.buttons && drag) {
          const lighter = drag.start.map((v, i) => (i === drag.nearest ? v + (drag.y - e.clientY) / 4 : v))
          setDraft(treated(mixed(mono, lighter)))
        } else if (!e.buttons) {
          window.clearTimeout(wait.current)
          const event = { ...e, currentTarget: e.currentTarget }
          wait.current = window.setTimeout(
            () => ask(event as React.PointerEvent<HTMLElement>).then(onHue, () => onHue(undefined)),
            60,
          )
        }
      }}
      onPointerUp={() => {
        if (held.current && draft) tools.decide({ kind: 'treated', renditionId: r.id, treatment: draft.treatment })
        held.current = undefined
      }}
      onPointerLeave={() => {
        window.clearTimeout(wait.current)
        onHue(undefined)
      }}
    >
      {children}
    </div>
  )
}
