import { masterUrl, treated } from '../api/pictures'
import type { DocketView, Placed } from '../api/types'
import { BOOTH } from '../parts/booth'
import { PlacedPicture } from '../parts/PlacedPicture'
import { treatmentOf } from '../parts/pieces'

/** Everything that lies on the page, each picture by its own master. */
export function Pieces({ pieces, view, scale }: { pieces: Placed[]; view: DocketView; scale: number }) {
  return pieces.map((piece, i) => {
    const master = view.pictures.find((p) => p.renditionId === piece.renditionId)?.master
    return (
      master && (
        <PlacedPicture
          // biome-ignore lint/suspicious/noArrayIndexKey: pieces have no other name than their place
          key={i}
          placed={piece}
          master={master}
          src={masterUrl(master.hash, BOOTH, treated(treatmentOf(view, piece.renditionId)))}
          scale={scale}
        />
      )
    )
  })
}
