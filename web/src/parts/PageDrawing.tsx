import { bleedOf, masterThumbnail, treated, wrapThumbnail } from '../api/pictures'
import type { OnBench, Page } from '../api/types'
import { labCss } from './numbers'
import { PlacedPicture } from './PlacedPicture'
import './page-drawing.css'

/** Pixels across: a sheet of A2 on the table, and twice as many as one of A4 takes. */
const THUMBNAIL = 400

type Props = {
  page: Page
  /** Which docket, and which of its pages from 1: where a picture with what is made round it is to be had. */
  docket: string
  number: number
  pictures: OnBench['pictures']
  paperLab: number[]
  /** Pixels of the screen for a millimetre. */
  scale: number
}

/** A page as it will be laid down: its paper, and every placed picture cut at its crop and at the paper's edge. */
export function PageDrawing({ page, docket, number, pictures, paperLab, scale }: Props) {
  const around = page.placed[0]?.sides?.grownMm
  return (
    <div className="sheet" style={{ width: page.widthMm * scale, height: page.heightMm * scale, background: labCss(paperLab) }}>
      {around && (
        <img
          className="sided"
          src={wrapThumbnail(docket, number, THUMBNAIL)}
          loading="lazy"
          alt=""
          draggable={false}
          style={{ left: around.x * scale, top: around.y * scale, width: around.width * scale, height: around.height * scale }}
        />
      )}
      {(around ? [] : [...page.placed.flatMap(bleedOf), ...page.placed]).map((placed, i) => {
        const picture = pictures.find((p) => p.renditionId === placed.renditionId)
        return (
          picture && (
            <PlacedPicture
              // biome-ignore lint/suspicious/noArrayIndexKey: pieces have no other name than their place
              key={i}
              placed={placed}
              master={{ width: picture.width, height: picture.height }}
              src={masterThumbnail(picture.masterHash, THUMBNAIL, treated(picture.treatment))}
              scale={scale}
            />
          )
        )
      })}
    </div>
  )
}
