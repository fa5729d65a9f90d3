// @vitest-environment jsdom
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { browserStands, docket, figures, picture, refused, serverAnswers, shown, tools } from '../testing/stage'
import { CompensateCard } from './CompensateCard'

browserStands()

const R = '/api/dockets/d1/renditions/r1'
const WARMER = { kind: 'warmth', warmth: 2, tint: 0 }

function card(answers: Parameters<typeof serverAnswers>[0] = {}, compensation: object = { moves: [], on: true }) {
  const view = docket()
  const [r] = view.spec.renditions
  view.spec.renditions = [{ ...r, compensation } as never]
  const asked = serverAnswers({
    [`GET ${R}/figures`]: figures(),
    [`GET ${R}/hues`]: { hues: [], median: 50 },
    [`GET ${R}/move-curves`]: { lightness: [], chroma: [] },
    'GET /api/compensations': [
      { id: 'k1', version: 2, name: 'harbour', moves: [WARMER], words: 'a little warmer', usualOn: [], usedOn: [] },
    ],
    ...answers,
  })
  const t = tools({ view })
  const setDraft = vi.fn()
  shown(<CompensateCard view={view} picture={picture()} tools={t} go={() => {}} draft={undefined} setDraft={setDraft} />)
  return { asked, tools: t, setDraft }
}

const taken = (t: { decide: ReturnType<typeof vi.fn> }) => t.decide.mock.calls.map(([change]) => change.compensation)

const told = (mean: number, darkApart: number) => ({ mean, apart: 40, darkApart, blocked: 0.02 })

test('a suggestion is taken as one decision, and told with the figures before and after', async () => {
  const { tools: t, setDraft } = card({
    [`POST ${R}/suggestion`]: { moves: [WARMER], words: 'a little warmer', before: told(2.41, 30), after: told(1.87, 33) },
  })
  fireEvent.click(screen.getByRole('button', { name: /^Suggest/ }))
  await waitFor(() =>
    expect(screen.getByText(/a little warmer/).textContent).toMatch(/2\.41 before, 1\.87 after.*30 before, 33 after/),
  )
  expect(taken(t)).toEqual([{ moves: [WARMER], on: true, kept: null }])
  expect(setDraft).toHaveBeenCalledWith({ treatment: { kind: 'colour' }, moves: [WARMER] })
})

test('where nothing comes closer, nothing is decided', async () => {
  const { tools: t } = card({ [`POST ${R}/suggestion`]: { moves: [], words: '', before: told(1.2, 30), after: told(1.2, 30) } })
  fireEvent.click(screen.getByRole('button', { name: /^Suggest/ }))
  await screen.findByText(/Nothing brings this print closer/)
  expect(t.decide).not.toHaveBeenCalled()
})

test('a suggestion that can not be made is told', async () => {
  const { tools: t } = card({ [`POST ${R}/suggestion`]: () => refused(409, 'stopped', 'Choose a paper first.') })
  fireEvent.click(screen.getByRole('button', { name: /^Suggest/ }))
  await waitFor(() => expect(t.complain).toHaveBeenCalled())
  expect(t.decide).not.toHaveBeenCalled()
})

test('moves are switched off and kept', async () => {
  const { tools: t } = card({}, { moves: [WARMER], on: true, kept: { id: 'k1', version: 2, name: 'harbour' } })
  await screen.findByText('“harbour”')
  fireEvent.click(screen.getByRole('checkbox', { name: /in force/ }))
  expect(taken(t)).toEqual([{ moves: [WARMER], on: false, kept: { id: 'k1', version: 2, name: 'harbour' } }])
})

test('with nothing moved there is nothing to switch off', () => {
  card()
  expect((screen.getByRole('checkbox', { name: /in force/ }) as HTMLInputElement).disabled).toBe(true)
  expect(screen.getByText('nothing moved')).toBeTruthy()
})

test('a monochrome picture has no chroma, warmth or tint to move', () => {
  const sliders = () => screen.getAllByRole('slider').map((s) => s.getAttribute('aria-label'))
  card()
  const colour = sliders()
  expect(colour.length).toBeGreaterThan(5)
  const view = docket()
  shown(
    <CompensateCard
      view={view}
      picture={picture({ master: { hash: 'm1', channels: 1 } })}
      tools={tools({ view })}
      go={() => {}}
      draft={undefined}
      setDraft={() => {}}
    />,
  )
  expect(sliders().length - colour.length).toBeLessThan(colour.length)
})
