import type { SheetDocket } from '../api/types'
import { mm } from '../parts/numbers'

export const FINENESS = {
  FINE: 'Fine, even close up.',
  GOOD: 'Good: no pixel shows at arm’s length.',
  FAIR: 'Just enough: fine detail looks a little soft close up.',
  POOR: 'Too few pixels for this distance: edges look soft or stepped.',
}

export type Face = 'lay' | 'crop' | 'around' | 'detail'
export const FACES: { value: Face; label: string }[] = [
  { value: 'lay', label: 'Sheet' },
  { value: 'crop', label: 'Crop' },
  { value: 'around', label: 'Round it' },
  { value: 'detail', label: 'Detail' },
]

/** Shapes that pictures are usually cut to, longer side first. */
export const SHAPES = [
  [3, 2],
  [4, 3],
  [5, 4],
  [1, 1],
  [2, 1],
  [3, 1],
] as const

/** What the drawing shows, and what can be done on it. */
export function footWords(face: Face, life: boolean, view: SheetDocket): string {
  if (face === 'crop') return 'Drag the corners, or the picture behind them. What is pale is not printed.'
  if (life) return 'Drag, scroll or use the arrow keys to look along it. What is in sight is sharp once it rests.'
  const m = view.layout.pages[0]?.unprintable
  if (m && m.top + m.bottom + m.left + m.right > 0)
    return `Hatched: this feed can't print there (left ${mm(m.left)}, right ${mm(m.right)}, above ${mm(m.top)}, below ${mm(m.bottom)} mm).`
  return view.spec.plan.edge.borderless
    ? 'Printed past the edge. The line is where the paper ends.'
    : 'Choose a paper to see where its feed cannot print.'
}
