import { expect, test } from 'vitest'
import type { Attempt, AttemptPage, DocketView, Placed } from '../api/types'
import {
  AGAIN,
  anewWords,
  attemptWords,
  keptWords,
  looksDifferent,
  mayBeHeld,
  pageWords,
  placeWords,
  scanned,
  VERDICTS,
} from './words'

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

const reprinted = (over: object, ...pages: object[]) =>
  ({ reprint: 'KEPT', held: false, labFile: false, ...over, pages }) as unknown as Attempt

test('what was made anew is told by its furthest page, or that nothing is known', () => {
  expect(anewWords(reprinted({}, { anew: null }))).toBe('')
  const near = { anew: { mean: 0.04, most: 0.3, seen: false } }
  const far = { anew: { mean: 0.51, most: 2, seen: true } }
  expect(anewWords(reprinted({}, near, far))).toContain('mean ΔE 0.51, at most 2.00')
  expect(anewWords(reprinted({}, near, { anew: { mean: null, most: null, seen: true } }))).toContain('not known')
  expect(looksDifferent(reprinted({}, near))).toBe(false)
  expect(looksDifferent(reprinted({}, near, far))).toBe(true)
})

test('the button promises exactly what will be printed', () => {
  expect(AGAIN.KEPT.label).toBe('Exactly this again')
  expect(AGAIN.ANEW.label).not.toContain('xactly')
  const gone = { fileHash: 'h', fileKept: false, scanHash: null, scanKept: true }
  expect(keptWords(reprinted({ reprint: 'SAME' }, gone))).toContain('is made again when it is needed')
  expect(keptWords(reprinted({ reprint: 'ANEW' }, gone))).toContain('made anew by a newer version')
})

test('a print waits for a word as long as nothing of it is at the printer', () => {
  expect(mayBeHeld(reprinted({}, { jobId: null }))).toBe(true)
  expect(mayBeHeld(reprinted({}, { jobId: 4 }))).toBe(false)
  expect(mayBeHeld(reprinted({ held: true }, { jobId: 4 }, { jobId: null }))).toBe(true)
  expect(mayBeHeld(reprinted({ labFile: true }, { jobId: null }))).toBe(false)
})

test('a strip’s piece is called by what it varies, a sheet of a set by its number', () => {
  const view = {
    planned: { kind: 'stripped', largestMm: 50, pieces: [{ placedId: 'i1.2', page: 1, words: 'warmth +4', asItIs: false }] },
  } as unknown as DocketView
  const placed = { id: 'i1.2', tile: null } as unknown as Placed
  expect(placeWords(view, 1, placed, 1)).toBe('sheet 1, warmth +4')
  const set = { planned: { kind: 'parted' } } as unknown as DocketView
  expect(placeWords(set, 3, { ...placed, tile: {} } as unknown as Placed, 2)).toBe('sheet 3')
  expect(placeWords(set, 1, placed, 2)).toBe('sheet 1, print 3')
})
