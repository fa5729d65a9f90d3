// @vitest-environment jsdom
import { fireEvent, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { expect, test } from 'vitest'
import { attempt, browserStands, docket, finding, picture, serverAnswers, shown, tools } from '../testing/stage'
import { ReleaseStation } from './ReleaseStation'

browserStands()

function station({ view = docket(), attempts = [] as object[], answers = {} } = {}) {
  const asked = serverAnswers({
    'GET /api/dockets/d1/costs': {
      seconds: { value: 60, spread: 5, basis: 'PRINTER', prints: 0 },
      inkMl: { value: 1, spread: 0.2, basis: 'PRINTER', prints: 0 },
      sheets: 1,
      rollMm: 0,
    },
    'GET /api/dockets/d1/alternatives': [],
    'GET /api/dockets/d1/pages/1/prediction/notes': { notes: [] },
    'GET /api/attempts/a1/layout': { pages: [] },
    ...answers,
  })
  const t = tools({ view, attempts: attempts.map(attempt) })
  shown(<ReleaseStation view={view} picture={picture()} tools={t} go={() => {}} />)
  return { asked, tools: t }
}

const print = () => screen.getByRole('button', { name: 'Print' }) as HTMLButtonElement

test('what nothing stops is printed by one press', () => {
  const { tools: t } = station()
  fireEvent.click(print())
  expect(t.release.mutate).toHaveBeenCalledExactlyOnceWith(false)
})

test('a stop keeps both from printing and from holding, and brings its fix', () => {
  const fixes = [{ label: 'Load A4', change: { kind: 'turned' } }]
  const { tools: t } = station({
    view: docket({ findings: [finding({ severity: 'STOP', what: 'The paper is too small', fixes: fixes as never })] }),
  })
  expect(print().disabled).toBe(true)
  for (const b of screen.getAllByRole('button', { name: /hold/i })) expect((b as HTMLButtonElement).disabled).toBe(true)
  fireEvent.click(screen.getByRole('button', { name: 'Load A4' }))
  expect(t.decide).toHaveBeenCalledWith({ kind: 'turned' })
})

test('what is on its way is cancelled, not printed a second time', async () => {
  const { asked } = station({
    attempts: [{ state: 'rendering', percent: 40 }],
    answers: { 'POST /api/attempts/a1/cancel': attempt({ state: 'cancelled' }) },
  })
  expect(print().disabled).toBe(true)
  expect(screen.getByTestId('progress').textContent).toContain('40')
  fireEvent.click(screen.getByRole('button', { name: 'Cancel the print' }))
  await waitFor(() => expect(asked.map((a) => a.call)).toContain('POST /api/attempts/a1/cancel'))
})

test('a remark is saved when the field is left, once, and only when it says something else', async () => {
  const { asked } = station({
    attempts: [{ remark: 'good', verdict: 'matches' }],
    answers: { 'PUT /api/attempts/a1/verdict': attempt() },
  })
  const remark = screen.getByLabelText('Remark on attempt 1')
  await userEvent.click(remark)
  await userEvent.tab()
  expect(asked.filter((a) => a.call.startsWith('PUT'))).toEqual([])
  await userEvent.type(remark, ', a touch warm')
  await userEvent.tab()
  await waitFor(() =>
    expect(asked.filter((a) => a.call.startsWith('PUT')).map((a) => a.body)).toEqual([
      { verdict: 'matches', remark: 'good, a touch warm' },
    ]),
  )
})

test('after a verdict that something is off, what to change is offered a button each', async () => {
  const { tools: t } = station({
    attempts: [{ verdict: 'too-dark' }],
    answers: { 'GET /api/attempts/a1/next': [{ label: 'Lift the shadows', change: { kind: 'turned' } }] },
  })
  fireEvent.click(await screen.findByRole('button', { name: 'Lift the shadows' }))
  expect(t.decide).toHaveBeenCalledWith({ kind: 'turned' })
})

test('of a print of several pages each page says its state', () => {
  station({
    attempts: [
      {
        state: 'failed',
        pages: [
          { page: 1, state: 'done', message: '', placed: [] },
          { page: 2, state: 'failed', message: 'The paper is jammed.', placed: [] },
        ],
      },
    ],
  })
  const pages = screen.getByRole('list', { name: 'Pages of attempt 1' })
  expect(pages.textContent).toContain('page 1')
  expect(pages.textContent).toContain('The paper is jammed.')
})
