import type { SideFill, Sides } from '../api/types'

export type Face = 'body' | 'sides' | 'crop' | 'detail'
export const FACES: { value: Face; label: string }[] = [
  { value: 'body', label: 'Body' },
  { value: 'sides', label: 'Sides' },
  { value: 'crop', label: 'Crop' },
  { value: 'detail', label: 'Detail' },
]

export type Look = 'both' | 'flat' | 'round' | 'all'
export const LOOKS: { value: Look; label: string }[] = [
  { value: 'both', label: 'flat and body' },
  { value: 'flat', label: 'flat' },
  { value: 'round', label: 'body' },
  { value: 'all', label: 'all sides' },
]

type Kind = SideFill['kind']
/** What sides may show, with what that costs. */
export const FILLS: { kind: Kind; sides: Sides; name: string; says: (lostMm: string) => string }[] = [
  { kind: 'itself', sides: 'ITSELF', name: 'the picture itself', says: (mm) => `the face loses ${mm} mm on every side` },
  { kind: 'mirrored', sides: 'MIRRORED', name: 'mirrored', says: () => 'nothing lost; lines break at the edge' },
  { kind: 'stretched', sides: 'STRETCHED', name: 'stretched', says: () => 'the last 5 mm, drawn out' },
  { kind: 'one-colour', sides: 'ONE_COLOUR', name: 'one colour', says: () => 'picked from the picture' },
  { kind: 'extended', sides: 'EXTENDED', name: 'grown outwards', says: () => 'new texture from the edge' },
]

/** Bars and boards as they are usually sold, mm deep. */
export const USUAL = { BARS: [18, 38, 45], BOARD: [3, 5, 10] } as const

export const VIEW_WORDS = {
  body: 'The body in three dimensions. Arrow keys turn it, plus and minus come nearer and go farther, F folds and unfolds it, Home goes back.',
  noGraphics: 'This browser draws nothing in three dimensions. The flat print and its lengths are all here.',
  unfold: 'unfold it',
  fold: 'fold it',
  back: 'as at first',
  still: 'save this view',
}
