import { useEffect, useMemo } from 'react'
import { useStage } from '../parts/useStage'
import { useTurning } from '../parts/useTurning'
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

const BOUNDS = { turn: Math.PI, tilt: 1.3, near: [0.5, 6] as [number, number], pixelsPerRadian: 180 }

/** The finished body in three dimensions, in its own size seen from where a person stands: turned by dragging or with the arrow keys. */
export function BodyView(props: Props) {
  const { host, on, lost } = useStage(BodyStage)
  const { way, back, drag, wheel, press } = useTurning(START, BOUNDS)
  const { body, pictures, panels, paper, viewingMm, fold, onFold, title } = props
  const key = useMemo(() => JSON.stringify({ body, panels, paper, viewingMm }), [body, panels, paper, viewingMm])

  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for all that the body is made of
  useEffect(() => on((s) => s.build(body, panels, paper, viewingMm, fold)), [key, fold])
  const addresses = pictures.join(' ')
  useEffect(() => on((s) => s.show(addresses.split(' '))), [on, addresses])
  useEffect(() => on((s) => s.look(way)), [on, way])

  const turnOver = () => onFold(fold > 0.5 ? 0 : 1)
  const save = () =>
    on((s) => {
      const link = document.createElement('a')
      link.href = s.still()
      link.download = `${title}, as a body.png`
      link.click()
    })
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
        onDoubleClick={turnOver}
        onWheel={wheel}
        onKeyDown={(e) => press(e, { f: turnOver })}
      />
      <div className="body-tools">
        <button type="button" className="textual" onClick={turnOver}>
          {fold > 0.5 ? VIEW_WORDS.unfold : VIEW_WORDS.fold}
        </button>
        <button type="button" className="textual" onClick={back}>
          {VIEW_WORDS.back}
        </button>
        <button type="button" className="textual" onClick={save}>
          {VIEW_WORDS.still}
        </button>
      </div>
    </div>
  )
}
