import type { Intent } from '../api/types'

export const INTENTS: { value: Intent; label: string }[] = [
  { value: 'PERCEPTUAL', label: 'Perceptual' },
  { value: 'RELATIVE', label: 'Relative' },
  { value: 'SATURATION', label: 'Saturation' },
  { value: 'ABSOLUTE', label: 'Absolute' },
]

export const CAUSES = {
  INSIDE: '',
  TOO_DARK: ', too dark for this paper',
  TOO_LIGHT: ', too light for this paper',
  TOO_VIVID: ', too vivid for this paper',
}
