import { expect, test } from 'vitest'
import type { DocketView } from '../api/types'
import { type Choice, isStock } from './stock'

const on = (stock: object) => ({ spec: { paper: { stock } } }) as unknown as DocketView
const choice = (stock: object) => ({ stock }) as unknown as Choice

test('a roll is found by its width, whichever way inches were turned into millimetres', () => {
  const view = on({ kind: 'roll', widthMm: 24 * 25.4 })
  expect(isStock(view)(choice({ kind: 'roll', widthMm: 609.6 }))).toBe(true)
  expect(isStock(view)(choice({ kind: 'roll', widthMm: 610 }))).toBe(false)
  expect(isStock(view)(choice({ kind: 'sheet', widthMm: 609.6, name: '24 × 36 in' }))).toBe(false)
})

test('sheets of the same width are told apart by their names', () => {
  const view = on({ kind: 'sheet', widthMm: 329, name: 'A3+' })
  expect(isStock(view)(choice({ kind: 'sheet', widthMm: 329, name: 'A3+' }))).toBe(true)
  expect(isStock(view)(choice({ kind: 'sheet', widthMm: 329, name: 'Panorama 329 × 1200' }))).toBe(false)
})
