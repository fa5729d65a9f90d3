import { type RefObject, useEffect, useRef, useState } from 'react'
import { address } from '../api/client'
import { masterUrl, pairingOf, scanUrl, treated } from '../api/pictures'
import { forScreen } from '../api/screen'
import type { Placed, StripDocket } from '../api/types'
import { BOOTH } from '../parts/booth'
import { PlacedPicture } from '../parts/PlacedPicture'
import { treatmentOf } from '../parts/pieces'
import { useRoom } from '../parts/useRoom'
import { pressed } from './words'

type Props = {
  view: StripDocket
  /** From 1. */
  page: number
  chosen: string[]
  onChoose: (placedIds: string[]) => void
  /** The attempt whose scans are shown in place of what is foreseen. */
  scans?: string | undefined
}

const ROOM = 36
const FORESEEN = 2000
const SCANNED = 700
/** A piece that is pointed at. */
const ENLARGED = 340

/** A page of the strip as it would come out, or as it came out; each piece can be pointed at and pressed. */
export function StripDrawing({ view, page: number, chosen, onChoose, scans }: Props) {
  const [box, room] = useRoom()
  const [near, point] = useState<Placed>()
  const foreseen = useRef<HTMLImageElement>(null)
  const page = view.layout.pages[number - 1]
  if (!page) return null
  const scale = Math.max(0.05, Math.min((room.w - 2 * ROOM) / page.widthMm, (room.h - 2 * ROOM) / page.heightMm))
  const w = page.widthMm * scale
  const h = page.heightMm * scale
  const x0 = (room.w - w) / 2
  const y0 = (room.h - h) / 2
  const src = view.pairing
    ? address('/api/dockets/{id}/pages/{page}/prediction', {
        path: { id: view.id, page: number },
        query: { longest: FORESEEN, v: `${view.version}-${pairingOf(view).number}`, ...forScreen() },
      })
    : undefined
  const words = (id: string) => view.planned.pieces.find((p) => p.page === number && p.placedId === id)?.words ?? ''
  const asItIs = (id: string) => view.planned.pieces.some((p) => p.page === number && p.placedId === id && p.asItIs)
  const master = view.pictures[0]?.master
  return (
    <div ref={box} className="drawing strip">
      <div className="laid-strip" style={{ left: x0, top: y0, width: w, height: h }}>
        {src && <img ref={foreseen} className="foreseen" src={src} alt="The strip as it would come out" draggable={false} />}
        {!src &&
          master &&
          page.placed.map((p) => (
            <PlacedPicture
              key={p.id}
              placed={p}
              master={master}
              src={masterUrl(master.hash, BOOTH, treated(treatmentOf(view, p.renditionId)))}
              scale={scale}
            />
          ))}
        {page.placed.map((p) => (
          <button
            type="button"
            key={p.id}
            className={asItIs(p.id) ? 'piece as-it-is' : 'piece'}
            aria-pressed={chosen.includes(p.id)}
            aria-label={words(p.id)}
            title={words(p.id)}
            style={{ left: p.atMm.x * scale, top: p.atMm.y * scale, width: p.atMm.width * scale, height: p.atMm.height * scale }}
            onPointerEnter={() => point(p)}
            onPointerLeave={() => point(undefined)}
            onFocus={() => point(p)}
            onBlur={() => point(undefined)}
            onClick={(e) => onChoose(pressed(chosen, p.id, e.shiftKey))}
          >
            {scans && <img src={scanUrl(scans, number, p.id, SCANNED)} alt="" draggable={false} />}
          </button>
        ))}
      </div>
      {near && src && (
        <Enlarged
          placed={near}
          page={page}
          sheet={foreseen}
          scan={scans && scanUrl(scans, number, near.id, SCANNED)}
          right={x0 + (near.atMm.x + near.atMm.width / 2) * scale < room.w / 2}
          words={words(near.id)}
        />
      )}
    </div>
  )
}

type EnlargedProps = {
  placed: Placed
  page: StripDocket['layout']['pages'][number]
  /** All of the page as it would come out. */
  sheet: RefObject<HTMLImageElement | null>
  scan: string | undefined
  right: boolean
  words: string
}

/** One piece, large, on the other side of the booth. */
function Enlarged({ placed, page, sheet, scan, right, words }: EnlargedProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const at = placed.atMm
  const height = Math.round((ENLARGED * at.height) / at.width)
  useEffect(() => {
    const image = sheet.current
    const on = canvas.current?.getContext('2d')
    if (!image || !on) return
    const per = image.naturalWidth / page.widthMm
    on.drawImage(image, at.x * per, at.y * per, at.width * per, at.height * per, 0, 0, ENLARGED, height)
  }, [sheet, page, at, height])
  return (
    <div className={right ? 'enlarged at-right' : 'enlarged'} style={{ width: ENLARGED + 18 }} aria-hidden="true">
      {scan ? (
        <img src={scan} alt="" width={ENLARGED} height={height} />
      ) : (
        <canvas ref={canvas} width={ENLARGED} height={height} />
      )}
      {words}
    </div>
  )
}
