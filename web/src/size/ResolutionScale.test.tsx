import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import { ResolutionScale } from './ResolutionScale'

const needle = (ppi: number) => Number(/d="M([\d.]+) 14v17"/.exec(renderToStaticMarkup(<ResolutionScale ppi={ppi} />))?.[1])

test('the rule is logarithmic: twice the resolution is the same step everywhere', () => {
  expect(needle(200) - needle(100)).toBeCloseTo(needle(600) - needle(300), 6)
})

test('a resolution off the rule stands at its end, and its number is still told', () => {
  expect(needle(20)).toBe(0)
  expect(needle(5000)).toBe(330)
  expect(renderToStaticMarkup(<ResolutionScale ppi={5000.4} />)).toContain('5000 ppi')
})

test('it says in words what it shows', () => {
  expect(renderToStaticMarkup(<ResolutionScale ppi={243.7} />)).toContain('aria-label="244 pixels per inch"')
})
