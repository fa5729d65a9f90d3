import { Button, Segmented, Select } from 'antd'
import { lazy, Suspense, useState } from 'react'
import { address } from '../api/client'
import { itemOf, wrapUrl } from '../api/pictures'
import type { Placed, WrapDocket } from '../api/types'
import type { StationProps } from '../docket/useDocket'
import { StationFindings } from '../parts/Findings'
import { labCss } from '../parts/numbers'
import { placedOn } from '../parts/pieces'
import { OwnMarkOf } from '../size/AroundCard'
import { CropCard } from '../size/CropCard'
import { CropView } from '../size/CropView'
import { DetailCard } from '../size/DetailCard'
import { PlanChoice } from '../size/PlanChoice'
import { BodyCard } from './BodyCard'
import { FlatDrawing } from './FlatDrawing'
import { fillSides } from './fills'
import { SidesCard } from './SidesCard'
import { FACES, type Face, FILLS, LOOKS, type Look } from './words'
import './wrap.css'

/** Three dimensions are half of all that a browser would have to fetch: only who wraps something fetches them. */
const BodyView = lazy(() => import('./BodyView').then((m) => ({ default: m.BodyView })))

const FLAT = 1100
const ROUND = 1400
const SMALL = 480

type Props = StationProps & { view: WrapDocket }

/** A picture round a body: the flat print with its folds, the body, and what decides them. */
export function WrapStation(props: Props) {
  const { view, picture, tools, go } = props
  const plan = view.spec.plan
  const item = itemOf(view)
  const [face, setFace] = useState<Face>('body')
  const [look, setLook] = useState<Look>('both')
  const [piece, setPiece] = useState(0)
  const [fold, setFold] = useState(1)
  const [picking, setPicking] = useState(false)
  const [shape, setShape] = useState<number>()
  const [level, setLevel] = useState(false)
  const [degrees, setDegrees] = useState<number>()
  const prints = placedOn(view)
  const pieces = prints.length
  const one = Math.min(piece, pieces - 1)
  const printed = prints[0]?.sides?.grownMm
  const lines = view.planned.lines[0]
  /** Of the face to the whole picture, in shares. */
  const patch = (p: { x: number; y: number; width: number; height: number }) => {
    const placed = prints[one]
    if (!placed) return
    const m = picture.master
    const f = faceOf(placed)
    tools.change({
      kind: 'side-colour',
      patch: {
        x: Math.max(0, (f.x + p.x * f.width) / m.width),
        y: Math.max(0, (f.y + p.y * f.height) / m.height),
        width: (p.width * f.width) / m.width,
        height: (p.height * f.height) / m.height,
      },
    })
  }
  const crop = face === 'crop'
  const shownLook = picking ? 'flat' : look
  return (
    <div className="station">
      <div className="booth table">
        <div className={`stage wrapping ${crop ? '' : shownLook}`}>
          {crop ? (
            <CropView
              view={view}
              item={item}
              fills
              picture={picture}
              shape={shape}
              level={level}
              degrees={degrees ?? item.cut.degrees}
              faces={prints.map(faceOf)}
              onCut={(cut) => tools.decide({ kind: 'trimmed', itemId: item.id, cut })}
              onPan={(cropX, cropY) => tools.decide({ kind: 'cropped', itemId: item.id, cropX, cropY })}
              onLevel={(next) => {
                setLevel(false)
                tools.decide({ kind: 'trimmed', itemId: item.id, cut: { ...item.cut, degrees: next } })
              }}
            />
          ) : (
            <>
              {(shownLook === 'both' || shownLook === 'flat') && (
                <div className="part">
                  <FlatDrawing
                    view={view}
                    piece={one}
                    longest={FLAT}
                    onLength={(side, text) =>
                      tools.change({ kind: 'body', asked: { [side]: text, free: !view.planned.pictureShaped } })
                    }
                    {...(picking ? { onPatch: patch } : {})}
                  />
                </div>
              )}
              {(shownLook === 'both' || shownLook === 'round') && printed && lines && (
                <div className="part">
                  <Suspense fallback={null}>
                    <BodyView
                      body={{ body: plan.body, lines, printed, corners: plan.corners }}
                      pictures={prints.map((_, i) => wrapUrl(view, i + 1, pieces > 1 ? FLAT : ROUND))}
                      panels={plan.panels}
                      paper={view.pairing ? labCss(view.pairing.whiteLab) : '#f7f6f2'}
                      viewingMm={view.spec.output.resolution.viewingMm}
                      fold={fold}
                      onFold={setFold}
                      title={view.spec.heading.title}
                    />
                  </Suspense>
                </div>
              )}
              {shownLook === 'all' && <AllSides view={view} piece={one} tools={tools} />}
            </>
          )}
        </div>
        <div className="foot">
          <span>
            {crop
              ? 'Drag the picture behind the frame. Dashed: what the faces show. What is pale is not printed.'
              : shownLook === 'round'
                ? 'Drag it to turn it, double-click to unfold it. Arrow keys, + and −, F.'
                : shownLook === 'all'
                  ? 'Dashed: where it folds. Take one by pressing it.'
                  : 'Dashed: front edges; dots: back edges; fine line: 10 mm from the fold.'}
          </span>
          {!crop && pieces > 1 && (
            <Select
              size="small"
              aria-label="Piece shown"
              value={one}
              onChange={setPiece}
              options={prints.map((_, i) => ({ value: i, label: `piece ${i + 1} of ${pieces}` }))}
            />
          )}
          {!crop && (
            <Segmented
              size="small"
              className="looks"
              aria-label="What is shown"
              value={shownLook}
              options={LOOKS}
              onChange={(v) => {
                setPicking(false)
                setLook(v)
              }}
            />
          )}
        </div>
      </div>
      <aside className="card" aria-label="Size">
        <StationFindings view={view} tools={tools} stage="SIZE" />
        <PlanChoice {...props} />
        <Segmented
          block
          aria-label="What to decide"
          value={face}
          onChange={(next) => {
            setPicking(false)
            setFace(next)
          }}
          options={FACES}
        />
        {face === 'body' && <BodyCard {...props} />}
        {face === 'sides' && (
          <>
            <SidesCard {...props} picking={picking} onPicking={setPicking} />
            <OwnMarkOf item={itemOf(view)} tools={tools} />
          </>
        )}
        {crop && (
          <CropCard
            {...props}
            item={item}
            fills
            shape={shape}
            onShape={setShape}
            level={level}
            onLevel={setLevel}
            degrees={degrees}
            onDegrees={setDegrees}
          />
        )}
        {face === 'detail' && <DetailCard {...props} at={{ x: 0.5, y: 0.5 }} />}
        <div className="next">
          <Button href={address('/api/dockets/{id}/wrap/instructions', { path: { id: view.id } })} target="_blank">
            Workbench page
          </Button>
          <Button type="primary" onClick={() => go('proof')}>
            On to the proof
          </Button>
        </div>
      </aside>
    </div>
  )
}

/** What of the picture a face shows, in its pixels. */
function faceOf({ crop, atMm, sides }: Placed) {
  const face = sides?.faceMm ?? atMm
  const perX = crop.width / atMm.width
  const perY = crop.height / atMm.height
  return {
    x: crop.x + (face.x - atMm.x) * perX,
    y: crop.y + (face.y - atMm.y) * perY,
    width: face.width * perX,
    height: face.height * perY,
  }
}

/** Every way to fill the sides, beside one another. */
function AllSides({ view, piece, tools }: { view: WrapDocket; piece: number; tools: StationProps['tools'] }) {
  const { fill } = view.spec.plan
  const printed = placedOn(view)[piece]?.sides
  if (!printed) return null
  const { grownMm: g, faceMm: f } = printed
  const fold = {
    left: `${(100 * (f.x - g.x)) / g.width}%`,
    top: `${(100 * (f.y - g.y)) / g.height}%`,
    width: `${(100 * f.width) / g.width}%`,
    height: `${(100 * f.height) / g.height}%`,
  }
  return (
    <div className="all-sides">
      {FILLS.map((one) => (
        <button
          type="button"
          key={one.kind}
          aria-pressed={one.kind === fill.kind}
          onClick={() => one.kind !== fill.kind && fillSides(tools, one.kind)}
        >
          <span className="framed" style={{ aspectRatio: `${g.width} / ${g.height}` }}>
            <img
              src={wrapUrl(view, piece + 1, SMALL, one.kind === fill.kind ? 'CHOSEN' : one.sides)}
              alt={one.name}
              draggable={false}
            />
            <span className="fold-line" style={fold} />
          </span>
          <b>{one.name}</b>
        </button>
      ))}
    </div>
  )
}
