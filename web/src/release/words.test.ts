import { expect, test } from 'vitest'
import type { Attempt } from '../api/types'
import { attemptWords, VERDICTS } from './words'

const attempt = (state: string, more: Partial<Attempt> = {}) =>
  ({ state, message: '', percent: 40, verdict: '', ...more }) as Attempt

test('a printer that waits says what for, instead of a percentage', () => {
  expect(attemptWords(attempt('printing'))).toBe('printing, 40 %')
  expect(attemptWords(attempt('printing', { message: 'the printer waits for paper' }))).toBe('the printer waits for paper')
})
test('a judged print carries its verdict', () =>
  expect(attemptWords(attempt('done', { verdict: 'too dark' }))).toBe('printed, too dark'))
test('a failure says why', () => expect(attemptWords(attempt('failed', { message: 'no ink' }))).toBe('failed: no ink'))
test('a cancelled one says whether a sheet was spoilt', () =>
  expect(attemptWords(attempt('cancelled', { message: 'Cancelled before anything was printed.' }))).toContain('before anything'))
test('not judging is the first choice', () => expect(VERDICTS[0]?.value).toBe(''))
