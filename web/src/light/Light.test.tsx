// @vitest-environment jsdom
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { pairingOf } from '../api/pictures'
import { ProofStation } from '../proof/ProofStation'
import { browserStands, docket, figures, picture, serverAnswers, shown, tools } from '../testing/stage'

browserStands()

const LIGHT_FIGURES = {
  white: 25.2,
  judging: 560,
  screen: 140,
  ratio: 0.2046,
  apart: 7,
  apartJudging: 9,
  colourKept: 0.86,
  whiteSeen: { l: 95, a: 1, b: 6 },
  beside: [120, 100, 70],
  settled: [250, 240, 225],
  tones: Array.from({ length: 101 }, (_, l) => ({ l, judging: 100 + 4 * l, here: 60 + 2 * l })),
}

const HALL = { id: 'l1', name: 'hall', lux: 90, kelvin: 2700 }

function inTheHall() {
  const asked = serverAnswers({
    'GET /api/dockets/d1/renditions/r1/figures': figures({}),
    'GET /api/lights': [HALL, { id: 'l2', name: 'desk', lux: 500, kelvin: 4000 }],
    'GET /api/dockets/d1/renditions/r1/light-figures': LIGHT_FIGURES,
    'GET /api/settings/screen': { white: null },
    'GET /api/compensations': [],
    'PUT /api/lights/l1': HALL,
    'POST /api/dockets/d1/renditions/r1/light-suggestion': {
      moves: [{ kind: 'chroma-moves', chroma: 1.12, byHue: [] }],
      words: 'all colour +12',
    },
    'POST /api/compensations': { id: 'c9', version: 1, name: 'for hall', moves: [] },
  })
  const plain = docket()
  const view = docket({ pairing: { ...pairingOf(plain), whiteLab: [96, 0.3, -1] } })
  const t = tools({ view })
  shown(<ProofStation view={view} picture={picture()} tools={t} go={vi.fn()} />)
  fireEvent.click(screen.getByText('the light it hangs in'))
  return { asked, tools: t }
}

test('the print stands under both lights, with what the eye makes of it in words', async () => {
  inTheHall()
  await waitFor(() => expect(screen.getByText('7 of 10 (judging light 9)')).toBeTruthy())
  expect(screen.getByText('down by 14 %')).toBeTruthy()
  expect(screen.getByText('25 cd/m²; judging light 560, screen 140')).toBeTruthy()
  expect(screen.getByText(/looks yellowish/)).toBeTruthy()
  const hung = screen.getByAltText('The print in hall') as HTMLImageElement
  expect(hung.src).toContain('light-views')
  expect(hung.src).toContain('lux=90')
  expect(hung.src).toContain('seen=BESIDE')
  fireEvent.click(screen.getByRole('radio', { name: 'once the eye has settled' }))
  expect((screen.getByAltText('The print in hall') as HTMLImageElement).src).toContain('seen=SETTLED')
})

test('the field is matched by keys too: up is brighter, right is colder', async () => {
  const { asked } = inTheHall()
  const field = await screen.findByRole('slider', { name: /Brightness and colour of white paper/ })
  fireEvent.keyDown(field, { key: 'ArrowUp' })
  await waitFor(() => expect(JSON.stringify(asked)).toContain('92.7'))
  fireEvent.keyDown(field, { key: 'ArrowRight', shiftKey: true })
  await waitFor(() => expect(JSON.stringify(asked)).toContain('3200'))
})

test('what is suggested is kept under the light’s name and decided as one step', async () => {
  const { tools: t } = inTheHall()
  fireEvent.click(await screen.findByRole('button', { name: 'Suggest for this light' }))
  await waitFor(() =>
    expect(t.decide).toHaveBeenCalledWith(
      expect.objectContaining({
        kind: 'together',
        changes: [
          { kind: 'hangs-in', light: { name: 'hall', lux: 90, kelvin: 2700 } },
          expect.objectContaining({
            kind: 'compensates',
            compensation: expect.objectContaining({ kept: { id: 'c9', version: 1, name: 'for hall' } }),
          }),
        ],
      }),
    ),
  )
  expect(await screen.findByText(/It will look too light elsewhere/)).toBeTruthy()
})
