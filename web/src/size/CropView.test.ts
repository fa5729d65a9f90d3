import { expect, test, vi } from 'vitest'

vi.mock('../parts/booth', () => ({ BOOTH: 900 }))
const { around, dragged, levelling, shaped } = await import('./CropView')

const cut = { x: 0.2, y: 0.2, width: 0.5, height: 0.5, degrees: 0 }

test('a horizon that falls to the right turns the picture back, a leaning wall too', () => {
  expect(levelling(100, 0)).toBeCloseTo(0)
  expect(levelling(100, 100 * Math.tan((3 * Math.PI) / 180))).toBeCloseTo(-3, 1)
  expect(levelling(-100, -100 * Math.tan((3 * Math.PI) / 180))).toBeCloseTo(-3, 1)
  expect(levelling(100 * Math.tan((2 * Math.PI) / 180), 100)).toBeCloseTo(2, 1)
  expect(Math.abs(levelling(100, 60))).toBeLessThanOrEqual(10)
})

test('a crop of a fixed shape keeps it at every corner and stays on the picture', () => {
  const aspect = 1.5
  for (const right of [true, false]) {
    for (const bottom of [true, false]) {
      for (const d of [-0.9, -0.1, 0.05, 0.9]) {
        const next = dragged(cut, { right, bottom }, d, d / 2, 1, aspect)
        expect((next.width * aspect) / next.height).toBeCloseTo(1, 6)
        expect(next.x).toBeGreaterThanOrEqual(-1e-9)
        expect(next.y).toBeGreaterThanOrEqual(-1e-9)
        expect(next.x + next.width).toBeLessThanOrEqual(1 + 1e-9)
        expect(next.y + next.height).toBeLessThanOrEqual(1 + 1e-9)
      }
    }
  }
})

test('choosing a shape takes the largest crop of it', () => {
  const next = shaped(cut, 1, 1.5)
  expect(next.height).toBeCloseTo(1)
  expect(next.width).toBeCloseTo(2 / 3)
  expect(next.x + next.width).toBeLessThanOrEqual(1)
})

test('what is printed of a picture that is cut up reaches over all its pieces', () => {
  const piece = (x: number) => ({ crop: { x, y: 100, width: 500, height: 900 } }) as never
  expect(around([piece(100), piece(700), piece(1300)])).toEqual({ x: 100, y: 100, width: 1700, height: 900 })
  expect(around([])).toBeUndefined()
})
