import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import type { Finding } from '../api/types'
import type { DocketTools } from '../docket/useDocket'
import { Findings } from './Findings'
import { MarkSign } from './MarkSign'

const sign = (mark: Parameters<typeof MarkSign>[0]['mark']) => renderToStaticMarkup(<MarkSign mark={mark} />)
const shape = (svg: string) => svg.replace(/aria-label="[^"]*"/, '')

test('states differ by shape, not by colour, and each has a name', () => {
  const shapes = (['SETTLED', 'LOOK', 'BLOCKED', 'OPEN'] as const).map((m) => shape(sign(m)))
  expect(new Set(shapes).size).toBe(4)
  expect(sign('BLOCKED')).toContain('aria-label="blocked"')
  expect(sign('LOOK')).toContain('aria-label="needs a look"')
})

test('a finding has the shape of the state that it brings about', () => {
  expect(shape(sign('STOP'))).toBe(shape(sign('BLOCKED')))
  expect(shape(sign('NOTE'))).toBe(shape(sign('OPEN')))
  expect(sign('STOP')).toContain('aria-label="stops the print"')
})

const finding = (more: Partial<Finding>) =>
  ({
    code: 'FEW_PIXELS',
    severity: 'LOOK',
    stage: 'SIZE',
    subjects: [{ kind: 'whole-docket' }],
    what: 'Only 120 pixels an inch.',
    effect: 'Edges look soft.',
    fixes: [],
    ...more,
  }) as Finding
const tools = {} as DocketTools

test('what is said of several pieces says of how many', () => {
  const of = (itemId: string) => ({ kind: 'of-piece', itemId }) as const
  const html = renderToStaticMarkup(<Findings tools={tools} findings={[finding({ subjects: [of('a'), of('b'), of('c')] })]} />)
  expect(html).toContain('(3 pieces)')
})

test('a finding says what is wrong, what it does to the print, and offers its mends', () => {
  const html = renderToStaticMarkup(
    <Findings
      tools={tools}
      findings={[finding({ fixes: [{ label: 'Keep the pixels', change: {} }] as unknown as Finding['fixes'] })]}
    />,
  )
  expect(html).toContain('Only 120 pixels an inch.')
  expect(html).toContain('Edges look soft.')
  expect(html).toContain('Keep the pixels')
})

test('without mends there is no empty row of buttons, without findings nothing at all', () => {
  expect(renderToStaticMarkup(<Findings tools={tools} findings={[finding({})]} />)).not.toContain('mends')
  expect(renderToStaticMarkup(<Findings tools={tools} findings={[]} />)).toBe('')
})
