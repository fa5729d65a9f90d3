import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test, vi } from 'vitest'
import type { WrapDocket } from '../api/types'

vi.mock('../parts/booth', () => ({ BOOTH: 900 }))
const { FlatDrawing } = await import('./FlatDrawing')

const at = (x: number, y: number, width: number, height: number) => ({ x, y, width, height })

const docket = (bare: boolean) =>
  ({
    id: 'd',
    version: 3,
    stockName: 'roll of 24 in',
    pairing: { whiteLab: [94, 0, 3] },
    spec: {
      plan: {
        kind: 'wrap',
        body: { faceWidthMm: 600, faceHeightMm: 400 },
      },
    },
    layout: {
      pages: [
        {
          widthMm: 786,
          heightMm: 609.6,
          unprintable: { left: 30, right: 30, top: 3, bottom: 3 },
          marks: bare ? [{ kind: 'line', fromX: 30, fromY: 42, toX: 756, toY: 42, widthMm: 0.2 }] : [],
          placed: [{ id: 'i1', sides: { grownMm: at(51, 63, 684, 484), faceMm: at(93, 105, 600, 400) } }],
        },
      ],
      cuts: [],
    },
    planned: {
      lines: [
        {
          faceMm: at(93, 105, 600, 400),
          backMm: at(54, 66, 678, 478),
          flatMm: at(30, 42, 726, 525),
          shownMm: at(54.4, 66.4, 677, 477),
        },
      ],
    },
  }) as unknown as WrapDocket

const drawn = (picks = false) =>
  renderToStaticMarkup(
    <FlatDrawing view={docket(true)} piece={0} longest={900} onLength={() => {}} {...(picks ? { onPatch: () => {} } : {})} />,
  )

test('the flat print is drawn with both folds, 10 mm beside the front one, its cut and its lengths', () => {
  const html = drawn()
  for (const line of ['front-fold', 'back-fold', 'near-fold']) expect(html).toContain(`class="${line}"`)
  expect(html).toContain('cut to 726 × 525 mm')
  expect(html).toContain('value="600 mm"')
  expect(html).toContain('value="400 mm"')
  expect(html).toContain('roll of 24 in, 786 × 609.6 mm')
  expect(html).toContain('url(#hatch)')
})

test('a patch is picked only while one is asked for', () => {
  expect(drawn()).not.toContain('class="patching"')
  expect(drawn(true)).toContain('Patch whose colour is taken')
})

test('a docket without this piece shows its first one', () => {
  const html = renderToStaticMarkup(<FlatDrawing view={docket(false)} piece={4} longest={900} onLength={() => {}} />)
  expect(html).toContain('cut to 726 × 525 mm')
})
