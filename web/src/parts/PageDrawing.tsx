import { masterUrl } from '../api/pictures'
import type { OnBench, Page, Placed } from '../api/types'
import { labCss } from './numbers'

const THUMBNAIL = 520

type Props = {
  page: Page
  pictures: OnBench['pictures']
  paperLab: number[]
  /** Pixels of the screen for a millimetre. */
  scale: number
}

/** A page as it will be laid down: its paper, and every placed picture cut at its crop and at the paper's edge. */
export function PageDrawing({ page, pictures, paperLab, scale }: Props) {
  return (
    <div
      className="sheet"
      style={{ width: page.widthMm * scale, height: page.heightMm * scale, background: labCss(paperLab), overflow: 'hidden' }}
    >
      {page.placed.map((placed) => {
        const picture = pictures.find((p) => p.renditionId === placed.renditionId)
        return picture && <PlacedPicture key={JSON.stringify(placed.atMm)} placed={placed} picture={picture} scale={scale} />
      })}
    </div>
  )
}

function PlacedPicture({ placed, picture, scale }: { placed: Placed; picture: OnBench['pictures'][number]; scale: number }) {
  const at = placed.atMm
  const crop = placed.crop
  return (
    <div
      style={{
        position: 'absolute',
        left: at.x * scale,
        top: at.y * scale,
        width: at.width * scale,
        height: at.height * scale,
        overflow: 'hidden',
      }}
    >
      <img
        src={masterUrl(picture.masterHash, THUMBNAIL)}
        alt=""
        style={{
          position: 'absolute',
          maxWidth: 'none',
          maxHeight: 'none',
          left: `${(-100 * crop.x) / crop.width}%`,
          top: `${(-100 * crop.y) / crop.height}%`,
          width: `${(100 * picture.width) / crop.width}%`,
          height: `${(100 * picture.height) / crop.height}%`,
        }}
      />
    </div>
  )
}
