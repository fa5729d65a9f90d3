import { useEffect } from 'react'
import type { Boundary, PictureColours } from '../api/types'
import { useStage } from '../parts/useStage'
import { useTurning } from '../parts/useTurning'
import { GamutStage, START } from './GamutStage'
import { SlicePlot } from './SlicePlot'
import { GAMUT } from './words'
import './gamut.css'

type Props = {
  solid: Boundary
  wire?: Boundary | undefined
  colours?: PictureColours | undefined
  cut?: number | undefined
}

const BOUNDS = { turn: Number.POSITIVE_INFINITY, tilt: Math.PI / 2, near: [0.5, 5] as [number, number], pixelsPerRadian: 160 }

/** A gamut that is turned by dragging or with the arrow keys, with the slice beside it where it is cut. */
export function GamutView({ solid, wire, colours, cut }: Props) {
  const { host, on, lost } = useStage(GamutStage)
  const { way, back, drag, wheel, press } = useTurning(START, BOUNDS)
  useEffect(() => on((s) => s.show({ solid, wire, colours, cut })), [on, solid, wire, colours, cut])
  useEffect(() => on((s) => s.look(way)), [on, way])
  if (lost) return <p className="soft">{GAMUT.noGraphics}</p>
  return (
    <div className="gamut-view">
      <div
        ref={host}
        className="gamut-stage"
        role="application"
        aria-label={GAMUT.label}
        tabIndex={0}
        onPointerDown={drag}
        onWheel={wheel}
        onKeyDown={press}
      />
      <button type="button" className="textual gamut-back" onClick={back}>
        {GAMUT.back}
      </button>
      {cut !== undefined && <SlicePlot lightness={cut} solid={solid} wire={wire} colours={colours} />}
    </div>
  )
}
