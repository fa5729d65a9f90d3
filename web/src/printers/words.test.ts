import { expect, test } from 'vitest'
import { loadedWords } from './words'

const row = (lengthMm: { from: number; to: number }) => ({
  type: 'photographic-satin',
  feed: 'main-roll',
  widthMm: { from: 431.8, to: 431.8 },
  lengthMm,
  margins: { top: 3, right: 3, bottom: 3, left: 3 },
})

test('a sheet is told by its sides, a roll by its width and the longest piece', () => {
  expect(loadedWords(row({ from: 297, to: 297 }))).toBe('main roll: 431.8 × 297 mm photographic satin')
  expect(loadedWords(row({ from: 100, to: 5000 }))).toBe('main roll: 431.8 mm wide, 5 m at most in one piece, photographic satin')
})
