import { expect, test } from 'vitest'
import type { Attempt, AttemptPage } from '../api/types'
import { attemptWords, keptWords, pageWords, scanned, VERDICTS } from './words'

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

const page = (more: Partial<AttemptPage>) =>
  ({ page: 1, state: 'done', message: '', percent: 0, scanHash: null, scanKept: true, fileKept: true, ...more }) as AttemptPage

test('what the printer gave besides the sheet is told with a print', () =>
  expect(attemptWords(attempt('done', { message: 'Printed. Its scan could not be had.' }))).toContain('scan could not be had'))

test('each page says how far it is', () => {
  expect(pageWords(page({ state: 'rendering', percent: 12 }))).toBe('its file is made, 12 %')
  expect(pageWords(page({ state: 'failed', message: 'paper jam' }))).toBe('failed: paper jam')
  expect(pageWords(page({ state: 'cancelled' }))).toBe('not printed')
})

test('the first page whose scan is still there is shown', () => {
  const a = attempt('done', {
    pages: [page({}), page({ page: 2, scanHash: 'b', scanKept: false }), page({ page: 3, scanHash: 'c' })],
  })
  expect(scanned(a)?.page).toBe(3)
  expect(scanned(attempt('done', { pages: [page({})] }))).toBeUndefined()
})

test('what was let go is told, and whether it comes back', () => {
  expect(keptWords(attempt('done', { pages: [page({ fileHash: 'a' })] }))).toBe('')
  expect(keptWords(attempt('done', { pages: [page({ fileHash: 'a', fileKept: false })] }))).toContain('made again')
  expect(keptWords(attempt('done', { pages: [page({ scanHash: 'a', scanKept: false })] }))).toBe(' Its scan was let go.')
})
