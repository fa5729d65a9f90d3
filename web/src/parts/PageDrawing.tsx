import { forScreen } from '../api/screen'
import type { OnBench, Page } from '../api/types'
import { labCss } from './numbers'
import { PlacedPicture } from './PlacedPicture'
import './page-drawing.css'

const THUMBNAIL = 520

type Props = {
  page: Page
  /** Where this page's picture with what is made round it is to be had. */
  sided: string
  pictures: OnBench['pictures']
  paperLab: number[]
  /** Pixels of the screen for a millimetre. */
  scale: number
}

/** A page as it will be laid down: its paper, and every placed picture cut at its crop and at the paper's edge. */
export function PageDrawing({ page, sided, pictures, paperLab, scale }: Props) {
  const around = page.placed[0]?.sides?.grownMm
  return (
    <div className="sheet" style={{ width: page.widthMm * scale, height: page.heightMm * scale, background: labCss(paperLab) }}>
      {around && (
        <img
          className="sided"
          src={`${sided}?longest=${THUMBNAIL}${forScreen()}`}
          alt=""
          draggable={false}
          style={{ left: around.x * scale, top: around.y * scale, width: around.width * scale, height: around.height * scale }}
        />
      )}
      {(around ? [] : [...page.bleed, ...page.placed]).map((placed, i) => {
        const picture = pictures.find((p) => p.renditionId === placed.renditionId)
        return (
          picture && (
            <PlacedPicture
              // biome-ignore lint/suspicious/noArrayIndexKey: pieces have no other name than their place
              key={i}
              placed={placed}
              master={{ hash: picture.masterHash, width: picture.width, height: picture.height }}
              treatment={picture.treatment}
              scale={scale}
              longest={THUMBNAIL}
            />
          )
        )
      })}
    </div>
  )
}
