// @vitest-environment jsdom
import { act, fireEvent, screen, waitFor } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { browserStands, docket, figures, finding, picture, serverAnswers, shown, tools } from '../testing/stage'
import { ProofStation } from './ProofStation'
import { heldWords, screenWords } from './words'

browserStands()

const FIGURES = 'GET /api/dockets/d1/renditions/r1/figures'
const go = vi.fn()

function station(view = docket(), more: object = {}) {
  const asked = serverAnswers({ [FIGURES]: figures(more) })
  const t = tools({ view })
  const seen = shown(<ProofStation view={view} picture={picture()} tools={t} go={go} />)
  return { asked, tools: t, ...seen }
}

const routed = (route: object) => ({
  kind: 'routed',
  route: { kind: 'by-wistel', intent: 'RELATIVE', blackPoint: true, ...route },
})

test('without a paper there is nothing to proof, and one press leads to the papers', () => {
  const { asked } = station(docket({ pairing: undefined }))
  fireEvent.click(screen.getByRole('button', { name: 'To the paper' }))
  expect(go).toHaveBeenCalledWith('paper')
  expect(asked).toEqual([])
})

test('every intent has its figure beside it; a press on one decides it', async () => {
  const { tools: t } = station()
  await waitFor(() => expect(screen.getByRole('button', { name: /Perceptual/ }).textContent).toContain('ΔE 3.2'))
  expect(screen.getByRole('button', { name: /Relative/ }).getAttribute('aria-pressed')).toBe('true')
  fireEvent.click(screen.getByRole('button', { name: /Perceptual/ }))
  expect(t.decide).toHaveBeenCalledWith(routed({ intent: 'PERCEPTUAL' }))
})

test('intents are chosen and what the paper cannot hold is drawn by keys', () => {
  const { tools: t } = station()
  fireEvent.keyDown(window, { key: '4' })
  expect(t.decide).toHaveBeenCalledWith(routed({ intent: 'ABSOLUTE' }))
  expect(screen.queryByAltText('Out of gamut')).toBeNull()
  fireEvent.keyDown(window, { key: 'g' })
  expect(screen.getByAltText('Out of gamut')).toBeTruthy()
})

test('the master covers the proof while M is held', () => {
  station()
  const cover = () => (screen.getByAltText('Master') as HTMLImageElement).style.clipPath
  expect(cover()).toBe('inset(0 50% 0 0)')
  fireEvent.keyDown(window, { key: 'm' })
  expect(cover()).toBe('inset(0 0% 0 0)')
  fireEvent.keyUp(window, { key: 'm' })
  expect(cover()).toBe('inset(0 50% 0 0)')
})

test('black that the profile always compensates can not be switched off', async () => {
  station(docket(), { blackAlways: ['RELATIVE'] })
  const box = await screen.findByRole('checkbox', { name: /part of this intent in this profile/ })
  expect((box as HTMLInputElement).checked).toBe(true)
  expect((box as HTMLInputElement).disabled).toBe(true)
})

test('a driver that converts is said to differ from what is shown', () => {
  const view = docket()
  station({ ...view, spec: { ...view.spec, colour: { ...view.spec.colour, route: { kind: 'by-driver', space: 'SRGB' } } } })
  expect(screen.getByText(/driver/)).toBeTruthy()
})

test('the proof counts as looked at once it was drawn for a moment, not when it flashed by', async () => {
  vi.useFakeTimers()
  const unseen = finding({ code: 'PROOF_NOT_LOOKED_AT', stage: 'PROOF', subjects: [{ kind: 'of-picture', renditionId: 'r1' }] })
  vi.stubGlobal(
    'Image',
    class {
      onload = () => {}
      set src(_: string) {
        window.setTimeout(() => this.onload(), 10)
      }
    },
  )
  const { tools: t } = station(docket({ findings: [unseen] }))
  await act(() => vi.advanceTimersByTimeAsync(300))
  expect(t.see).not.toHaveBeenCalled()
  await act(() => vi.advanceTimersByTimeAsync(3000))
  expect(t.see).toHaveBeenCalledExactlyOnceWith('r1')
})

describe('in words', () => {
  const part = (cause: string, share: number) => ({ cause, share, meanDifference: 4 })

  test('what a paper cannot hold, the largest part first, and spots left out', () => {
    const g = { inside: 0.7, parts: [part('TOO_DARK', 0.1), part('TOO_VIVID', 0.198), part('TOO_LIGHT', 0.002)] }
    const words = heldWords(g as never, false)
    expect(words.indexOf('20 %')).toBeLessThan(words.indexOf('10 %'))
    expect(words).not.toContain('0.2 %')
    expect(heldWords({ inside: 1, parts: [] } as never, false)).toBe('It holds all of this picture.')
    expect(heldWords({ inside: 0.999, parts: [part('TOO_DARK', 0.001)] } as never, false)).toBe('It holds all but a few spots.')
  })

  test('what the screen cannot show of either', () => {
    expect(screenWords({ ofMaster: 0, ofPrint: 0 })).toBe('This screen shows both as they are.')
    expect(screenWords({ ofMaster: 0, ofPrint: 0.03 })).toBe("This screen can't show 3.0 % of the print.")
    expect(screenWords({ ofMaster: 0.5, ofPrint: 0.03 })).toContain(' of the print and ')
  })
})
