import type { Page, StripAsked, StripDocket, StripPiece } from '../api/types'

type Axis = StripDocket['spec']['plan']['columns']

/** What an axis varies now, as it would be asked for. */
export function askedOf(axis: Axis): StripAsked['across'] {
  const steps = axis.steps
  const what = steps[0]?.what ?? 'LIGHTNESS'
  const by = steps.flatMap((s) => (s.kind === 'shift' ? [s.by] : []))
  return by.length > 1
    ? { what, steps: by.length, step: Math.round(((by[1] ?? 0) - (by[0] ?? 0)) * 100) / 100, values: [] }
    : { what, values: steps.flatMap((s) => (s.kind === 'instead' && s.value ? [s.value] : [])) }
}

/** All of it as it stands, to change one thing of. */
export function stripOf({ spec: { plan } }: StripDocket): StripAsked {
  return {
    across: askedOf(plan.columns),
    ...(plan.down ? { down: askedOf(plan.down) } : {}),
    ...(plan.pages ? { pages: { setting: plan.pages.setting, values: plan.pages.values.map((v) => v.value) } } : {}),
  }
}

/** What was chosen, in words: one piece, or two neighbours and the middle between them. */
export function chosenWords(pieces: StripPiece[]): string {
  const [one, two] = pieces
  if (!one) return 'Press the piece that looks right, or two neighbours with Shift: the middle between them is meant.'
  return two ? `between “${one.words}” and “${two.words}”` : one.words
}

/** After a piece was pressed: it alone, or with Shift beside the one that was chosen before. */
export function pressed(chosen: string[], id: string, beside: boolean): string[] {
  if (chosen.length === 1 && chosen[0] === id) return []
  const first = chosen[0]
  return beside && first && first !== id ? [first, id] : [id]
}

export const BY = [
  { by: 'DARKEST', label: 'most of the darkest third' },
  { by: 'COLOUR', label: 'strongest colour' },
  { by: 'BOTH', label: 'both' },
] as const

/** What pieces pages hold, to tell one layout from another. */
export const piecesOf = (pages: Page[]) =>
  JSON.stringify(pages.map((p) => [p.settings, p.placed.map((x) => [x.crop, x.variation])]))
