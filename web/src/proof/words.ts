import type { Cause, Figures, Intent } from '../api/types'
import { day, fixed, percent } from '../parts/numbers'

export const INTENTS: { value: Intent; label: string }[] = [
  { value: 'PERCEPTUAL', label: 'Perceptual' },
  { value: 'RELATIVE', label: 'Relative' },
  { value: 'SATURATION', label: 'Saturation' },
  { value: 'ABSOLUTE', label: 'Absolute' },
]

/** What the paper does to colours that it can't hold, most often the first. */
export const CAUSES: Record<Cause, { short: string; probe: string; drawn: string }> = {
  INSIDE: { short: '', probe: '', drawn: '' },
  TOO_DARK: { short: 'too dark', probe: ', too dark for this paper', drawn: 'falling strokes' },
  TOO_LIGHT: { short: 'too light', probe: ', too light for this paper', drawn: 'rising strokes' },
  TOO_VIVID: { short: 'too vivid', probe: ', too vivid for this paper', drawn: 'dots' },
  GAINS_CHROMA: { short: 'take on colour', probe: ', takes on colour on this paper', drawn: 'level strokes' },
  SHIFTS_HUE: { short: 'turn in hue', probe: ', turns in hue on this paper', drawn: 'upright strokes' },
}

/** The proof stands for Wistel's own conversion alone. */
export const NOT_THIS = {
  'by-driver':
    'The driver converts the colour: the print will differ from this proof. Choosing an intent here lets Wistel convert.',
  'driver-monochrome':
    "The driver's monochrome prints this, and nothing was measured of it: how light or dark it comes out is not known. Shown is what Wistel's own conversion would give; choosing an intent here takes it.",
}

/** What a wedge told of the docket's monochrome mode. */
export const TONES = {
  shown: (wedge: number, measured: string) => `Shown as wedge ${wedge} measured this mode on ${day(measured)}.`,
  look: 'See it',
  on: (move: number) => `print through its curve, which moves tones by up to ${percent(move)}`,
  straight: 'straight by itself: nothing to move',
}

const worth = (g: Figures['gamut']) => g.parts.filter((p) => p.share >= 0.005).sort((a, b) => b.share - a.share)

/** What of a picture a paper can't hold, the largest part first. */
export function heldWords(g: Figures['gamut'], drawn: boolean) {
  const parts = worth(g)
  if (parts.length === 0) return g.inside > 0.9995 ? 'It holds all of this picture.' : 'It holds all but a few spots.'
  const words = parts.map((p) => {
    const { short, drawn: how } = CAUSES[p.cause]
    return `${percent(p.share)} ${short} (${drawn ? `${how}, ` : ''}mean ΔE ${fixed(p.meanDifference, 1)})`
  })
  return `${words.join(', ')}.`
}

export function screenWords({ ofMaster, ofPrint }: Figures['screen']) {
  if (ofMaster < 0.0005 && ofPrint < 0.0005) return 'This screen shows both as they are.'
  const lost = [
    ofPrint >= 0.0005 && `${percent(ofPrint)} of the print`,
    ofMaster >= 0.0005 && `${percent(ofMaster)} of the master`,
  ]
  return `This screen can't show ${lost.filter(Boolean).join(' and ')}.`
}
