import type { Placed, TiledDocket } from '../api/types'

/** All of the picture as it would lie in one piece; without a sheet that holds any, as large as it is wanted. */
export function wholeOf(view: TiledDocket): Placed {
  const first = view.layout.pages[0]?.placed[0]
  if (first?.tile) return { ...first, crop: first.tile.crop, atMm: first.tile.atMm }
  const item = view.spec.items.find((i) => i.id === view.spec.plan.itemId) ?? view.spec.items[0]
  const master = view.pictures.find((p) => p.renditionId === item?.renditionId)?.master
  return {
    id: item?.id ?? '',
    itemId: item?.id ?? '',
    renditionId: item?.renditionId ?? '',
    crop: { x: 0, y: 0, width: master?.width ?? 1, height: master?.height ?? 1 },
    straighten: 0,
    atMm: { x: 0, y: 0, width: item?.frame.widthMm ?? 1, height: item?.frame.heightMm ?? 1 },
    orientation: 'UPRIGHT',
  }
}

const ACROSS = ['left', 'middle', 'right']
const DOWN = ['top', 'middle', 'bottom']

/** Where a sheet lies among the others: "top left", or its row and column where there are many. */
export function placeOf(columns: number, rows: number, index: number): string {
  const column = index % columns
  const row = Math.floor(index / columns)
  if (columns > 3 || rows > 3) return `row ${row + 1}, column ${column + 1}`
  const across = columns === 1 ? '' : ACROSS[columns === 2 && column === 1 ? 2 : column]
  const down = rows === 1 ? '' : DOWN[rows === 2 && row === 1 ? 2 : row]
  return `${down ?? ''} ${across ?? ''}`.trim()
}
