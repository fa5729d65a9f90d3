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
