import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import type { Boundary, PictureColours } from '../api/types'
import { SlicePlot } from './SlicePlot'

const square = (r: number) =>
  [
    [r, r],
    [-r, r],
    [-r, -r],
    [r, -r],
  ] as [number, number][]
const boundary = (r: number) => ({ slices: [{ lightness: 50, outlines: [square(r)] }] }) as unknown as Boundary
const colours = {
  outside: 0.5,
  colours: [
    { lab: { l: 51, a: 10, b: 0 }, share: 0.5, outside: 0 },
    { lab: { l: 49, a: 90, b: 0 }, share: 0.4, outside: 1 },
    { lab: { l: 80, a: 0, b: 0 }, share: 0.1, outside: 0 },
  ],
} as PictureColours

test('the paper is a line, the wire dashes, and only colours near the cut are drawn, told apart by shape', () => {
  const html = renderToStaticMarkup(<SlicePlot lightness={50} solid={boundary(50)} wire={boundary(80)} colours={colours} />)
  expect(html.match(/<circle/g)).toHaveLength(1)
  expect(html.match(/class="out"/g)).toHaveLength(1)
  expect(html).toContain('class="held"')
  expect(html).toContain('aria-label="What lies at L* 50"')
})

test('a lightness that the paper hasn’t got has no outline', () => {
  const html = renderToStaticMarkup(<SlicePlot lightness={97} solid={boundary(50)} />)
  expect(html).toContain('<path d="" class="held"')
})
