import { expect, test } from 'vitest'
import type { Move } from '../api/types'
import { movesOf, slidersOf } from './moves'

test('a compensation shown as sliders and taken back is the same', () => {
  const moves: Move[] = [
    {
      kind: 'lightness-curve',
      points: [
        { from: 0, to: 4 },
        { from: 40, to: 50 },
        { from: 100, to: 100 },
      ],
    },
    { kind: 'tone-moves', shadows: 12, midtones: 0, lights: -3, contrast: 5, brightness: 0, pivot: 37 },
    {
      kind: 'chroma-moves',
      chroma: 1.1,
      byHue: [25, 95, 145, 195, 260, 325].map((hue) => ({ hue, chroma: hue === 260 ? 0.8 : 1, shift: 0, lighter: 0 })),
    },
    { kind: 'warmth', warmth: -2, tint: 0.5 },
  ]
  const back = movesOf(slidersOf(moves, 50), moves)
  expect(back).toHaveLength(4)
  expect(back[1]).toEqual(moves[1])
  expect(slidersOf(back, 50)).toEqual(slidersOf(moves, 50))
})

test('sliders at rest are no moves', () => {
  expect(movesOf(slidersOf([], 50), [])).toEqual([])
})

test('turned hues that the card has no handle for are kept', () => {
  const turned: Move[] = [{ kind: 'chroma-moves', chroma: 1, byHue: [{ hue: 50, chroma: 1, shift: 9, lighter: 0 }] }]
  expect(movesOf({ ...slidersOf(turned, 50), warmth: 1 }, turned)[0]).toEqual(turned[0])
})
