import { expect, test } from 'vitest'
import type { StripDocket, StripPiece } from '../api/types'
import { askedOf, chosenWords, pressed } from './words'

type Axis = StripDocket['spec']['plan']['columns']

const shifts = (...by: number[]): Axis => ({ steps: by.map((n) => ({ kind: 'shift', what: 'WARMTH', by: n })) })
const piece = (words: string): StripPiece => ({ placedId: words, page: 1, words, asItIs: false })

test('an axis that slides is asked for by how many steps it has and how far they are apart', () => {
  expect(askedOf(shifts(-4, 0, 4))).toEqual({ what: 'WARMTH', steps: 3, step: 4, values: [] })
})

test('an axis of several ways is asked for by those that are not there already', () => {
  const axis: Axis = {
    steps: [
      { kind: 'instead', what: 'INTENT', value: '', words: '' },
      { kind: 'instead', what: 'INTENT', value: 'PERCEPTUAL', words: 'perceptual' },
    ],
  }
  expect(askedOf(axis)).toEqual({ what: 'INTENT', values: ['PERCEPTUAL'] })
})

test('a piece is chosen by pressing it, its neighbour with Shift, and let go by pressing it again', () => {
  expect(pressed([], 'a', false)).toEqual(['a'])
  expect(pressed(['a'], 'b', true)).toEqual(['a', 'b'])
  expect(pressed(['a'], 'b', false)).toEqual(['b'])
  expect(pressed(['a'], 'a', true)).toEqual([])
})

test('two chosen pieces mean the middle between them', () => {
  expect(chosenWords([piece('lightness +10'), piece('as it is')])).toBe('between “lightness +10” and “as it is”')
})
