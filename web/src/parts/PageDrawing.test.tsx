import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import type { Page } from '../api/types'
import { PageDrawing } from './PageDrawing'

const pictures = [
  { renditionId: 'a', masterHash: 'hash-a', treatment: { kind: 'colour' as const }, width: 3000, height: 2000 },
  { renditionId: 'b', masterHash: 'hash-b', treatment: { kind: 'colour' as const }, width: 100, height: 100 },
]
const placed = (renditionId: string, x: number, crop: object) => ({
  renditionId,
  crop: { x: 0, y: 0, width: 3000, height: 2000, ...crop },
  atMm: { x, y: 10, width: 90, height: 60 },
  orientation: 'UPRIGHT',
  straighten: 0,
})
const page = (...all: object[]) =>
  ({ widthMm: 210, heightMm: 297, unprintable: {}, feedTurn: 'UPRIGHT', placed: all, marks: [] }) as unknown as Page
const drawn = (p: Page) =>
  renderToStaticMarkup(<PageDrawing docket="d1" number={1} page={p} pictures={pictures} paperLab={[96, 0, 1]} scale={2} />)

test('a page is drawn to scale with every picture that lies on it', () => {
  const html = drawn(page(placed('a', 10, {}), placed('b', 110, { width: 100, height: 100 })))
  expect(html).toContain('width:420px;height:594px')
  expect(html).toContain('left:20px;top:20px;width:180px;height:120px')
  expect(html).toContain('/api/masters/hash-a/picture')
  expect(html).toContain('/api/masters/hash-b/picture')
})

test('a cropped picture shows only its crop', () => {
  const html = drawn(page(placed('a', 10, { x: 600, width: 1500, height: 1000 })))
  expect(html).toContain('left:-40%')
  expect(html).toContain('width:200%')
})

test('a picture that reaches over the edge is cut by the paper', () => {
  expect(drawn(page(placed('a', -40, {})))).toContain('class="sheet"')
})

test('a picture with sides is drawn with them, from where they are made', () => {
  const at = { x: 10, y: 20, width: 100, height: 80 }
  const html = drawn(page({ ...placed('a', 20, {}), sides: { grownMm: at } }))
  expect(html).toContain('src="/api/dockets/d1/wrap/pieces/1/picture?longest=400&amp;display=thumbnail')
  expect(html).toContain('left:20px;top:40px;width:200px;height:160px')
  expect(html).not.toContain('/api/masters/')
})
