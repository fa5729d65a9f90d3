import { expect, test } from 'vitest'
import type { ProfilingPage, ProfilingView } from '../api/types'
import { pageWords, steps } from './Making'

const page = (more: object) =>
  ({ page: 1, state: 'done', readings: 0, patches: [], words: [], ...more }) as unknown as ProfilingPage
const view = (more: object, ...pages: ProfilingPage[]) =>
  ({ patches: 300, dryingHours: 24, pages, made: null, making: null, kept: null, ...more }) as unknown as ProfilingView
const marks = (p: ProfilingView) => steps(p).map((s) => s.mark)
const past = '2020-01-01T00:00:00Z'
const later = '2999-01-01T00:00:00Z'

test('the step to look at is the first that isn’t over', () => {
  expect(marks(view({}, page({ state: 'printing', dryFrom: null })))).toEqual(['SETTLED', 'LOOK', 'OPEN', 'OPEN', 'OPEN', 'OPEN'])
  expect(marks(view({}, page({ dryFrom: later })))[2]).toBe('LOOK')
  expect(marks(view({}, page({ dryFrom: past, readings: 1 })))).toEqual([
    'SETTLED',
    'SETTLED',
    'SETTLED',
    'SETTLED',
    'LOOK',
    'OPEN',
  ])
})

test('a page that failed blocks the print', () => {
  const told = steps(view({}, page({ state: 'failed', dryFrom: null })))[1]
  expect(told?.mark).toBe('BLOCKED')
  expect(told?.words).toBe('page 1 failed')
})

test('a page says how often it was read and how far two readings lie apart', () => {
  const p = view({})
  expect(pageWords(page({ readings: 1, noise: null }), p)).toBe('read once')
  expect(pageWords(page({ readings: 2, noise: 0.094 }), p)).toBe('read 2 times, noise ΔE 0.09')
  expect(pageWords(page({ dryFrom: past }), p)).toBe('dry, not read yet')
  expect(pageWords(page({ dryFrom: later }), p)).toContain('dries 24 h')
})
