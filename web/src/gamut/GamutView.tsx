import { useEffect, useRef, useState } from 'react'
import type { Boundary, PictureColours } from '../api/types'
import { follow } from '../parts/handles'
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

const STEP = 0.1
const MOST_TILT = Math.PI / 2

const limit = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))

/** A gamut that is turned by dragging or with the arrow keys, with the slice beside it where it is cut. */
export function GamutView({ solid, wire, colours, cut }: Props) {
  const host = useRef<HTMLDivElement>(null)
  const stage = useRef<GamutStage | undefined>(undefined)
  const [way, setWay] = useState(START)
  const [lost, setLost] = useState(false)
  useEffect(() => {
    const element = host.current
    if (!element) return
    try {
      stage.current = new GamutStage(element)
    } catch {
      setLost(true)
      return
    }
    const watch = new ResizeObserver(() => stage.current?.fit())
    watch.observe(element)
    return () => {
      watch.disconnect()
      stage.current?.dispose()
      stage.current = undefined
    }
  }, [])
  useEffect(() => stage.current?.show({ solid, wire, colours, cut }), [solid, wire, colours, cut])
  useEffect(() => stage.current?.look(way), [way])
  const drag = (e: React.PointerEvent<HTMLElement>) => {
    const from = way
    follow(e, {
      moved: (dx, dy) =>
        setWay((now) => ({ ...now, turn: from.turn + dx / 160, tilt: limit(from.tilt + dy / 160, -MOST_TILT, MOST_TILT) })),
      done: () => {},
      left: () => {},
    })
  }
  const press = (e: React.KeyboardEvent) => {
    const step = e.shiftKey ? 5 * STEP : STEP
    const keys: Record<string, () => void> = {
      ArrowLeft: () => setWay((w) => ({ ...w, turn: w.turn - step })),
      ArrowRight: () => setWay((w) => ({ ...w, turn: w.turn + step })),
      ArrowUp: () => setWay((w) => ({ ...w, tilt: limit(w.tilt - step, -MOST_TILT, MOST_TILT) })),
      ArrowDown: () => setWay((w) => ({ ...w, tilt: limit(w.tilt + step, -MOST_TILT, MOST_TILT) })),
      '+': () => setWay((w) => ({ ...w, near: limit(w.near * 1.15, 0.5, 5) })),
      '-': () => setWay((w) => ({ ...w, near: limit(w.near / 1.15, 0.5, 5) })),
      Home: () => setWay(START),
    }
    const found = keys[e.key]
    if (!found) return
    e.preventDefault()
    found()
  }
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
        onWheel={(e) => setWay((w) => ({ ...w, near: limit(w.near * (e.deltaY < 0 ? 1.08 : 1 / 1.08), 0.5, 5) }))}
        onKeyDown={press}
      />
      <button type="button" className="textual gamut-back" onClick={() => setWay(START)}>
        {GAMUT.back}
      </button>
      {cut !== undefined && <SlicePlot lightness={cut} solid={solid} wire={wire} colours={colours} />}
    </div>
  )
}
