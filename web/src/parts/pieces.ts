import type { DocketView, Item, Placed, Treatment } from '../api/types'
import { mm } from './numbers'

/** What a piece is called: its own title, or its picture's file. */
export const titleOf = (view: DocketView, item: Item) =>
  item.title || view.pictures.find((p) => p.renditionId === item.renditionId)?.master.fileName || 'picture'

/** The same with its size, which tells prints of one picture apart. */
export const pieceName = (view: DocketView, item: Item) =>
  `${titleOf(view, item)}, ${mm(item.frame.widthMm)} × ${mm(item.frame.heightMm)} mm`

export const treatmentOf = (view: DocketView, renditionId: string): Treatment =>
  view.spec.renditions.find((r) => r.id === renditionId)?.treatment ?? { kind: 'colour' }

/** What lies on all pages, in their order. */
export const placedOn = ({ layout }: Pick<DocketView, 'layout'>) => layout.pages.flatMap((p) => p.placed)

export const isTurned = (placed: Placed) => placed.orientation === 'QUARTER_RIGHT'

/** Its size on paper as the picture stands upright. */
export const uprightSize = (placed: Placed) => {
  const { width, height } = placed.atMm
  return isTurned(placed) ? { width: height, height: width } : { width, height }
}
