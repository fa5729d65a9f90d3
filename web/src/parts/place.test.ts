import { expect, test } from 'vitest'
import type { DocketView, OnDocket } from '../api/types'
import { inCrop, inPrint } from './place'

const crop = { x: 500, y: 300, width: 3000, height: 2000 }
const master = { width: 4000, height: 2600 }

test('the middle of the picture stays where it is however it is straightened', () => {
  for (const straighten of [-7, 0, 3.5]) {
    expect(inCrop({ crop, straighten }, master, { x: 0.5, y: 0.5 })).toEqual({ x: 0.5, y: 0.5 })
  }
})

test('a place is found again where the straightened picture is cropped', () => {
  // 1000 pixels to the right of the middle, turned clockwise by 5 degrees: 996.2 to the right, 87.2 down
  const at = inCrop({ crop, straighten: 5 }, master, { x: 0.75, y: 0.5 })
  expect(at.x).toBeCloseTo((2000 + 996.195 - 500) / 3000, 5)
  expect(at.y).toBeCloseTo((1300 + 87.156 - 300) / 2000, 5)
})

test('what is cropped away is taken to the edge of the print', () => {
  expect(inCrop({ crop, straighten: 0 }, master, { x: 0, y: 1 })).toEqual({ x: 0, y: 1 })
})

test('of a picture that is cut up the part that shows the place is found, and copies alike count once', () => {
  const part = (x: number) => ({ renditionId: 'r1', straighten: 0, crop: { x, y: 0, width: 1000, height: 900 } })
  const view = { layout: { pages: [0, 0, 1000, 2000].map((x) => ({ placed: [part(x)] })) } } as unknown as DocketView
  const picture = { renditionId: 'r1', master: { width: 3000, height: 900 } } as OnDocket
  expect(inPrint(view, picture, { x: 0.9, y: 0.5 })).toEqual({ x: expect.closeTo(0.7, 9), y: 0.5, part: 2 })
  expect(inPrint(view, picture, { x: 0.1, y: 0.5 }).part).toBe(0)
})
