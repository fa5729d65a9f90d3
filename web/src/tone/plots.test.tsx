import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import type { WedgeTold } from '../api/types'
import { ComparedPlot, DriftPlot, LightnessPlot } from './plots'

const steps = Array.from({ length: 5 }, (_, i) => ({
  depth: i / 4,
  lab: { l: 96 - 21 * i, a: 0.1 * i, b: 2 - 0.5 * i },
  shown: '#888888',
  suspect: i === 2,
  leftOut: i === 3,
}))
const told = (more: Partial<WedgeTold> = {}) =>
  ({
    kind: 'COLOUR',
    steps,
    points: [{ wanted: 0.5, sent: 0.46 }],
    target: [96, 54, 12],
    through: [96, 55, 12],
    paper: { l: 96, a: 0, b: 2 },
    black: { l: 12, a: 0.4, b: 0 },
    before: 2.9,
    blockedFrom: null,
    ...more,
  }) as unknown as WedgeTold

const path = (html: string, kind: string) => new RegExp(`d="([^"]*)" class="${kind}"`).exec(html)?.[1] ?? ''

test('each step is a ring that says what it is, and can be left out', () => {
  const html = renderToStaticMarkup(<LightnessPlot label="L*" scales={[{ name: '', told: told() }]} onStep={() => {}} />)
  expect(html.match(/<circle/g)).toHaveLength(5)
  expect(html).toContain('aria-label="50 %, L* 54.0, suspect"')
  expect(html).toContain('aria-label="75 %, L* 33.0, left out"')
  expect(html).toContain('Press to take it in again')
})

test('black lies on the left and paper on the right, L* rises upwards', () => {
  const html = renderToStaticMarkup(<LightnessPlot label="L*" scales={[{ name: '', told: told() }]} />)
  const [first, last] = [/M([\d.]+) ([\d.]+)/.exec(path(html, 'target')), /L([\d.]+) ([\d.]+)$/.exec(path(html, 'target'))]
  // the target goes from paper to black: from the upper right to the lower left
  expect(Number(first?.[1])).toBeGreaterThan(Number(last?.[1]))
  expect(Number(first?.[2])).toBeLessThan(Number(last?.[2]))
})

test('the line of what was printed leaves out what is suspect or left out', () => {
  const html = renderToStaticMarkup(<LightnessPlot label="L*" scales={[{ name: '', told: told() }]} />)
  expect(path(html, 'as-printed').match(/[ML]/g)).toHaveLength(3)
})

test('without a curve none is drawn, and blocked shadows are named where they begin', () => {
  const straight = renderToStaticMarkup(
    <LightnessPlot label="L*" scales={[{ name: '', told: told({ points: [], blockedFrom: 0.88 }) }]} />,
  )
  expect(straight).not.toContain('class="through"')
  expect(straight).toContain('from 88 % on no step can be told from black')
})

test('several wedges differ by their dashes and are named beside the plot', () => {
  const html = renderToStaticMarkup(
    <ComparedPlot
      label="several"
      scales={[
        { name: '1: fine', told: told() },
        { name: '2: standard', told: told({ before: 0.4 }) },
      ]}
    />,
  )
  expect(html).not.toContain('<circle')
  expect(html).toContain('1: fine')
  expect(html).toContain('black L* 12.0, off 0.4')
  expect(new Set(html.match(/stroke-dasharray="[^"]*"/g)).size).toBeGreaterThan(1)
})

test('drift is told against the paper, on a scale of three or as much as it takes', () => {
  const small = renderToStaticMarkup(<DriftPlot told={told()} label="drift" />)
  expect(small).toContain('+3.0')
  const wide = { ...steps[4], lab: { l: 12, a: 0, b: -9 } }
  const large = renderToStaticMarkup(
    <DriftPlot told={told({ steps: [...steps.slice(0, 4), wide] as WedgeTold['steps'] })} label="drift" />,
  )
  expect(large).toContain('+11')
})
