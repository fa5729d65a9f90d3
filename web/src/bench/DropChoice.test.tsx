// @vitest-environment jsdom

import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { DropChoice } from './DropChoice'

afterEach(cleanup)

test('several pictures become a docket each unless something else is chosen', () => {
  const chosen = vi.fn()
  render(<DropChoice count={12} starts={[]} onChoose={chosen} onLeave={() => {}} />)
  expect(screen.getByText('12 pictures')).toBeTruthy()
  fireEvent.click(screen.getByText('Bring them'))
  expect(chosen).toHaveBeenLastCalledWith('EACH', undefined)
  fireEvent.click(screen.getByText('A contact sheet'))
  fireEvent.click(screen.getByText('Bring them'))
  expect(chosen).toHaveBeenLastCalledWith('CONTACT', undefined)
})

test('more pictures than a docket holds are not laid on one', () => {
  render(<DropChoice count={501} starts={[]} onChoose={() => {}} onLeave={() => {}} />)
  fireEvent.click(screen.getByText('Together'))
  expect(screen.getByText(/holds up to 500 pictures/)).toBeTruthy()
  expect((screen.getByText('Bring them').closest('button') as HTMLButtonElement).disabled).toBe(true)
})
