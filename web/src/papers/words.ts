import type { Pairing } from '../api/types'

export const CURLS = [
  { value: 'FLAT', label: 'lie flat' },
  { value: 'SLIGHT', label: 'lift a little' },
  { value: 'STRONG', label: 'lift' },
]

export const PROFILE = {
  bring: 'Bring a paper’s profile',
  head: 'A paper’s profile',
  several: 'Which of them',
  sweep: 'Grays and hues as this paper gives them',
  fine: 'Nothing in it needs a second look.',
  pair: 'What it belongs to',
  pairHelp:
    'Proposed from what the profile says of itself. The media type is part of it: set another one on the printer, and the profile is void.',
  name: 'Give the paper a name.',
  surface: 'Say how it looks: gloss, lustre, matte …',
  done: 'Pair them',
  change: 'The next version of it',
  changeHelp: 'Dockets follow it from now on. What was printed keeps the version it was printed with.',
  keep: 'Keep this version',
}

/** "0.52 mm, 300 g/m², version 2": what is known of it. */
export function bodyWords(p: Pairing): string {
  const { thicknessMm, grammage, curl } = p.body
  return [
    thicknessMm > 0 ? `${thicknessMm.toFixed(2)} mm` : '',
    grammage > 0 ? `${grammage} g/m²` : '',
    curl === 'STRONG' ? 'lifts' : '',
    p.number > 1 ? `version ${p.number}` : '',
  ]
    .filter(Boolean)
    .join(', ')
}
