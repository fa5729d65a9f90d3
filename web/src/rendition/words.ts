import type { Goal, Suggested } from '../api/types'
import { fixed, percent } from '../parts/numbers'

/** Texts of treatments and compensations. */
export const WORDS = {
  suggest: 'Suggest for this paper',
  suggestHelp:
    'Finds the moves that bring this print closest to its master, fitted to what this paper holds. No shadow that stays apart is lost.',
  goal: 'What is suggested for',
  nothingBetter: 'Nothing brings this print closer: what differs, this paper can’t hold.',
  keep: 'Keep it under a name',
  mono: 'How light each colour becomes as gray: press on it in the picture and drag up or down, or move the points.',
  noHues: 'This picture came in gray: there are no hues to tell apart.',
  toned:
    'Drag a dot away from the middle to tint: the filled one the shadows, the open one the lights. In the middle is gray; the cross is the paper’s own tint.',
}

export const GOALS: { value: Goal; name: string; help: string }[] = [
  { value: 'CLOSEST', name: 'closest', help: 'The smallest difference to the master, over all of the picture.' },
  { value: 'SHADOWS_OPEN', name: 'shadows open', help: 'Contrast of the darkest third counts most.' },
]

/** What was found, and what it does in figures. */
export function suggestedWords({ words, before, after }: Suggested): string {
  const blocked = before.blocked >= 0.001 ? ` Blocked: ${percent(before.blocked)} before, ${percent(after.blocked)} after.` : ''
  return (
    `Suggested: ${words}. Against the master fitted to this paper: mean ΔE ${fixed(before.mean, 2)} before, ${fixed(after.mean, 2)} after.` +
    ` Tones of the darkest third that stay apart: ${before.darkApart} before, ${after.darkApart} after.${blocked}`
  )
}

export const SLIDERS = [
  { key: 'shadows', name: 'shadows', most: 50, step: 1 },
  { key: 'midtones', name: 'midtones', most: 50, step: 1 },
  { key: 'lights', name: 'lights', most: 50, step: 1 },
  { key: 'contrast', name: 'contrast', most: 50, step: 1 },
  { key: 'brightness', name: 'brightness', most: 50, step: 1 },
  { key: 'chroma', name: 'all colour', most: 100, step: 1 },
  { key: 'warmth', name: 'warmth', most: 10, step: 0.1 },
  { key: 'tint', name: 'red to green', most: 10, step: 0.1 },
] as const
