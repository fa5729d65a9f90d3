import { expect, test } from 'vitest'
import type { Wedge, WedgeTold } from '../api/types'
import { driedWords, moveWords, offWords, otherwise, pointsWords, standsWords } from './words'

const told = (more: Partial<WedgeTold> = {}) =>
  ({
    points: [
      { wanted: 0.3, sent: 0.27 },
      { wanted: 0.7, sent: 0.66 },
    ],
    byPoints: [2.9, 2.8, 0.4, 0.39, 0.39, 0.4, 0.4],
    largestMove: { wanted: 0.75, sent: -0.043 },
    before: 2.94,
    after: 0.31,
    drawn: false,
    ...more,
  }) as WedgeTold

const wedge = (more: Partial<Wedge> = {}) =>
  ({
    number: 12,
    paper: 'Some Cotton',
    printer: 'Desk',
    words: "driver's monochrome · cotton · fine quality · darkness 3",
    through: false,
    kept: false,
    printing: { over: true, done: true, words: 'printed' },
    reading: null,
    ...more,
  }) as Wedge

test('the number of points says why there are not more', () => {
  expect(pointsWords(told())).toBe('two points; one more would only follow noise')
  expect(pointsWords(told({ points: [] }))).toBe('no points: more would follow noise')
  expect(pointsWords(told({ points: Array(6).fill({ wanted: 0, sent: 0 }) }))).toBe('six points, the most there may be')
  expect(pointsWords(told({ points: [{ wanted: 0.5, sent: 0.46 }], drawn: true }))).toBe('one point, drawn by hand')
})

test('the move is told in shares of the scale, with where it is', () => {
  expect(moveWords(told())).toBe('largest move 4.3 % at 75 %')
  expect(moveWords(told({ points: [] }))).toBe('nothing is moved')
})

test('what is off is told before and after only where there is an after', () => {
  expect(offWords(told())).toBe('L* off by 2.9 before, 0.3 after (rms)')
  expect(offWords(told({ points: [] }))).toBe('L* off by 2.9 (rms)')
})

test('a wedge says how it stands from the queue to the curve in force', () => {
  expect(standsWords(wedge({ printing: { over: false, words: 'printing now, 40 %' } as Wedge['printing'] }))).toBe(
    'printing now, 40 %',
  )
  expect(standsWords(wedge())).toBe('printed, to be read')
  expect(standsWords(wedge({ printing: { over: true, done: false, words: 'failed' } as Wedge['printing'] }))).toBe('failed')
  expect(standsWords(wedge({ printing: null as unknown as Wedge['printing'] }))).toBe('waits for its reading')
  expect(standsWords(wedge({ reading: told() }))).toBe('read')
  expect(standsWords(wedge({ reading: told(), through: true, ofWedge: 3 }))).toBe('proof of wedge 3')
  expect(standsWords(wedge({ reading: told(), kept: true }))).toBe('curve in force')
  expect(standsWords(wedge({ reading: told({ points: [] }), kept: true }))).toBe('straight, kept')
})

test('drying is told in what a person would say', () => {
  expect(driedWords(0.4)).toBe('dried 24 min')
  expect(driedWords(18.2)).toBe('dried 18 h')
  expect(driedWords(72)).toBe('dried 3 days')
  expect(driedWords(null)).toBe('')
})

test('of another wedge only what differs is named', () => {
  const other = wedge({ number: 13, words: "driver's monochrome · cotton · standard quality · darkness 5" })
  expect(otherwise(other, wedge())).toBe('standard quality, darkness 5')
  expect(otherwise(wedge({ printer: 'Roll' }), wedge())).toBe('Roll')
  expect(otherwise(wedge({ number: 14 }), wedge())).toBe('the same mode')
})
