// @vitest-environment jsdom
import { fireEvent, screen } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { expect, test } from 'vitest'
import { browserStands, docket, serverAnswers, shown } from '../testing/stage'
import { Docket } from './Docket'

browserStands()

/** What is printed to be measured lies on no bench; the log leads to its docket all the same. */
test.each([
  ['ruler', { kind: 'ruler-of', pairingId: 'p7' }, /its paper’s page/, 'paper p7'],
  ['chart', { kind: 'wedge-of', number: 4 }, /the tone bench/, 'wedge 4'],
])('a docket of a %s leads to where it is measured', async (kind, purpose, where, place) => {
  const view = docket()
  serverAnswers({
    'GET /api/dockets/d1': {
      ...view,
      spec: { ...view.spec, plan: { kind }, heading: { title: 'Measured', notes: '', purpose } },
    },
    'GET /api/dockets/d1/attempts': [],
  })
  shown(
    <Routes>
      <Route path="/dockets/:id/:station?" element={<Docket />} />
      <Route path="/papers/p7" element={<p>paper p7</p>} />
      <Route path="/tones/4" element={<p>wedge 4</p>} />
    </Routes>,
    '/dockets/d1/release',
  )
  expect((await screen.findByText(where)).textContent).toContain('Measured was printed from')
  fireEvent.click(screen.getByRole('button', { name: 'See it there' }))
  await screen.findByText(place)
})
