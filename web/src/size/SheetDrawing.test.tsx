import { renderToStaticMarkup } from 'react-dom/server'
import { beforeAll, expect, test, vi } from 'vitest'
import type { DocketView } from '../api/types'

vi.mock('../parts/booth', () => ({ BOOTH: 900 }))
let SheetDrawing: typeof import('./SheetDrawing').SheetDrawing
beforeAll(async () => {
  SheetDrawing = (await import('./SheetDrawing')).SheetDrawing
})

const placed = {
  renditionId: 'r1',
  atMm: { x: 60, y: 48.5, width: 300, height: 200 },
  crop: { x: 0, y: 0, width: 3000, height: 2000 },
  orientation: 'UPRIGHT',
}

const view = (more: object = {}, lost = 0) =>
  ({
    pictures: [{ renditionId: 'r1', master: { hash: 'm1', width: 3000, height: 2000 } }],
    pairing: { whiteLab: [96, 0, 2] },
    spec: {
      renditions: [{ masterHash: 'm1' }],
      stock: { name: 'A3' },
      plan: { cropX: 0.5, cropY: 0.5 },
    },
    layout: {
      pages: [
        {
          widthMm: 420,
          heightMm: 297,
          unprintable: { top: 3, right: 14, bottom: 3, left: 3 },
          placed: [{ ...placed, ...more }],
        },
      ],
      losses: lost ? [{ renditionId: 'r1', share: lost }] : [],
    },
  }) as unknown as DocketView

const drawn = (v: DocketView) => renderToStaticMarkup(<SheetDrawing view={v} onLength={() => {}} onCrop={() => {}} />)
const number = (text: string, pattern: RegExp) => Number(pattern.exec(text)?.[1])

test('picture and sheet are drawn to one scale', () => {
  const svg = drawn(view())
  const sheet = number(svg, /<rect[^>]*width="([\d.]+)"[^>]*fill="lab\(/)
  const picture = number(svg, /overflow:hidden[^"]*"|width:([\d.]+)px;height:[\d.]+px;overflow/)
  expect(picture / sheet).toBeCloseTo(300 / 420, 3)
})

test('the paper has its measured white, the unknown one a plain one', () => {
  expect(drawn(view())).toContain('lab(96% 0 2)')
  expect(drawn({ ...view(), pairing: null } as unknown as DocketView)).not.toContain('lab(')
})

test('sheet, picture and the white around it are told in millimetres', () => {
  const svg = drawn(view())
  expect(svg).toContain('A3')
  expect(svg).toContain('420 × 297 mm')
  expect(svg).toContain('value="300 mm"')
  expect(svg).toContain('value="200 mm"')
  expect(svg).toMatch(/>60<\/text>/)
  expect(svg.match(/>48\.5<\/text>/g)).toHaveLength(2)
})

test('white too narrow for a number gets none', () => {
  expect(drawn(view({ atMm: { x: 2, width: 416, y: 2, height: 293 } }))).not.toMatch(/>2<\/text>/)
})

test('only a picture that loses something to its frame can be moved in it', () => {
  expect(drawn(view())).toContain('cursor:default')
  expect(drawn(view({ crop: { x: 500, y: 0, width: 2000, height: 2000 } }, 0.2))).toContain('cursor:grab')
})

test('a cropped picture shows the part that is printed', () => {
  const svg = drawn(
    view({ crop: { x: 500, y: 0, width: 2000, height: 2000 }, atMm: { x: 110, y: 48.5, width: 200, height: 200 } }, 1 / 3),
  )
  const shown = number(svg, /max-height:none;left:-([\d.]+)px/)
  const whole = number(svg, /max-height:none;left:-[\d.]+px;top:-?[\d.]+(?:px)?;width:([\d.]+)px/)
  expect(shown / whole).toBeCloseTo(500 / 3000, 3)
})
