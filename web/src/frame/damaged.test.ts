import { expect, test } from 'vitest'
import { damagedWords } from './words'

const records = (n: number) => Array.from({ length: n }, (_, i) => ({ name: `wedge ${i + 1}`, why: '' }))

test('damaged records are named, many of them by the first', () => {
  expect(damagedWords(records(1))).toBe(
    'Can’t be read: wedge 1. What is stored of it is damaged and kept as it is; everything else is here.',
  )
  expect(damagedWords(records(5))).toContain('wedge 1; wedge 2; wedge 3; and 2 more')
})
