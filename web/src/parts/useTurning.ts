import { useState } from 'react'
import { follow } from './handles'

/** How something in three dimensions is looked at: radians about the upright and the level axis, and how near. */
export type Way = { turn: number; tilt: number; near: number }

type Bounds = { turn: number; tilt: number; near: [number, number]; pixelsPerRadian: number }

const STEP = 0.1

const limit = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))

/** Turned by dragging, the wheel and keys: arrows, plus and minus, Home. */
export function useTurning(start: Way, bounds: Bounds) {
  const [way, setWay] = useState(start)
  const within = (w: Way): Way => ({
    turn: limit(w.turn, -bounds.turn, bounds.turn),
    tilt: limit(w.tilt, -bounds.tilt, bounds.tilt),
    near: limit(w.near, ...bounds.near),
  })
  const change = (by: (w: Way) => Partial<Way>) => setWay((w) => within({ ...w, ...by(w) }))
  const back = () => setWay(start)
  const drag = (e: React.PointerEvent<HTMLElement>) => {
    const from = way
    follow(e, {
      moved: (dx, dy) =>
        change(() => ({ turn: from.turn + dx / bounds.pixelsPerRadian, tilt: from.tilt + dy / bounds.pixelsPerRadian })),
      done: () => {},
      left: () => {},
    })
  }
  const wheel = (e: React.WheelEvent) => change((w) => ({ near: w.near * (e.deltaY < 0 ? 1.08 : 1 / 1.08) }))
  /** @param more keys of the thing's own */
  const press = (e: React.KeyboardEvent, more: Record<string, () => void> = {}) => {
    const step = e.shiftKey ? 5 * STEP : STEP
    const keys: Record<string, () => void> = {
      ArrowLeft: () => change((w) => ({ turn: w.turn - step })),
      ArrowRight: () => change((w) => ({ turn: w.turn + step })),
      ArrowUp: () => change((w) => ({ tilt: w.tilt - step })),
      ArrowDown: () => change((w) => ({ tilt: w.tilt + step })),
      '+': () => change((w) => ({ near: w.near * 1.15 })),
      '-': () => change((w) => ({ near: w.near / 1.15 })),
      Home: back,
      ...more,
    }
    const found = keys[e.key]
    if (!found) return
    e.preventDefault()
    found()
  }
  return { way, back, drag, wheel, press }
}
