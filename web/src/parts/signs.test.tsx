import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import type { DocketView, Finding } from '../api/types'
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
const item = (id: string, title: string) => ({ id, title, renditionId: 'r1', frame: { widthMm: 90, heightMm: 60 } })
const docket = (...items: ReturnType<typeof item>[]) => ({ spec: { items }, pictures: [] }) as unknown as DocketView
const one = docket(item('a', 'Fells'))

test('of several pieces, the one that is meant is named with its size', () => {
  const about = [finding({ subjects: [{ kind: 'of-piece', itemId: 'b' }] })]
  const two = docket(item('a', 'Fells'), item('b', 'Dune'))
  expect(renderToStaticMarkup(<Findings view={two} tools={tools} findings={about} />)).toContain('(Dune, 90 × 60 mm)')
  expect(renderToStaticMarkup(<Findings view={one} tools={tools} findings={about} />)).not.toContain('Dune')
})

test('what is said of several pieces says of how many', () => {
  const of = (itemId: string) => ({ kind: 'of-piece', itemId }) as const
  const html = renderToStaticMarkup(
    <Findings view={one} tools={tools} findings={[finding({ subjects: [of('a'), of('b'), of('c')] })]} />,
  )
  expect(html).toContain('(3 pieces)')
})

test('a finding says what is wrong, what it does to the print, and offers its mends', () => {
  const html = renderToStaticMarkup(
    <Findings
      view={one}
      tools={tools}
      findings={[finding({ fixes: [{ label: 'Keep the pixels', change: {} }] as unknown as Finding['fixes'] })]}
    />,
  )
  expect(html).toContain('Only 120 pixels an inch.')
  expect(html).toContain('Edges look soft.')
  expect(html).toContain('Keep the pixels')
})

test('without mends there is no empty row of buttons, without findings nothing at all', () => {
  expect(renderToStaticMarkup(<Findings view={one} tools={tools} findings={[finding({})]} />)).not.toContain('mends')
  expect(renderToStaticMarkup(<Findings view={one} tools={tools} findings={[]} />)).toBe('')
})
