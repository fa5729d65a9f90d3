import { renderToStaticMarkup } from 'react-dom/server'
import { beforeAll, expect, test, vi } from 'vitest'
import type { SheetDocket } from '../api/types'

vi.mock('../parts/booth', () => ({ BOOTH: 900 }))
let SheetDrawing: typeof import('./SheetDrawing').SheetDrawing
let fitting: typeof import('./SheetDrawing').fitting
let resized: typeof import('./SheetDrawing').resized
beforeAll(async () => {
  ;({ SheetDrawing, fitting, resized } = await import('./SheetDrawing'))
})

const placed = {
  renditionId: 'r1',
  atMm: { x: 60, y: 48.5, width: 300, height: 200 },
  crop: { x: 0, y: 0, width: 3000, height: 2000 },
  orientation: 'UPRIGHT',
  straighten: 0,
}

const view = (more: object = {}, lost = 0) =>
  ({
    pictures: [{ renditionId: 'r1', master: { hash: 'm1', width: 3000, height: 2000 } }],
    stockName: 'A3',
    pairing: { whiteLab: [96, 0, 2] },
    spec: {
      renditions: [{ masterHash: 'm1' }],
      items: [{ id: 'i1', renditionId: 'r1', frame: { fit: 'WHOLE' } }],
      plan: { itemId: 'i1', edge: { borderless: false, overMm: 0, bleedMm: 0 } },
    },
    layout: {
      pages: [
        {
          widthMm: 420,
          heightMm: 297,
          unprintable: { top: 3, right: 14, bottom: 3, left: 3 },
          overMm: 0,
          placed: [{ ...placed, ...more }],
          marks: [],
        },
      ],
      losses: lost ? [{ itemId: 'i1', share: lost }] : [],
    },
  }) as unknown as SheetDocket

const drawn = (v: SheetDocket) => renderToStaticMarkup(<SheetDrawing view={v} onLength={() => {}} onLaid={() => {}} />)
const number = (text: string, pattern: RegExp) => Number(pattern.exec(text)?.[1])

test('picture and sheet are drawn to one scale', () => {
  const svg = drawn(view())
  const sheet = number(svg, /<rect[^>]*width="([\d.]+)"[^>]*fill="lab\(/)
  const picture = number(svg, /class="placed" style="[^"]*width:([\d.]+)px/)
  expect(picture / sheet).toBeCloseTo(300 / 420, 3)
})

test('the paper has its measured white, the unknown one a plain one', () => {
  expect(drawn(view())).toContain('lab(96% 0 2)')
  expect(drawn({ ...view(), pairing: null } as unknown as SheetDocket)).not.toContain('lab(')
})

test('sheet, picture and the white around it are told in millimetres and can be written over', () => {
  const svg = drawn(view())
  expect(svg).toContain('A3')
  expect(svg).toContain('420 × 297 mm')
  expect(svg).toMatch(/aria-label="Picture width"[^>]*value="300 mm"/)
  expect(svg).toMatch(/aria-label="Picture height"[^>]*value="200 mm"/)
  expect(svg).toMatch(/aria-label="Border left"[^>]*value="60"/)
  expect(svg).toMatch(/aria-label="Border below"[^>]*value="48.5"/)
})

test('white too narrow for a number gets none', () => {
  expect(drawn(view({ atMm: { x: 2, width: 416, y: 2, height: 293 } }))).not.toContain('aria-label="Border')
})

test('a cropped picture shows the part that is printed', () => {
  const svg = drawn(
    view({ crop: { x: 500, y: 0, width: 2000, height: 2000 }, atMm: { x: 110, y: 48.5, width: 200, height: 200 } }, 1 / 3),
  )
  expect(number(svg, /<img[^>]*left:-([\d.]+)%/) / number(svg, /<img[^>]*width:([\d.]+)%/)).toBeCloseTo(500 / 3000, 3)
})

test('a picture larger than its sheet is drawn whole, within the room', () => {
  const room = { w: 900, h: 600 }
  const at = { x: -120, y: -30, width: 450, height: 300 }
  const { scale, x0, y0 } = fitting(room, { widthMm: 210, heightMm: 297 }, [at])
  expect(x0 + at.x * scale).toBeGreaterThanOrEqual(0)
  expect(y0 + at.y * scale).toBeGreaterThanOrEqual(0)
  expect(x0 + (at.x + at.width) * scale).toBeLessThanOrEqual(room.w)
  expect(y0 + (at.y + at.height) * scale).toBeLessThanOrEqual(room.h)
})

test('a corner that is dragged leaves the one across from it where it is, and all of a picture keeps its shape', () => {
  const at = { x: 60, y: 50, width: 300, height: 200 }
  for (const right of [true, false]) {
    for (const bottom of [true, false]) {
      const free = resized(at, { right, bottom }, 12, -7, false)
      expect(right ? free.x : free.x + free.width).toBeCloseTo(right ? 60 : 360, 9)
      expect(bottom ? free.y : free.y + free.height).toBeCloseTo(bottom ? 50 : 250, 9)
      const kept = resized(at, { right, bottom }, 12, -7, true)
      expect(kept.width / kept.height).toBeCloseTo(1.5, 9)
    }
  }
  expect(resized(at, { right: true, bottom: true }, -900, -900, false)).toMatchObject({ width: 5, height: 5 })
})

test('every picture of a page is drawn, and the sheet that is asked for', () => {
  const two = view() as unknown as { layout: { pages: { placed: object[]; widthMm: number }[] }; pictures: object[] }
  const page = two.layout.pages[0]
  page?.placed.push({ ...placed, renditionId: 'r2', atMm: { x: 5, y: 5, width: 30, height: 20 } })
  two.pictures.push({ renditionId: 'r2', master: { hash: 'm2', width: 300, height: 200 } })
  two.layout.pages.push({ ...page, placed: [placed], widthMm: 297 } as never)
  const first = drawn(two as unknown as SheetDocket)
  expect(first).toContain('/api/masters/m1/picture')
  expect(first).toContain('/api/masters/m2/picture')
  const second = renderToStaticMarkup(
    <SheetDrawing view={two as unknown as SheetDocket} sheet={1} onLength={() => {}} onLaid={() => {}} />,
  )
  expect(second).toContain('297 × 297 mm')
  expect(second).not.toContain('/api/masters/m2/picture')
})
