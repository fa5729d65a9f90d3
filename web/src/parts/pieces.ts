import type { DocketView, Item } from '../api/types'
import { mm } from './numbers'

/** What a piece is called: its own title, or its picture's file. */
export const titleOf = (view: DocketView, item: Item) =>
  item.title || view.pictures.find((p) => p.renditionId === item.renditionId)?.master.fileName || 'picture'

/** The same with its size, which tells prints of one picture apart. */
export const pieceName = (view: DocketView, item: Item) =>
  `${titleOf(view, item)}, ${mm(item.frame.widthMm)} × ${mm(item.frame.heightMm)} mm`
