/** Texts of treatments and compensations. */
export const WORDS = {
  suggest: 'Suggest for this paper',
  suggestHelp: 'Finds the moves that bring this print closest to its master.',
  nothingBetter: 'Nothing brings this print closer: what differs, this paper can’t hold.',
  keep: 'Keep it under a name',
  mono: 'Press on the picture and drag up or down to make that colour lighter or darker, or move the points.',
  noHues: 'This picture came in gray: there are no hues to tell apart.',
  toned: 'Drag the dots: the filled one tones the shadows, the open one the lights. The cross is the paper’s own tint.',
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
