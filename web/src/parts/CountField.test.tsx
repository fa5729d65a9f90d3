// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { CountField } from './CountField'

afterEach(cleanup)

test('a number is told once, when Enter ends it, and never above the most', () => {
  const entered = vi.fn()
  render(<CountField label="Copies" value={1} most={500} onEnter={entered} />)
  const field = screen.getByLabelText('Copies') as HTMLInputElement
  field.focus()
  fireEvent.change(field, { target: { value: '2' } })
  expect(entered).not.toHaveBeenCalled()
  fireEvent.keyDown(field, { key: 'Enter', code: 'Enter', keyCode: 13, which: 13 })
  expect(entered.mock.calls).toEqual([[2]])
})

test('what is no number of copies changes nothing', () => {
  const entered = vi.fn()
  render(<CountField label="Copies" value={3} most={500} onEnter={entered} />)
  const field = screen.getByLabelText('Copies') as HTMLInputElement
  for (const text of ['0', 'two', '3']) {
    field.focus()
    fireEvent.change(field, { target: { value: text } })
    field.blur()
  }
  expect(entered).not.toHaveBeenCalled()
})
