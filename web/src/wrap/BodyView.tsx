import { useEffect, useMemo, useRef, useState } from 'react'
import { follow } from '../parts/handles'
import { BodyStage, type Panels, START } from './BodyStage'
import type { Shown } from './body'
import { VIEW_WORDS } from './words'

type Props = {
  body: Shown
  /** Addresses of the pieces' pictures, row by row. */
  pictures: string[]
  panels: Panels
  /** Colour of the bare print, CSS. */
  paper: string
  /** From how far it is looked at, mm; 0 when that wasn't said. */
  viewingMm: number
  fold: number
  onFold: (fold: number) => void
  title: string
}

const MOST_TURN = Math.PI
const MOST_TILT = 1.3
const STEP = 0.1

const limit = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))

/** The finished body in three dimensions, in its own size seen from where a person stands: turned by dragging or with the arrow keys. */
export function BodyView(props: Props) {
  const host = useRef<HTMLDivElement>(null)
  const stage = useRef<BodyStage | undefined>(undefined)
  const [way, setWay] = useState(START)
  const [lost, setLost] = useState(false)
  const { body, pictures, panels, paper, viewingMm, fold, onFold, title } = props
  const key = useMemo(() => JSON.stringify({ body, panels, paper, viewingMm }), [body, panels, paper, viewingMm])

  useEffect(() => {
    const element = host.current
    if (!element) return
    try {
      stage.current = new BodyStage(element)
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
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for all that the body is made of
  useEffect(() => stage.current?.build(body, panels, paper, viewingMm, fold), [key, fold])
  const addresses = pictures.join(' ')
  useEffect(() => stage.current?.show(addresses.split(' ')), [addresses])
  useEffect(() => stage.current?.look(way), [way])

  const drag = (e: React.PointerEvent<HTMLElement>) => {
    const from = way
    follow(e, {
      moved: (dx, dy) =>
        setWay((now) => ({
          ...now,
          turn: limit(from.turn + dx / 180, -MOST_TURN, MOST_TURN),
          tilt: limit(from.tilt + dy / 180, -MOST_TILT, MOST_TILT),
        })),
      done: () => {},
      left: () => {},
    })
  }
  const press = (e: React.KeyboardEvent) => {
    const step = e.shiftKey ? 5 * STEP : STEP
    const keys: Record<string, () => void> = {
      ArrowLeft: () => setWay((w) => ({ ...w, turn: limit(w.turn - step, -MOST_TURN, MOST_TURN) })),
      ArrowRight: () => setWay((w) => ({ ...w, turn: limit(w.turn + step, -MOST_TURN, MOST_TURN) })),
      ArrowUp: () => setWay((w) => ({ ...w, tilt: limit(w.tilt - step, -MOST_TILT, MOST_TILT) })),
      ArrowDown: () => setWay((w) => ({ ...w, tilt: limit(w.tilt + step, -MOST_TILT, MOST_TILT) })),
      '+': () => setWay((w) => ({ ...w, near: limit(w.near * 1.15, 0.5, 6) })),
      '-': () => setWay((w) => ({ ...w, near: limit(w.near / 1.15, 0.5, 6) })),
      Home: () => setWay(START),
      f: () => onFold(fold > 0.5 ? 0 : 1),
    }
    const found = keys[e.key]
    if (!found) return
    e.preventDefault()
    found()
  }
  const save = () => {
    const url = stage.current?.still()
    if (!url) return
    const link = document.createElement('a')
    link.href = url
    link.download = `${title}, as a body.png`
    link.click()
  }
  if (lost) return <p className="soft no-body">{VIEW_WORDS.noGraphics}</p>
  return (
    <div className="body-view">
      <div
        ref={host}
        className="body-stage"
        role="application"
        aria-label={VIEW_WORDS.body}
        tabIndex={0}
        onPointerDown={drag}
        onDoubleClick={() => onFold(fold > 0.5 ? 0 : 1)}
        onWheel={(e) => setWay((w) => ({ ...w, near: limit(w.near * (e.deltaY < 0 ? 1.08 : 1 / 1.08), 0.5, 6) }))}
        onKeyDown={press}
      />
      <div className="body-tools">
        <button type="button" className="textual" onClick={() => onFold(fold > 0.5 ? 0 : 1)}>
          {fold > 0.5 ? VIEW_WORDS.unfold : VIEW_WORDS.fold}
        </button>
        <button type="button" className="textual" onClick={() => setWay(START)}>
          {VIEW_WORDS.back}
        </button>
        <button type="button" className="textual" onClick={save}>
          {VIEW_WORDS.still}
        </button>
      </div>
    </div>
  )
}
