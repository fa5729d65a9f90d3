import type { Placed } from '../api/types'
import { isTurned } from './pieces'
import './page-drawing.css'

type Props = {
  placed: Placed
  master: { width: number; height: number }
  /** Its picture, all of the master. */
  src: string
  /** Pixels of the screen for a millimetre. */
  scale: number
}

const MIRROR: Partial<Record<Placed['orientation'], string>> = {
  MIRRORED: 'scale(-1, 1)',
  FLIPPED: 'scale(1, -1)',
  HALF_TURN: 'scale(-1, -1)',
}

/** A picture where it lies on its page: cropped, straightened, mirrored, turned. */
export function PlacedPicture({ placed, master, src, scale }: Props) {
  const at = placed.atMm
  const crop = placed.crop
  const turned = isTurned(placed)
  const across = (100 * master.width) / crop.width
  const down = (100 * master.height) / crop.height
  return (
    <div
      className="placed"
      style={{
        left: (turned ? at.x + at.width : at.x) * scale,
        top: at.y * scale,
        width: (turned ? at.height : at.width) * scale,
        height: (turned ? at.width : at.height) * scale,
        transform: turned ? 'rotate(90deg)' : MIRROR[placed.orientation],
        transformOrigin: turned ? '0 0' : undefined,
      }}
    >
      <img
        className="picture"
        src={src}
        alt=""
        loading="lazy"
        draggable={false}
        style={{
          left: `${(-100 * crop.x) / crop.width}%`,
          top: `${(-100 * crop.y) / crop.height}%`,
          width: `${across}%`,
          height: `${down}%`,
          transform: placed.straighten ? `rotate(${placed.straighten}deg)` : undefined,
        }}
      />
    </div>
  )
}
