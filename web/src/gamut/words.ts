import type { Boundary } from '../api/types'
import { fixed } from '../parts/numbers'

export const GAMUT = {
  label:
    'What this paper holds, as a solid in L*a*b*. Arrow keys turn it, plus and minus bring it nearer, Home puts it back. A table below says the same.',
  noGraphics: 'This browser draws nothing in three dimensions. The table below says what the solid would show.',
  colours: 'colours of',
  noColours: 'no picture',
  wire: 'wire',
  noWire: 'none',
  cut: 'cut at L*',
  noCut: 'none',
  back: 'as it stood',
  table: 'In figures: the most vivid colour of each hue',
  slice: (l: number) => `What lies at L* ${l}`,
  spaces: [
    { value: 'SRGB', label: 'sRGB' },
    { value: 'P3', label: 'P3' },
    { value: 'OPRGB', label: 'opRGB' },
    { value: 'WIDE', label: 'BT.2020' },
  ] as const,
}

export const thousands = (volume: number) => `${Math.round(volume / 1000)} thousand`

/** "vivid to C* 62 at L* 51". */
export const reachWords = (r: Boundary['vivid'][number] | undefined) =>
  r ? `C* ${fixed(Math.hypot(r.at.a, r.at.b), 0)} at L* ${fixed(r.at.l, 0)}` : ''
