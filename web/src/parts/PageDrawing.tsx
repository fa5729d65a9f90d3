import type { OnBench, Page } from '../api/types'
import { labCss } from './numbers'
import { PlacedPicture } from './PlacedPicture'
import './page-drawing.css'

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
    <div className="sheet" style={{ width: page.widthMm * scale, height: page.heightMm * scale, background: labCss(paperLab) }}>
      {[...page.bleed, ...page.placed].map((placed, i) => {
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
