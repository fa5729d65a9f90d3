import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import { HistogramPlot } from './HistogramPlot'

const drawn = (...counts: number[][]) => renderToStaticMarkup(<HistogramPlot counts={counts} />)
const paths = (svg: string) => [...svg.matchAll(/<path d="([^"]*)"/g)].map((m) => m[1] as string)
const heights = (path: string) =>
  path
    .split(/[ML]/)
    .slice(1)
    .map((point) => Number(point.split(' ')[1]))

const flat = (value: number) => Array.from({ length: 256 }, () => value)

test('each of three channels is a line of its own stroke, and the strokes are named', () => {
  const svg = drawn(flat(1), flat(2), flat(3))
  expect(paths(svg)).toHaveLength(3)
  expect(svg).toContain('stroke-dasharray="4 2"')
  expect(svg).toContain('red solid, green dashed, blue dotted')
})

test('a monochrome picture is one solid line without names of channels', () => {
  const svg = drawn(flat(5))
  expect(paths(svg)).toHaveLength(1)
  expect(svg).not.toContain('figcaption')
})

test('heights are square roots of the share of the peak: a quarter stands half as high', () => {
  const counts = flat(0)
  counts[100] = 400
  counts[150] = 100
  const y = heights(paths(drawn(counts))[0] as string)
  expect(96 - (y[100] as number)).toBeCloseTo(92, 5)
  expect(96 - (y[150] as number)).toBeCloseTo(46, 5)
  expect(y[200]).toBe(96)
})

test('much solid black or bare paper neither flattens the rest nor leaves the plot', () => {
  const counts = flat(10)
  counts[0] = 1e6
  counts[255] = 1e6
  const y = heights(paths(drawn(counts))[0] as string)
  expect(y[0]).toBe(4)
  expect(y[255]).toBe(4)
  expect(y[128]).toBe(4)
})

test('an empty picture draws a line on the ground', () => {
  expect(new Set(heights(paths(drawn(flat(0)))[0] as string))).toEqual(new Set([96]))
})
