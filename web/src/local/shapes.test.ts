import { expect, test } from 'vitest'
import type { LocalMove, PrintFrame } from '../api/types'
import { drawn, EDGES, handlesOf, NOTHING, wordsOf } from './shapes'

const WHOLE: PrintFrame = { x: 0, y: 0, width: 1, height: 1, degrees: 0 }

const place: LocalMove = {
  kind: 'place',
  x: 0.5,
  y: 0.5,
  across: 0.2,
  down: 0.1,
  degrees: 90,
  soft: 0.7,
  change: NOTHING,
  on: true,
}

test('a drag draws a circle about where it began', () => {
  expect(drawn('place', { x: 0.4, y: 0.5 }, { x: 0.4, y: 0.7 }, 1.5)).toMatchObject({ x: 0.4, y: 0.5, down: 0.2, across: 0.133 })
})

test('a press without a drag puts one of the usual size there', () => {
  expect(drawn('place', { x: 0.4, y: 0.5 }, { x: 0.4, y: 0.5 }, 1)).toMatchObject({ down: 0.18, across: 0.18 })
  expect(drawn('slope', { x: 0.4, y: 0.2 }, { x: 0.4, y: 0.2 }, 1)).toMatchObject({ fromY: 0.2, toY: 0.5 })
})

test('a handle that is moved to where it lies leaves its move as it is', () => {
  for (const handle of handlesOf(place, 1.5, WHOLE)) {
    const same = handle.moved(handle.at) as typeof place
    expect(same).toMatchObject({ x: 0.5, y: 0.5, degrees: 90 })
    expect(same.kind === 'place' && same.across).toBeCloseTo(0.2, 2)
    expect(same.kind === 'place' && same.down).toBeCloseTo(0.1, 2)
  }
})

test('the rim handle of a turned place lies below its middle', () => {
  const rim = handlesOf(place, 1.5, WHOLE)[1]
  expect(rim?.at.x).toBeCloseTo(0.5, 5)
  expect(rim?.at.y).toBeCloseTo(0.8, 5)
})

test('edges are taken hold of within what is printed', () => {
  const framed = { x: 0.5, y: 0, width: 0.5, height: 1, degrees: 0 }
  const handle = handlesOf(EDGES, 1.5, framed)[0]
  expect(handle?.at.x).toBeCloseTo(0.875, 5)
  expect(handle?.moved({ x: 1, y: 0.5 })).toMatchObject({ reach: 0.02 })
})

test('a slope never becomes a point', () => {
  const slope = drawn('slope', { x: 0.2, y: 0.2 }, { x: 0.2, y: 0.6 }, 1)
  const end = handlesOf(slope, 1, WHOLE)[1]
  expect(end?.moved({ x: 0.2, y: 0.2 })).toEqual(slope)
})

test('a move says what it does', () => {
  expect(wordsOf({ ...EDGES, change: { ...NOTHING, lightness: -12, warmth: 2 } })).toBe('lightness −12, warmth +2')
})
